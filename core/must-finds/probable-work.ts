import { build, createPattern, type QueryNode } from '../query';
import { normaliseTitle, type BibliographicRecord } from '../record';

/** So many of the longest words of a title are searched, each once left out: one of them may have a slip. */
const SEARCHED = 5;
const LEAST_SEARCHED = 3;
/** Titles less alike than this are of other works. */
const LEAST_ALIKE = 0.72;
/** What stands before a subtitle. */
const SUBTITLE = /[:;?!]\s|\s[-–—]+\s/u;

/** The words of a title before its subtitle, or all where these are few. */
function listMainWords(title: string): string[] {
  const cut = SUBTITLE.exec(title)?.index;
  const main = cut === undefined ? [] : normaliseTitle(title.slice(0, cut));
  return main.length >= LEAST_SEARCHED ? main : normaliseTitle(title);
}

/** The query that finds works with nearly this title: all of its longest words but any one. Nothing for a short title. */
export function createProbableQuery(title: string): QueryNode | undefined {
  const words = [...new Set(listMainWords(title))].sort((a, b) => b.length - a.length || (a < b ? -1 : 1));
  const searched = words.slice(0, SEARCHED);
  if (searched.length < LEAST_SEARCHED) return undefined;
  const terms = searched.map((word) => build.fielded(['title'], build.term(createPattern(word))));
  return build.any(searched.map((_, left) => build.and(...terms.filter((__, at) => at !== left))));
}

/** How alike two titles are, from 0 to 1: the pairs of letters that they share (Dice 1945), subtitles apart where one lacks it. */
export function compareTitles(one: string, other: string): number {
  const whole = compareLetters(normaliseTitle(one), normaliseTitle(other));
  return Math.max(whole, compareLetters(listMainWords(one), listMainWords(other)));
}

function compareLetters(one: readonly string[], other: readonly string[]): number {
  const [a, b] = [countPairs(one), countPairs(other)];
  const size = (pairs: ReadonlyMap<string, number>): number =>
    [...pairs.values()].reduce((sum, n) => sum + n, 0);
  const shared = [...a].reduce((sum, [pair, times]) => sum + Math.min(times, b.get(pair) ?? 0), 0);
  const all = size(a) + size(b);
  return all === 0 ? 0 : (2 * shared) / all;
}

function countPairs(words: readonly string[]): Map<string, number> {
  const text = ` ${words.join(' ')} `;
  const pairs = new Map<string, number>();
  for (let at = 0; at + 2 <= text.length; at++) {
    const pair = text.slice(at, at + 2);
    pairs.set(pair, (pairs.get(pair) ?? 0) + 1);
  }
  return pairs;
}

/** The record that is probably meant by a title with a slip or without its subtitle; nothing if none is near enough. */
export function findProbable(
  title: string,
  records: readonly BibliographicRecord[],
): BibliographicRecord | undefined {
  let best: { readonly record: BibliographicRecord; readonly alike: number } | undefined;
  for (const record of records) {
    const alike = compareTitles(title, record.title);
    if (alike >= LEAST_ALIKE && alike > (best?.alike ?? 0)) best = { record, alike };
  }
  return best?.record;
}
