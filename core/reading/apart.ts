import { scoreWord } from '../collection';
import type { QueryNode } from '../query';
import type { BibliographicRecord } from '../record';
import type { Vocabulary } from '../vocabulary';
import { LEAST_FOUND } from './count-phrases';
import { listCandidates, type Lesson } from './learn';
import { findAmong } from './places-in-record';

/** Something by which records on topic and records off topic differ. */
export interface Separator {
  readonly text: string;
  readonly root: QueryNode;
  /** How many of the records on topic have it, and how many of those off topic. */
  readonly on: number;
  readonly off: number;
  /** Leave it out, or ask for it: what would keep more of the good than of the bad. */
  readonly use: 'not' | 'and';
}

/**
 * Log-likelihood beyond which a difference is hardly chance: 0.1 % with one degree of freedom. Hundreds of words
 * are looked at, so a lower bound would find some that mean nothing.
 */
const LEAST_SCORE = 10.83;

/**
 * What sets records on topic apart from those off topic, the most telling first. It is told of the judged records
 * alone; what it would do to a whole result is to be counted.
 */
export function listSeparators(
  on: readonly BibliographicRecord[],
  off: readonly BibliographicRecord[],
  lesson: Lesson,
  most: number,
  vocabulary?: Vocabulary,
  database?: string,
): Separator[] {
  if (on.length < LEAST_FOUND || off.length < LEAST_FOUND) return [];
  const all = [...on, ...off];
  const candidates = listCandidates(all, lesson, MAX_CANDIDATES, database);
  const found = findAmong(
    all,
    candidates.map(({ root }) => root),
    vocabulary,
  );
  const count = (which: readonly boolean[], from: number, to: number): number =>
    which.slice(from, to).filter(Boolean).length;
  return candidates
    .map(({ text, root }, at) => {
      const here = count(found[at] ?? [], 0, on.length);
      const there = count(found[at] ?? [], on.length, all.length);
      const score = scoreWord(there, off.length, here + there, all.length);
      return {
        score,
        separator: { text, root, on: here, off: there, use: score > 0 ? 'not' : 'and' } as const,
      };
    })
    .filter(({ score }) => Math.abs(score) >= LEAST_SCORE)
    .sort((a, b) => Math.abs(b.score) - Math.abs(a.score))
    .slice(0, most)
    .map(({ separator }) => separator);
}

const MAX_CANDIDATES = 400;
