import type { FirstFound, KeptPlace, KeptWork } from '../project';
import { createWorkFinder } from '../reading';
import { nameAuthor, normaliseTitle, type BibliographicRecord } from '../record';
import { createRecordKeys, type RecordKeys } from '../record/same-work';
import { foldLetters } from '../text';

/** What is known of a work when it is kept. `kept` is ISO 8601, UTC. */
export interface KeptFrom {
  readonly id: string;
  readonly kept: string;
  readonly place: KeptPlace;
  readonly found?: FirstFound;
}

/** A work as it comes on the shelf: nothing is said of it yet. Full texts are long and stay in their database. */
export function createKeptWork(record: BibliographicRecord, { id, kept, place, found }: KeptFrom): KeptWork {
  const { fullText: _, cited: __, ...rest } = record;
  const { identifier, work } = createRecordKeys(record);
  return {
    id,
    record: { ...rest, references: [] },
    identifier,
    work,
    kept,
    ...(found && { found }),
    places: [place],
    labels: [],
    note: '',
    quotations: [],
    answers: {},
  };
}

/** Finds the kept work of a record, by its place or by what tells its work. */
export type FindKeptWork = (place: KeptPlace, keys: RecordKeys) => KeptWork | undefined;

/** Makes a look-up of the works of a shelf. */
export function createKeptFinder(kept: readonly KeptWork[]): FindKeptWork {
  const byPlace = kept.flatMap((work) => work.places.map((place) => [writePlace(place), work] as const));
  const byId = kept.map((work) => [`id ${work.id}`, work] as const);
  const find = createWorkFinder(Object.fromEntries([...byPlace, ...byId]));
  return (place, keys) => find(writePlace(place), keys);
}

const writePlace = ({ database, record }: KeptPlace): string => `${database} ${record}`;

/** A kept work with one more place, if it is a new one. */
export function addPlace(work: KeptWork, place: KeptPlace): KeptWork {
  const isKnown = work.places.some((one) => writePlace(one) === writePlace(place));
  return isKnown ? work : { ...work, places: [...work.places, place] };
}

/** The orders of a shelf. */
export const SHELF_ORDERS = ['kept', 'author', 'title', 'newest', 'oldest', 'source'] as const;
export type ShelfOrder = (typeof SHELF_ORDERS)[number];

/** What of a shelf is looked at. */
export interface ShelfView {
  readonly order: ShelfOrder;
  /** Only works that have all of these. */
  readonly labels: readonly string[];
  /** Only works that have all of these words somewhere: in the record, the labels, the notes or the quotations. */
  readonly words: string;
}

/** The works of a shelf that are looked at, in their order; the latest kept first, unless another is asked for. */
export function listKept(kept: readonly KeptWork[], { order, labels, words }: ShelfView): KeptWork[] {
  const wanted = normaliseTitle(words);
  return kept
    .filter((work) => labels.every((label) => work.labels.includes(label)) && hasWords(work, wanted))
    .sort((a, b) => COMPARE[order](a, b) || compareTexts(b.kept, a.kept) || compareTexts(a.id, b.id));
}

/** The words of each work, told apart once: a shelf is looked through with every key. */
const WORDS = new WeakMap<KeptWork, readonly string[]>();

function hasWords(work: KeptWork, wanted: readonly string[]): boolean {
  if (wanted.length === 0) return true;
  const all = WORDS.get(work) ?? listWords(work);
  WORDS.set(work, all);
  return wanted.every((word) => all.some((one) => one.startsWith(word)));
}

function listWords({ record, labels, note, quotations, answers }: KeptWork): readonly string[] {
  const texts = [
    record.title,
    ...record.authors.map(nameAuthor),
    record.source,
    record.abstract,
    ...record.keywords,
    ...labels,
    note,
    ...quotations.flatMap(({ text, comment }) => [text, comment]),
    ...Object.values(answers),
  ];
  return texts.flatMap(normaliseTitle);
}

const compareTexts = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
/** Works that lack what they are sorted by come last. */
const compareNames = (a: string, b: string): number =>
  Number(a === '') - Number(b === '') || compareTexts(foldLetters(a), foldLetters(b));
const compareYears = (a: number | undefined, b: number | undefined, by: 1 | -1): number =>
  a === undefined || b === undefined ? Number(a === undefined) - Number(b === undefined) : by * (a - b);
const nameFirst = ({ record: { authors } }: KeptWork): string => (authors[0] ? nameAuthor(authors[0]) : '');

const COMPARE: Readonly<Record<ShelfOrder, (a: KeptWork, b: KeptWork) => number>> = {
  kept: () => 0,
  author: (a, b) => compareNames(nameFirst(a), nameFirst(b)),
  title: (a, b) => compareNames(a.record.title, b.record.title),
  newest: (a, b) => compareYears(a.record.year, b.record.year, -1),
  oldest: (a, b) => compareYears(a.record.year, b.record.year, 1),
  source: (a, b) => compareNames(a.record.source, b.record.source),
};

/** All labels of a shelf with how many works have each, in the order of the alphabet. */
export function listLabels(kept: readonly KeptWork[]): { readonly label: string; readonly works: number }[] {
  const counts = new Map<string, number>();
  for (const { labels } of kept) for (const label of labels) counts.set(label, (counts.get(label) ?? 0) + 1);
  return [...counts]
    .map(([label, works]) => ({ label, works }))
    .sort((a, b) => compareNames(a.label, b.label) || compareTexts(a.label, b.label));
}

/** A label as it is kept: single blanks, none at the ends. */
export function tidyLabel(text: string): string {
  return text.replace(/\s+/g, ' ').trim();
}
