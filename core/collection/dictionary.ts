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
  const prefix = findPrefix(pattern);
  const suffix = findSuffix(pattern);
  const byPrefix = findRange(index, index.sorted, prefix, compareForwards);
  const byEnd = suffix === '' ? undefined : findRange(index, index.reversed, suffix, compareBackwards);
  const isByEnd = byEnd !== undefined && byEnd.end - byEnd.start < byPrefix.end - byPrefix.start;
  const isSure =
    pattern.length === (prefix === '' ? 0 : 1) + (suffix === '' ? 0 : 1) + 1 && hasOnlyAny(pattern);
  const least = prefix.length + suffix.length;
  const matches: (word: string) => boolean = isSure
    ? (word) => word.length >= least && word.startsWith(prefix) && word.endsWith(suffix)
    : createMatcher(pattern);
  if (!isByEnd) return collect(index, index.sorted, byPrefix, matches, cap, deadline);
  const found = collect(index, index.reversed, byEnd, matches, Infinity, deadline);
  found.sort((a, b) => (index.terms[a]! < index.terms[b]! ? -1 : 1));
  return cap < found.length ? found.slice(0, cap) : found;
}

/** True if a pattern is letters with one place for any letters, at the end, at the beginning or between. */
function hasOnlyAny(pattern: Pattern): boolean {
  return pattern.every(({ kind }) => kind === 'letters' || kind === 'any');
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

/**
 * The words of an index that begin and end with some letters, in alphabetical order. Each has its number of
 * records.
 */
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
  { start, end }: OrderRange,
  matches: (word: string) => boolean,
  cap: number,
  deadline: Deadline,
): number[] {
  const found: number[] = [];
  for (let at = start; at < end && found.length < cap; at++) {
    if (at % WORDS_BETWEEN === 0 && deadline()) break;
    const term = order[at]!;
    if (matches(index.terms[term]!)) found.push(term);
  }
  return found;
}

/** Places of an order, `[start, end)`. */
interface OrderRange {
  readonly start: number;
  readonly end: number;
}

/** Says whether a word stands before (-1), among (0) or behind (1) those with a beginning, or an end. */
type CompareWord = (word: string, part: string) => -1 | 0 | 1;

const compareForwards: CompareWord = (word, part) => {
  if (word.startsWith(part)) return 0;
  return word < part ? -1 : 1;
};

/** As the reversed order has them: by the last letter, then the one before it. */
const compareBackwards: CompareWord = (word, part) => {
  const length = Math.min(word.length, part.length);
  for (let back = 1; back <= length; back++) {
    const own = word.charCodeAt(word.length - back);
    const other = part.charCodeAt(part.length - back);
    // A letter of two units is turned round as a whole.
    if (isHalf(own) || isHalf(other)) return compareForwards(reverse(word), reverse(part));
    const difference = own - other;
    if (difference !== 0) return difference < 0 ? -1 : 1;
  }
  return word.length < part.length ? -1 : 0;
};

function isHalf(unit: number): boolean {
  return (unit & 0xf800) === 0xd800;
}

function reverse(text: string): string {
  return [...text].reverse().join('');
}

/** The words of an order that begin, or end, with a part: they stand side by side. */
function findRange(
  index: CollectionIndex,
  order: Uint32Array,
  part: string,
  compare: CompareWord,
): OrderRange {
  if (part === '') return { start: 0, end: order.length };
  const find = (isBefore: (place: number) => boolean): number => {
    let low = 0;
    let high = order.length;
    while (low < high) {
      const middle = (low + high) >>> 1;
      if (isBefore(compare(index.terms[order[middle]!]!, part))) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  return { start: find((place) => place < 0), end: find((place) => place <= 0) };
}
