import { foldLetters, splitWords } from './words';

/** A label as a key to look it up by: its words, folded. Punctuation, blanks and case do not count. */
export function createLabelKey(label: string): string {
  return splitWords(label)
    .map((word) => word.text)
    .join(' ');
}

/**
 * A heading as the key that records are found by: case, accents and blanks do not count, but signs do, as in `C++`.
 * Quotation marks do not: most databases cannot be asked for them.
 */
export function createHeadingKey(label: string): string {
  return foldLetters(label)
    .replace(/["\s]+/g, ' ')
    .trim();
}
