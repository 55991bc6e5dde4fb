import { foldLetters } from '../text';
import pairs from './spelling-pairs.json';
import rules from './spelling-rules.json';

/** Another spelling of a word, and a pattern that finds both where one can be written. */
export interface Spelling {
  readonly word: string;
  readonly merged?: string;
}

/**
 * British for American spellings of a word and the reverse, by the rules and pairs kept as data. A rule may
 * make words that do not exist: an offer first asks whether an index has them.
 */
export function listSpellings(word: string): Spelling[] {
  const folded = foldLetters(word);
  const found = new Set<string>();
  for (const pair of pairs) {
    const [british = '', american = ''] = pair.split(' ');
    if (folded === british) found.add(american);
    if (folded === american) found.add(british);
  }
  for (const { british, american, after } of rules) {
    const tail = /\(\?=.*\)$/.exec(british)?.[0] ?? '';
    const letters = british.replace(tail, '');
    const head = after === '' ? '' : `(?<=${after})`;
    found.add(folded.replace(new RegExp(`${head}${letters}${tail}`), american));
    found.add(folded.replace(new RegExp(`${head}${american}${tail}`), letters));
  }
  found.delete(folded);
  return [...found].map((other) => {
    const merged = mergeSpellings(folded, other);
    return { word: other, ...(merged !== undefined && { merged }) };
  });
}

/** One pattern for two spellings that differ by one letter: left out, or another one. */
export function mergeSpellings(a: string, b: string): string | undefined {
  const [short, long] = a.length <= b.length ? [a, b] : [b, a];
  let start = 0;
  while (start < short.length && short[start] === long[start]) start++;
  let end = 0;
  while (end < short.length - start && short.at(-1 - end) === long.at(-1 - end)) end++;
  const tail = end > 0 ? long.slice(-end) : '';
  const [shortPart, longPart] = [
    short.slice(start, short.length - end),
    long.slice(start, long.length - end),
  ];
  // A letter that may be there must stand inside the word.
  if (shortPart === '' && longPart.length === 1 && start > 0 && end > 0)
    return `${long.slice(0, start)}[${longPart}]${tail}`;
  if (shortPart.length === 1 && longPart.length === 1 && start > 0) return `${long.slice(0, start)}?${tail}`;
  return undefined;
}
