import { scoreWord } from '../collection';
import { build, type Field, type QueryNode } from '../query';
import { nameAuthor, type BibliographicRecord } from '../record';
import { foldLetters } from '../text';
import { LEAST_FOUND, countPhrases, type CountedText } from './count-phrases';
import { buildWords } from './write-words';

/** What can be learnt from records. */
export const LESSONS = ['words', 'headings', 'keywords', 'sources', 'names', 'places'] as const;
export type Lesson = (typeof LESSONS)[number];

/** What of a record is learnt from. */
export type LearntRecord = Pick<
  BibliographicRecord,
  'title' | 'abstract' | 'keywords' | 'headings' | 'source' | 'authors'
>;

/** Something that several of some records have. */
export interface Candidate {
  /** As it is shown. */
  readonly text: string;
  /** What finds it in a database; nothing for what no query can say there. */
  readonly root: QueryNode;
  /** How many of the records have it. */
  readonly found: number;
}

/** What the page sends to the worker that learns. */
export interface LearnRequest {
  readonly turn: number;
  readonly records: readonly LearntRecord[];
  readonly lesson: Lesson;
  readonly most: number;
  readonly vocabulary: string | undefined;
}

/** What the worker sends back. */
export interface LearnAnswer {
  readonly turn: number;
  readonly candidates: readonly Candidate[];
}

/** A candidate with how many records of the whole database have it. */
export interface Learnt extends Candidate {
  readonly records: number;
  /** Signed log-likelihood (Dunning 1993): how much more often the records have it than the rest of the database. */
  readonly score: number;
  /** The share of these records over the share of the rest. */
  readonly ratio: number;
}

/** Among so many times the candidates that are wanted, parts of longer ones are looked for. */
const PARTS_LOOKED_AT = 5;

/**
 * What several of some records have of one kind, the most frequent first: words and phrases (`countPhrases`),
 * headings of a `vocabulary`, author keywords, sources, names or places of work.
 */
export function listCandidates(
  records: readonly LearntRecord[],
  lesson: Lesson,
  most: number,
  vocabulary?: string,
): Candidate[] {
  const counted = lesson === 'words' ? countPhrases(records) : countTexts(records.map(LISTERS[lesson]));
  const sorted = counted.sort(
    (a, b) => b.found - a.found || b.text.length - a.text.length || (a.text < b.text ? -1 : 1),
  );
  const kept = lesson === 'words' ? dropParts(sorted.slice(0, most * PARTS_LOOKED_AT)) : sorted;
  return kept.slice(0, most).flatMap(({ text, found }) => {
    const root = createRoot(lesson, text, vocabulary);
    return root ? [{ text, found, root }] : [];
  });
}

/** A word that is only met within one longer phrase says no more than the phrase. */
function dropParts(candidates: readonly CountedText[]): CountedText[] {
  const byFound = new Map<number, string[]>();
  for (const { found, text } of candidates) {
    const known = byFound.get(found);
    if (known) known.push(` ${text} `);
    else byFound.set(found, [` ${text} `]);
  }
  const isPart = ({ found, text }: CountedText): boolean =>
    (byFound.get(found) ?? []).some((other) => other.length > text.length + 2 && other.includes(` ${text} `));
  return candidates.filter((candidate) => !isPart(candidate));
}

const LISTERS: Readonly<Record<Exclude<Lesson, 'words'>, (record: LearntRecord) => readonly string[]>> = {
  headings: ({ headings }) => headings.map(({ label }) => label),
  keywords: ({ keywords }) => keywords,
  sources: ({ source }) => [source],
  names: ({ authors }) => authors.map(nameAuthor),
  places: ({ authors }) => authors.flatMap(({ affiliation }) => affiliation ?? []),
};

/** How many lists have each text, whatever its capitals and accents; those of a single list are left out. */
function countTexts(lists: readonly (readonly string[])[]): CountedText[] {
  const counts = new Map<string, { found: number; text: string }>();
  for (const list of lists)
    for (const [key, text] of new Map(
      list.filter((one) => one !== '').map((one) => [foldLetters(one), one]),
    )) {
      const known = counts.get(key);
      if (known) known.found++;
      else counts.set(key, { found: 1, text });
    }
  return [...counts.values()].filter(({ found }) => found >= LEAST_FOUND);
}

/** The field that what is learnt is looked for in; words stand in any. */
const LESSON_FIELDS: Readonly<Partial<Record<Lesson, Field>>> = {
  keywords: 'keywords',
  sources: 'source',
  names: 'author',
  places: 'affiliation',
};

/** What finds a candidate; nothing for a text without a word. */
function createRoot(lesson: Lesson, text: string, vocabulary: string | undefined): QueryNode | undefined {
  if (lesson === 'headings') return build.heading(text, 'heading', vocabulary);
  const words = buildWords(text);
  const field = LESSON_FIELDS[lesson];
  return words && field ? build.fielded([field], words) : words;
}

/**
 * Ranks what was learnt from `size` records of a database of `all` records by how much it sets them apart from
 * the others; `recordsOf` says how many records of the database have it, and nothing while that is not known.
 */
export function rankLearnt(
  candidates: readonly Candidate[],
  size: number,
  all: number,
  recordsOf: (candidate: Candidate) => number | undefined,
): Learnt[] {
  return candidates
    .flatMap((candidate): Learnt[] => {
      const { found } = candidate;
      const counted = recordsOf(candidate);
      if (counted === undefined || all <= size) return [];
      // What these records have, the database has, even if it counts in another way.
      const records = Math.min(all, Math.max(found, counted));
      const elsewhere = Math.min(records - found, all - size);
      const share = (elsewhere + 0.5) / (all - size + 1);
      return [
        {
          ...candidate,
          records,
          score: scoreWord(found, size, found + elsewhere, all),
          ratio: found / size / share,
        },
      ];
    })
    .sort((a, b) => b.score - a.score || b.found - a.found || (a.text < b.text ? -1 : 1));
}
