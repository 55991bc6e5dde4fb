import { build, createPattern, type QueryNode } from '../query';
import { splitWords } from '../text';

/** The words of a text as they are looked for: a phrase, or a single term; nothing for a text without a word. */
export function buildWords(text: string): QueryNode | undefined {
  const patterns = splitWords(text).map(({ start, end }) => createPattern(text.slice(start, end)));
  const [only] = patterns;
  return patterns.length > 1 ? build.phrase(...patterns) : only && build.term(only);
}
