import { splitWords, type Span } from '../text';
import lists from './word-lists.json';

/** What a word of a question is good for. */
export type WordRole = 'content' | 'context' | 'stop';

/** A word of a question with its role; words that are dimmed say why. */
export interface QuestionWord extends Span {
  readonly text: string;
  readonly role: WordRole;
  readonly reason?: string;
}

/** A project's own changes to the list of context words, in folded letters. */
export interface ContextWords {
  readonly added: readonly string[];
  readonly dropped: readonly string[];
}

const toMap = (rows: readonly { reason: string; words: string }[]): ReadonlyMap<string, string> =>
  new Map(rows.flatMap(({ reason, words }) => words.split(' ').map((word) => [word, reason] as const)));
const CONTEXT = toMap(lists.context);
const STOP = toMap(lists.stop);
const ADDED = 'you put it on the list of context words';

/** Whether a word, in small letters, says nothing by itself: `of`, `the`, `between`. */
export function isStopWord(word: string): boolean {
  return STOP.has(word);
}

/** The words of a question in order. The lists are data: `word-lists.json`. */
export function readQuestion(
  question: string,
  own: ContextWords = { added: [], dropped: [] },
): QuestionWord[] {
  return splitWords(question).map(({ text, start, end }) => {
    const written = { text: question.slice(start, end), start, end };
    if (own.added.includes(text)) return { ...written, role: 'context', reason: ADDED };
    const stop = STOP.get(text);
    if (stop !== undefined) return { ...written, role: 'stop', reason: stop };
    const context = CONTEXT.get(text);
    if (context !== undefined && !own.dropped.includes(text))
      return { ...written, role: 'context', reason: context };
    return { ...written, role: 'content' };
  });
}

/** Content words that stand side by side and may be a phrase: pairs, by the places of their words. */
export function listPairs(
  words: readonly QuestionWord[],
  question: string,
): { first: number; text: string }[] {
  return words.slice(0, -1).flatMap((word, at) => {
    const next = words[at + 1];
    if (word.role !== 'content' || next?.role !== 'content') return [];
    const between = question.slice(word.end, next.start);
    return /^[\s-]+$/.test(between) ? [{ first: at, text: `${word.text} ${next.text}` }] : [];
  });
}

/** Some words of a question as terms: those that stand side by side are one, the others each its own. */
export function joinPicked(
  words: readonly QuestionWord[],
  picked: ReadonlySet<number>,
  question: string,
): string[] {
  const runs: string[][] = [];
  words.forEach((word, at) => {
    if (!picked.has(at)) return;
    const before = picked.has(at - 1) ? words[at - 1] : undefined;
    const isNext = before !== undefined && /^[\s-]*$/.test(question.slice(before.end, word.start));
    if (isNext) runs.at(-1)?.push(word.text);
    else runs.push([word.text]);
  });
  return runs.map((run) => run.join(' '));
}

/** How often a pair and each of its words are found. */
export interface PairCounts {
  readonly pair: number;
  readonly first: number;
  readonly second: number;
}

/** A pair is a likely phrase if so many of the records of its rarer word have both side by side. */
const LIKELY_SHARE = 0.04;

/**
 * The places of the first words of likely phrases, none of which share a word: the most telling pairs
 * first. `counts` gives nothing for a pair that is not counted yet.
 */
export function choosePhrases(
  pairs: readonly { first: number; text: string }[],
  counts: (pair: { first: number; text: string }) => PairCounts | undefined,
): number[] {
  const ranked = pairs
    .flatMap((pair) => {
      const found = counts(pair);
      const rarer = found ? Math.min(found.first, found.second) : 0;
      return found && rarer > 0 ? [{ first: pair.first, share: found.pair / rarer }] : [];
    })
    .filter(({ share }) => share >= LIKELY_SHARE)
    .sort((a, b) => b.share - a.share);
  const chosen: number[] = [];
  for (const { first } of ranked) {
    if (!chosen.some((other) => Math.abs(other - first) < 2)) chosen.push(first);
  }
  return chosen.sort((a, b) => a - b);
}

/** A term of so many words, or one that asks, is a sentence and finds nothing as a phrase. */
const SENTENCE_WORDS = 6;

/** True for a text that reads as a sentence and not as a term. */
export function isSentence(text: string): boolean {
  const words = readQuestion(text);
  if (/["():@]|\b(?:AND|OR|NOT|WITHIN|BEFORE)\b/.test(text.replace(/^"|"$/g, ''))) return false;
  if (words.length >= SENTENCE_WORDS) return true;
  return (
    words.length >= 4 &&
    (/\?\s*"?$/.test(text) || words.filter((word) => word.role !== 'content').length >= 2)
  );
}
