import { build, countLetters, createMatcher, createPattern, type QueryNode } from '../query';
import { foldLetters } from '../text';
import type { SharedWord, WordLists } from './index-word';

/** Which side of a word is left open. */
export type CutSide = 'ending' | 'beginning';

/** What a database's truncation does, as far as it changes which forms come. */
export interface TruncationRule {
  readonly database: string;
  /** It has no truncation on this side. */
  readonly isMissing: boolean;
  readonly leastLetters: number;
  /** Only so many forms come, the first of the alphabet. */
  readonly cap?: number;
}

/** What one cut brings in one database. */
export interface CutForms {
  readonly database: string;
  /** Why it brings nothing there. */
  readonly refusal?: 'missing' | 'too-short';
  readonly wanted: readonly string[];
  readonly unwanted: readonly string[];
  /** Forms that the database silently leaves out. */
  readonly capped: number;
}

/** One place to cut, as query text, with what it brings in each database. */
export interface Cut {
  readonly text: string;
  /** How many letters it fixes. */
  readonly letters: number;
  readonly byDatabase: readonly CutForms[];
  /** Brings no unwanted form in any database that takes it. */
  readonly isClean: boolean;
}

/** What the bench works on. */
export interface TruncationBench {
  readonly side: CutSide;
  /** The words that the shortest cut could bring, by database. */
  readonly lists: WordLists;
  readonly wanted: ReadonlySet<string>;
  readonly rules: readonly TruncationRule[];
}

/** Every place to cut a word, the shortest first, down to `least` letters. */
export function listCuts(word: string, bench: TruncationBench, least = 2): Cut[] {
  const folded = foldLetters(word);
  const cuts: Cut[] = [];
  for (let length = Math.min(least, folded.length); length <= folded.length; length++) {
    const text = bench.side === 'ending' ? `${folded.slice(0, length)}*` : `*${folded.slice(-length)}`;
    cuts.push(describeCut(text, bench));
  }
  return cuts;
}

/** The shortest cut that brings no unwanted form. */
export function findShortestCleanCut(cuts: readonly Cut[]): Cut | undefined {
  return cuts.find((cut) => cut.isClean && cut.byDatabase.some((forms) => forms.wanted.length > 0));
}

/** What one truncation brings, wherever its sign stands: for cuts inside a word, too. */
export function describeCut(text: string, bench: Omit<TruncationBench, 'side'>): Cut {
  const pattern = createPattern(foldLetters(text));
  const matches = createMatcher(pattern);
  const letters = countLetters(pattern);
  const byDatabase = bench.rules.map((rule) => bringForms(matches, letters, rule, bench));
  return { text, letters, byDatabase, isClean: byDatabase.every((forms) => forms.unwanted.length === 0) };
}

function bringForms(
  matches: (word: string) => boolean,
  letters: number,
  rule: TruncationRule,
  { lists, wanted }: Omit<TruncationBench, 'side'>,
): CutForms {
  const nothing = { database: rule.database, wanted: [], unwanted: [], capped: 0 };
  if (rule.isMissing) return { ...nothing, refusal: 'missing' };
  if (letters < rule.leastLetters) return { ...nothing, refusal: 'too-short' };
  const all = (lists[rule.database] ?? [])
    .map(({ word }) => word)
    .filter(matches)
    .sort();
  const forms = rule.cap === undefined ? all : all.slice(0, rule.cap);
  return {
    database: rule.database,
    wanted: forms.filter((form) => wanted.has(form)),
    unwanted: forms.filter((form) => !wanted.has(form)),
    capped: all.length - forms.length,
  };
}

/**
 * The fewest words and truncations that bring every wanted form and no other form of the list, as query text.
 * Truncations on one side are nested or apart. So the shortest clean cut of each form makes the smallest set;
 * a cut that brings a single form is written as that form.
 */
export function findBestTruncations(
  forms: readonly SharedWord[],
  wanted: ReadonlySet<string>,
  side: CutSide,
  leastLetters: number,
): string[] {
  const all = forms.map((form) => form.word);
  const unwanted = all.filter((form) => !wanted.has(form));
  const chosen = new Map<string, string[]>();
  for (const form of all) {
    if (!wanted.has(form)) continue;
    const cut = findCleanCut(form, unwanted, side, leastLetters);
    const key = cut ?? `=${form}`;
    chosen.set(key, [...(chosen.get(key) ?? []), form]);
  }
  return [...chosen].map(([key, covered]) => {
    const [only] = covered;
    if (key.startsWith('=') || covered.length === 1) return only ?? '';
    return side === 'ending' ? `${key}*` : `*${key}`;
  });
}

function findCleanCut(
  form: string,
  unwanted: readonly string[],
  side: CutSide,
  leastLetters: number,
): string | undefined {
  for (let length = Math.max(1, leastLetters); length <= form.length; length++) {
    const letters = side === 'ending' ? form.slice(0, length) : form.slice(-length);
    if (!unwanted.some((other) => (side === 'ending' ? other.startsWith(letters) : other.endsWith(letters))))
      return letters;
  }
  return undefined;
}

/** The records that only unwanted forms bring: those of the cut that none of the wanted forms finds. */
export function createStrayQuery(cut: string, wanted: readonly string[]): QueryNode {
  const whole = build.term(createPattern(cut));
  const words = wanted.map((form) => build.term(createPattern(form)));
  const [first] = words;
  if (!first) return whole;
  return build.not(whole, words.length > 1 ? build.or(...words) : first);
}
