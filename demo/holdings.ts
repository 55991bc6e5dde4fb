import type { AssignedHeading, BibliographicRecord, TimesCited } from '#core/record/index';
import { foldLetters, splitWords } from '#core/text/index';
import { createVocabulary, type Vocabulary } from '#core/vocabulary/index';
import { createRandom, type Random } from './random';
import { createThesauri } from './thesauri/index';
import type { HoldingId } from './themes/index';
import { HOLDING_IDS } from './themes/index';
import type { Corpus, Work } from './works';

/** How many works of 40,000 each database holds. */
export const HOLDING_SIZES: Readonly<Record<HoldingId, number>> = {
  heronsmere: 17_000,
  gantry: 13_000,
  cardinal: 24_000,
  marlstone: 10_000,
  northern: 6_000,
  plainfinder: 34_000,
};

const HELD_TYPES: Partial<Record<HoldingId, readonly string[]>> = {
  northern: ['book', 'thesis', 'report'],
  marlstone: ['article', 'review', 'conference paper', 'report'],
};
const WITH_KEYWORDS: readonly HoldingId[] = ['cardinal', 'plainfinder'];
const QUALIFIERS = ['behaviour', 'ecology', 'physiology', 'conservation', 'control', 'methods'];
/** Works entered later than this have no headings yet. */
const LAST_INDEXED_MONTH = '2026-07';
const LAST_MONTH = '2026-11';

/** A database's part of the corpus: the works it took in, in the order of their entry. */
export interface DemoHolding {
  readonly id: HoldingId;
  readonly works: readonly Work[];
  /** The record of the nth work as this database shows it. */
  createRecord(place: number): BibliographicRecord;
}

/** One database's part. A work may stand in it twice; sizes count such doubles too. */
export function createHolding(corpus: Corpus, id: HoldingId): DemoHolding {
  const stream = HOLDING_IDS.indexOf(id) + 1;
  const size = Math.round((HOLDING_SIZES[id] * corpus.works.length) / 40_000);
  const doubles = Math.round(size * 0.006);
  const works = selectWorks(corpus, id, stream, size - doubles);
  const twice = createRandom(corpus.seed, 900 + stream).sample(works, doubles);
  const all = [...works, ...twice];
  const isDouble = (place: number): boolean => place >= works.length;
  const order = all
    .map((work, place) => ({
      work,
      place,
      entered: chooseMonth(
        createRandom(corpus.seed ^ (stream * 7919), work.number + (isDouble(place) ? 500_000 : 0)),
        work.year,
      ),
    }))
    .sort((a, b) =>
      a.entered === b.entered
        ? a.work.number - b.work.number || a.place - b.place
        : a.entered < b.entered
          ? -1
          : 1,
    );
  const thesaurus = findThesaurus(id);
  const cited = COUNTS_CITATIONS.includes(id)
    ? countCitations(order.map(({ work, place }) => ({ work, isDouble: isDouble(place) })))
    : undefined;
  return {
    id,
    works: order.map((entry) => entry.work),
    createRecord: (at) => {
      const { work, place, entered } = order[at]!;
      const random = createRandom(corpus.seed ^ (stream * 104_729), work.number);
      const record = describeWork(corpus, work, id, entered, random, thesaurus);
      const times = cited?.get(work.number);
      return isDouble(place)
        ? { ...record, id: `${record.id}-2`, title: record.title.toUpperCase(), keywords: [] }
        : { ...record, ...(times && { cited: times }) };
    },
  };
}

/** The databases that say how often a work is cited. */
const COUNTS_CITATIONS: readonly HoldingId[] = ['cardinal'];

/** How often each work is cited by the records of a database, and its place among those of its year and type. */
function countCitations(
  held: readonly { readonly work: Work; readonly isDouble: boolean }[],
): ReadonlyMap<number, TimesCited> {
  const works = held.flatMap(({ work, isDouble }) => (isDouble ? [] : [work]));
  const times = new Map(works.map(({ number }) => [number, 0]));
  for (const { work } of held)
    for (const reference of work.references) {
      const before = times.get(reference);
      if (before !== undefined) times.set(reference, before + 1);
    }
  const groupOf = ({ year, type }: Work): string => `${year} ${type}`;
  const groups = new Map<string, number[]>();
  for (const work of works) {
    const group = groups.get(groupOf(work)) ?? [];
    group.push(times.get(work.number)!);
    groups.set(groupOf(work), group);
  }
  for (const group of groups.values()) group.sort((a, b) => b - a);
  return new Map(
    works.map((work) => {
      const own = times.get(work.number)!;
      const group = groups.get(groupOf(work))!;
      return [work.number, { times: own, peers: group.length, ahead: group.indexOf(own) }];
    }),
  );
}

/** The headings that a database's indexers give; a catalogue's come from both lists and are published nowhere. */
function findThesaurus(id: HoldingId): Vocabulary | undefined {
  const { heronsmere, gantry } = createThesauri();
  if (id === 'northern') {
    subjects ??= createVocabulary(id, [
      ...heronsmere.headings,
      ...gantry.headings.filter(({ label }) => heronsmere.find(label) === undefined),
    ]);
    return subjects;
  }
  return { heronsmere, gantry }[id as string];
}

let subjects: Vocabulary | undefined;

