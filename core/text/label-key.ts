import { splitWords } from './words';

/** A label as a key: its words, folded. Punctuation, blanks and case do not count. */
export function createLabelKey(label: string): string {
  return splitWords(label)
    .map((word) => word.text)
    .join(' ');
}
