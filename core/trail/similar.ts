import { build, type QueryNode } from '../query';
import { isStopWord } from '../question';
import { buildWords } from '../reading';
import type { BibliographicRecord } from '../record';
import type { RecordKeys, SameWorkAnswers } from '../record/same-work';
import { createHeadingKey, foldLetters, splitWords } from '../text';
import { tellWorks, type TrailStart } from './tell-works';

/** What two works can share: a word of title, abstract or keywords, a heading, or a work that both cite. */
export type SharedKind = 'word' | 'heading' | 'reference';

/** Something that a work has and few others do. */
export interface TellingPart {
  readonly kind: SharedKind;
  /** The word, the label of the heading, or the title of the reference. */
  readonly text: string;
}

/** A telling part with what it says: the natural logarithm of all records by those that have it (Spärck Jones 1972). */
export interface WeighedPart extends TellingPart {
  readonly weight: number;
}

/** The records of a database that share one part with a start. */
export interface SimilarStep {
  /** The place of the start in the list of starts. */
  readonly start: number;
  readonly database: string;
  readonly part: WeighedPart;
  readonly records: readonly BibliographicRecord[];
}

/** A work that is like one or more of the starts, with what they share. */
export interface SimilarWork {
  readonly record: BibliographicRecord;
  readonly database: string;
  readonly keys: RecordKeys;
  /** The starts that it is like, by their places. */
  readonly from: readonly number[];
  /** How many of the works that the starts cite it cites, too. */
  readonly references: number;
  readonly headings: readonly string[];
  readonly words: readonly string[];
  /** The weights of all that is shared, added up. */
  readonly score: number;
}

/** Shorter words tell little. */
const LEAST_LETTERS = 4;
/** What more than this share of the records have tells nothing. */
const GREATEST_SHARE = 0.02;
/** So many words and headings of one work are looked for: the rarest. */
const MOST_PARTS = 12;
/** A work that shares one thing alone may do so by chance. */
const LEAST_SHARED = 2;

/** The words of a record's title and keywords, and its headings, that may tell what it is about. */
export function listTellingParts({
  title,
  keywords,
  headings,
}: Pick<BibliographicRecord, 'title' | 'keywords' | 'headings'>): TellingPart[] {
  const words = [title, ...keywords].flatMap(listWords);
  const telling = words.filter(
    (word) => word.length >= LEAST_LETTERS && !isStopWord(word) && !/\d/.test(word),
  );
  return [
    ...[...new Set(headings.map(({ label }) => label))].map((text) => ({ kind: 'heading' as const, text })),
    ...[...new Set(telling)].map((text) => ({ kind: 'word' as const, text })),
  ];
}

function listWords(text: string): string[] {
  return splitWords(text).map((word) => foldLetters(word.text));
}

/** The query that finds what has a part; nothing for a reference, which no query finds. */
export function createPartQuery({ kind, text }: TellingPart): QueryNode | undefined {
  if (kind === 'heading') return build.heading(text, 'heading');
  const words = kind === 'word' ? buildWords(text) : undefined;
  return words && build.fielded(['title', 'abstract', 'keywords'], words);
}

/**
 * The parts that tell most, from how many of the records of a database have each: the rarest of those that another
 * record has, and that no more than one record in fifty has.
 */
export function chooseTelling(
  parts: readonly TellingPart[],
  counts: readonly (number | undefined)[],
  records: number,
): WeighedPart[] {
  return parts
    .flatMap((part, at): WeighedPart[] => {
      const count = counts[at];
      const isTelling = count !== undefined && count > 1 && count <= Math.max(2, records * GREATEST_SHARE);
      return isTelling ? [{ ...part, weight: weigh(count, records) }] : [];
    })
    .sort((a, b) => b.weight - a.weight)
    .slice(0, MOST_PARTS);
}

/** What it tells that a record has something that so many of all records have. */
export function weigh(count: number, records: number): number {
  return Math.log(Math.max(records, count, 1) / Math.max(1, count));
}

/** True if a record has a word or heading. */
export function hasPart(record: BibliographicRecord, { kind, text }: TellingPart): boolean {
  if (kind === 'heading')
    return record.headings.some(({ label }) => createHeadingKey(label) === createHeadingKey(text));
  return [record.title, record.abstract, ...record.keywords].some((place) => listWords(place).includes(text));
}

/**
 * The works that share at least two things with one of the starts, each once and without the starts: those first that
 * share most, by the weights of what they share. What two databases say alike counts once.
 */
export function gatherSimilar(
  starts: readonly TrailStart[],
  steps: readonly SimilarStep[],
  answers?: SameWorkAnswers,
): SimilarWork[] {
  const met = tellWorks(starts, steps, answers);
  interface PartOfStart {
    readonly start: number;
    readonly part: WeighedPart;
  }
  const works = new Map<number, { readonly at: number; readonly shared: Map<string, PartOfStart> }>();
  met.forEach(({ start, part, work }, at) => {
    const shared = works.get(work)?.shared ?? new Map<string, PartOfStart>();
    const key = `${start} ${part.kind} ${part.text}`;
    const before = shared.get(key);
    if (!before || before.part.weight < part.weight) shared.set(key, { start, part });
    works.set(work, { at: works.get(work)?.at ?? at, shared });
  });
  return [...works.values()]
    .flatMap(({ at, shared }): SimilarWork[] => {
      const { record, database, keys } = met[at]!;
      const all = [...shared.values()];
      const from = starts
        .map((_, place) => place)
        .filter((place) => all.filter(({ start }) => start === place).length >= LEAST_SHARED);
      const parts = all.filter(({ start }) => from.includes(start)).map(({ part }) => part);
      const list = (kind: SharedKind): string[] => [
        ...new Set(
          parts
            .filter((part) => part.kind === kind)
            .sort((a, b) => b.weight - a.weight)
            .map(({ text }) => text),
        ),
      ];
      if (from.length === 0) return [];
      return [
        {
          record,
          database,
          keys,
          from,
          references: list('reference').length,
          headings: list('heading'),
          words: list('word'),
          score: parts.reduce((sum, { weight }) => sum + weight, 0),
        },
      ];
    })
    .sort((a, b) => b.score - a.score || (a.record.title < b.record.title ? -1 : 1));
}