/** Weighted drawing without putting back: the larger a work's affinity, the likelier it is in. */
function selectWorks(corpus: Corpus, id: HoldingId, stream: number, size: number): Work[] {
  const types = HELD_TYPES[id];
  const drawn = corpus.works.map((work) => {
    const fits = !types || types.includes(work.type) ? 1 : 0.004;
    const weight = Math.max(0.0001, work.theme.affinity[id] ** 1.6 * fits);
    const roll = createRandom(corpus.seed ^ (stream * 31_337), work.number).next();
    return { work, key: Math.max(roll, 1e-9) ** (1 / weight) };
  });
  return drawn
    .sort((a, b) => b.key - a.key || a.work.number - b.work.number)
    .slice(0, size)
    .map(({ work }) => work);
}

function chooseMonth(random: Random, year: number): string {
  const months = 12 * Math.max(year, 1988) + Math.floor(random.next() ** 1.7 * 15) + random.between(0, 6);
  const month = `${Math.floor(months / 12)}-${String((months % 12) + 1).padStart(2, '0')}`;
  return month > LAST_MONTH ? LAST_MONTH : month;
}

/** The databases that say which works anybody may read. */
const KNOWS_OPEN_ACCESS: readonly HoldingId[] = ['heronsmere', 'marlstone'];

/** A work is open, or not, wherever it is held; newer ones more often. */
function isOpenAccess({ number, year }: Work): boolean {
  return (number * 7_919) % 100 < (year < 2005 ? 8 : 25 + 2 * (year - 2005));
}

/** Where an article stands in its journal. It is reckoned, not drawn: nothing else of the corpus changes by it. */
function placeInSource({ number, year, type, source }: Work): Partial<BibliographicRecord> {
  if (type === 'book' || type === 'thesis' || type === 'report') return {};
  const first = 1 + ((number * 37) % 480);
  return {
    volume: String(year - 1950 - (source.length % 20)),
    issue: String(1 + (number % 4)),
    pages: `${first}-${first + 4 + (number % 17)}`,
  };
}

function describeWork(
  corpus: Corpus,
  work: Work,
  id: HoldingId,
  entered: string,
  random: Random,
  thesaurus: Vocabulary | undefined,
): BibliographicRecord {
  const hasYear = random.next() > 0.004;
  return {
    id: `${id}-${work.number}`,
    title: work.title,
    abstract: work.abstract,
    keywords: WITH_KEYWORDS.includes(id) ? work.keywords : [],
    headings: thesaurus && entered <= LAST_INDEXED_MONTH ? assignHeadings(work, id, random, thesaurus) : [],
    authors: work.authors,
    source: work.source,
    ...placeInSource(work),
    ...(hasYear && { year: work.year }),
    type: work.type,
    language: work.language,
    peerReviewed: work.peerReviewed,
    hasFullText: id === 'marlstone' || random.chance(0.5),
    ...(KNOWS_OPEN_ACCESS.includes(id) && { isOpenAccess: isOpenAccess(work) }),
    ...(id === 'marlstone' && { fullText: corpus.createFullText(work) }),
    ...(work.doi !== undefined && { doi: work.doi }),
    entered,
    references: work.references.map(String),
  };
}

const LATER_HEADINGS = new WeakMap<Vocabulary, ReadonlyMap<string, readonly string[]>>();

/** Further headings of two words, both of which stand in the text; a few of them. */
function findSpokenOf(words: ReadonlySet<string>, thesaurus: Vocabulary, random: Random): string[] {
  let byWord = LATER_HEADINGS.get(thesaurus);
  if (!byWord) {
    const lists = new Map<string, string[]>();
    for (const { label } of thesaurus.headings) {
      const [first = '', second] = splitWords(label).map((word) => word.text);
      if (second !== undefined) lists.set(first, [...(lists.get(first) ?? []), label]);
    }
    byWord = lists;
    LATER_HEADINGS.set(thesaurus, lists);
  }
  const found: string[] = [];
  for (const word of words) {
    for (const label of byWord.get(word) ?? byWord.get(word.replace(/s$/, '')) ?? []) {
      if (found.length < 2 && words.has(foldLetters(label.split(' ').at(-1) ?? '')) && random.chance(0.3))
        found.push(label);
    }
  }
  return found;
}

/** Headings as indexers give them: those the text speaks of first, some of the theme, now and then a wrong one. */
function assignHeadings(work: Work, id: HoldingId, random: Random, thesaurus: Vocabulary): AssignedHeading[] {
  const { theme } = work;
  const own = { heronsmere: theme.heronsmere, gantry: theme.gantry }[id as string];
  const usual = own ?? [...new Set([...theme.heronsmere, ...theme.gantry])];
  const words = new Set(splitWords(`${work.title} ${work.abstract}`).map((word) => word.text));
  const speaksOf = (label: string): boolean => {
    const heading = thesaurus.find(label);
    return [label, ...(heading?.entryTerms ?? [])].some((name) =>
      splitWords(foldLetters(name)).every((word) => words.has(word.text)),
    );
  };
  const labels = usual.filter((label) => random.chance(speaksOf(label) ? 0.82 : 0.22));
  if (random.chance(0.015)) labels.push(random.pick(thesaurus.headings).label);
  labels.push(...findSpokenOf(words, thesaurus, createRandom(work.number, usual.length)));
  return [...new Set(labels)]
    .filter((label) => (thesaurus.find(label)?.since ?? 0) <= work.year)
    .slice(0, 7)
    .map((label, at) => ({
      label,
      ...(at === 0 && random.chance(0.7) && { focus: true }),
      ...(id === 'heronsmere' && random.chance(0.22) && { qualifier: random.pick(QUALIFIERS) }),
    }));
}
