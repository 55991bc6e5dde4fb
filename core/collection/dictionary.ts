import { createMatcher, findPrefix, findSuffix, isPlain, printPattern, type Pattern } from '../query';
import { foldLetters } from '../text';
import type { CollectionIndex } from './collection-index';

/** Says whether the time is up; called now and then during long work. */
export type Deadline = () => boolean;

/** Where nothing is said, there is time. */
export const NEVER: Deadline = () => false;

/** So many words are looked at between two looks at the clock. */
const WORDS_BETWEEN = 512;

/**
 * The numbers of the words that a pattern matches, in the order of the alphabet; at most `cap`. Once
 * the deadline has passed, those found so far: who has one asks it afterwards.
 */
export function findTerms(
  index: CollectionIndex,
  pattern: Pattern,
  cap = Infinity,
  deadline: Deadline = NEVER,
): number[] {
  if (isPlain(pattern)) {
    const term = findTermNumbers(index).get(foldLetters(printPattern(pattern)));
    return term === undefined ? [] : [term];
  }
  const matches = createMatcher(pattern);
  const prefix = findPrefix(pattern);
  const suffix = findSuffix(pattern);
  if (prefix === '' && suffix !== '') {
    const found = collect(index, index.reversed, reverse(suffix), reverse, matches, Infinity, deadline);
    return found
      .sort((a, b) => (index.terms[a]! < index.terms[b]! ? -1 : 1))
      .slice(0, cap === Infinity ? undefined : cap);
  }
  return collect(index, index.sorted, prefix, (text) => text, matches, cap, deadline);
}

const NUMBERS = new WeakMap<CollectionIndex, ReadonlyMap<string, number>>();

/** The numbers of all words, made when an index is first asked for a whole word. */
function findTermNumbers(index: CollectionIndex): ReadonlyMap<string, number> {
  let numbers = NUMBERS.get(index);
  if (!numbers) {
    numbers = new Map(index.terms.map((term, number) => [term, number]));
    NUMBERS.set(index, numbers);
  }
  return numbers;
}

/** The words of an index that begin and end with some letters, in the order of the alphabet, with the records of each. */
export function listWords(
  index: CollectionIndex,
  { prefix, suffix }: { readonly prefix: string; readonly suffix: string },
  most: number,
  deadline: Deadline = NEVER,
): { word: string; records: number }[] {
  const pattern: Pattern = [
    { kind: 'letters', text: prefix },
    { kind: 'any' },
    ...(suffix === '' ? [] : [{ kind: 'letters' as const, text: suffix }]),
  ];
  const isWord = (term: number): boolean => !index.terms[term]!.startsWith('=');
  return findTerms(index, pattern, most, deadline)
    .filter(isWord)
    .map((term) => ({
      word: index.terms[term]!,
      records: countPostings(index, term),
    }));
}

/** The number of records that have a word. */
export function countPostings(index: CollectionIndex, term: number): number {
  return index.segments.reduce((sum, segment) => sum + segment.starts[term + 1]! - segment.starts[term]!, 0);
}

function collect(
  index: CollectionIndex,
  order: Uint32Array,
  prefix: string,
  read: (text: string) => string,
  matches: (word: string) => boolean,
  cap: number,
  deadline: Deadline,
): number[] {
  const found: number[] = [];
  for (let at = findFirst(index, order, prefix, read); at < order.length && found.length < cap; at++) {
    if (at % WORDS_BETWEEN === 0 && deadline()) break;
    const term = order[at]!;
    const text = index.terms[term]!;
    if (!read(text).startsWith(prefix)) break;
    if (matches(text)) found.push(term);
  }
  return found;
}

/** The first place of an order whose word is not before the given one. */
function findFirst(
  index: CollectionIndex,
  order: Uint32Array,
  word: string,
  read: (text: string) => string,
): number {
  let low = 0;
  let high = order.length;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (read(index.terms[order[middle]!]!) < word) low = middle + 1;
    else high = middle;
  }
  return low;
}

function reverse(text: string): string {
  return [...text].reverse().join('');
}
