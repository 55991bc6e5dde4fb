import type { Author, BibliographicRecord, DocumentType } from '../record';
import { createTestRecord } from './records';

/** A made-up record with the work that it is of. */
export interface LabelledRecord {
  readonly work: string;
  /** What makes it hard: how it differs from the others of its work, or what it is mistaken for. */
  readonly why: string;
  readonly record: BibliographicRecord;
}

/** Numbers from 0 up to 1, always the same ones. */
function createNumbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

const ANIMALS =
  'pipistrelles moths owls hedgehogs nightjars noctules salamanders robins beetles crickets toads'.split(' ');
const VERBS = 'avoid follow cross ignore seek leave tolerate prefer revisit abandon'.split(' ');
const PLACES = [
  'lit hedgerows',
  'warm lamps',
  'canal paths',
  'car parks',
  'dimmed roads',
  'street corners',
  'stone bridges',
  'river embankments',
  'school gardens',
  'harbour walls',
  'mountain villages',
  'flooded quarries',
];
const MANNERS = [
  'after midnight',
  'in early spring',
  'under part-night lighting',
  'during migration',
  'on moonless nights',
  'near shielded luminaires',
  'across three valleys',
];
const SUBTITLES = [
  'a field study',
  'evidence from two summers',
  'results of acoustic surveys',
  'lessons for planners',
  'a before-and-after comparison',
];
const FAMILIES = [
  'Ävenholt',
  'Brask',
  'Cordwell',
  'Dunmarsh',
  'Éverard',
  'Fennick',
  'Galdo',
  'Hœrner',
  'van der Ruis',
  'Okonjo',
  'Sorley',
  'Tumski',
];
const GIVEN = ['Freya', 'Ilse', 'Omar', 'Rosa', 'Noor', 'Tadeo', 'Wen', 'Pilar'];
const SOURCES = [
  'Journal of Lantern Studies',
  'Annals of Night Ecology',
  'Letters on Beasts at Dusk',
  'Transactions in Hedged Land',
  'Quarterly of Quiet Roads',
];
const SHORT_SOURCES = [
  'J Lantern Stud',
  'Ann. Night Ecol.',
  'Lett. Beasts Dusk',
  'Trans. Hedged Land',
  'Q. Quiet Roads',
];

type Change = (record: BibliographicRecord, random: () => number) => BibliographicRecord;
const withoutDoi = ({ doi: _, ...record }: BibliographicRecord): BibliographicRecord => record;
const withTitle = (record: BibliographicRecord, title: string): BibliographicRecord => ({
  ...withoutDoi(record),
  title,
});

/** How databases write one and the same work. */
const SAME: Readonly<Record<string, Change>> = {
  'the same identifier, another form of the title': (record) => ({
    ...record,
    title: record.title.split(':')[0]!,
  }),
  'no identifier': withoutDoi,
  capitals: (record) => withTitle(record, record.title.toUpperCase()),
  'another sign before the subtitle': (record) => withTitle(record, record.title.replace(':', ' –')),
  'no subtitle': (record) => withTitle(record, record.title.split(':')[0]!),
  'tags and entities': (record) =>
    withTitle(record, `<i>${record.title.replace(' ', '</i> ')}`.replace(/ and /, ' &amp; ')),
  'commands of LaTeX': (record) => withTitle(record, `{${record.title}}`.replace(/(e)(?=\w)/, "{\\'e}")),
  'a slip of the pen': (record, random) => {
    const words = record.title.split(' ');
    const at = words.findIndex((word) => word.length > 6);
    const word = words[at] ?? '';
    const letter = 1 + Math.floor(random() * (word.length - 3));
    words[at] = word.slice(0, letter) + word.slice(letter + 1);
    return withTitle(record, words.join(' '));
  },
  hyphens: (record) => withTitle(record, record.title.replace(/ (paths|lamps|roads)/, '-$1')),
  'the year beside': (record) => ({ ...withoutDoi(record), year: record.year! + 1 }),
  'no year': ({ year: _, ...record }) => withoutDoi(record),
  initials: (record) => withAuthor(record, ({ given, family }) => ({ given: `${given[0]}.`, family })),
  'no particle, no accents': (record) =>
    withAuthor(record, ({ given, family }) => ({
      given,
      family: family.split(' ').at(-1)!.normalize('NFD').replace(/\p{M}/gu, ''),
    })),
  'names turned': (record) => withAuthor(record, ({ given, family }) => ({ given: family, family: given })),
  'no author': (record) => ({ ...withoutDoi(record), authors: [] }),
  'an abbreviated source': (record) => ({
    ...withoutDoi(record),
    source: SHORT_SOURCES[SOURCES.indexOf(record.source)] ?? record.source,
  }),
  'no source': (record) => ({ ...withoutDoi(record), source: '' }),
};

function withAuthor(record: BibliographicRecord, change: (author: Author) => Author): BibliographicRecord {
  return { ...withoutDoi(record), authors: record.authors.map(change) };
}

/** What looks like a work and is another one. */
const OTHERS: Readonly<Record<string, Change>> = {
  'a preprint with an identifier of its own': (record) => ({
    ...record,
    doi: `${record.doi}.pre`,
    source: 'Open Night Papers',
    year: record.year! - 1,
  }),
  'a conference paper before the article': (record) => ({
    ...withoutDoi(record),
    type: 'conference paper',
    source: 'Meeting on Dark Skies',
    year: record.year! - 1,
  }),
  'an erratum': (record) => withTitle(record, `Erratum: ${record.title}`),
  'a reply': (record) => withTitle(record, `Reply to: ${record.title}`),
  'part two': (record) => withTitle(record, `${record.title.split(':')[0]!}. II`),
  'another place': (record) =>
    withTitle(
      record,
      record.title.replace(
        /(avoid|follow|cross|ignore|seek|leave|tolerate|prefer|revisit|abandon) \w+/,
        '$1 terraced',
      ),
    ),
  'another author': (record) => withAuthor(record, () => ({ given: 'Zoltan', family: 'Quillmere' })),
  'a relation of the author': (record) =>
    withAuthor(record, ({ given, family }) => ({ given: given.startsWith('F') ? 'Maud' : 'Fritz', family })),
  'many years later': (record) => ({ ...withoutDoi(record), year: record.year! + 6 }),
  'the next article of the issue': (record) => ({
    ...record,
    doi: `${record.doi}<9::AID-B>3.0.CO;2-7`,
    title: 'Night notes of the region',
  }),
};

/** What several works share: nothing but a general title. */
const GENERAL = [
  'Editorial',
  'Introduction',
  'Book review',
  'Letter to the editor',
  'Annual report of the dark sky society',
];

/**
 * Some 2,600 made-up records with more than 2,000 pairs of one work, written as different databases write them, and
 * among them errata, parts, preprints, reports of each year and other works that look the same.
 */
export function createLabelledRecords(): LabelledRecord[] {
  const random = createNumbers(7);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const labelled: LabelledRecord[] = [];
  const used = new Set<string>();
  for (let number = 0; used.size < 620; number++) {
    const main = `${pick(ANIMALS)} ${pick(VERBS)} ${pick(PLACES)} ${pick(MANNERS)}`;
    if (used.has(main)) continue;
    used.add(main);
    const record = createTestRecord({
      title: `${main[0]!.toUpperCase()}${main.slice(1)}: ${pick(SUBTITLES)}`,
      authors: [{ given: pick(GIVEN), family: pick(FAMILIES) }],
      year: 1990 + Math.floor(random() * 30),
      source: pick(SOURCES),
      type: pick<DocumentType>(['article', 'article', 'article', 'review']),
      doi: `10.5555/made.${number}`,
    });
    const work = `w${number}`;
    labelled.push({ work, why: 'the work itself', record });
    const names = Object.keys(SAME);
    for (const why of new Set([pick(names), pick(names), names[number % names.length]!]))
      labelled.push({ work, why, record: SAME[why]!(record, random) });
    const why = pick(Object.keys(OTHERS));
    if (random() < 0.6) labelled.push({ work: `${work} ${why}`, why, record: OTHERS[why]!(record, random) });
  }
  for (let number = 0; number < 120; number++) {
    const title = pick(GENERAL);
    const isReport = title.startsWith('Annual');
    labelled.push({
      work: `general ${number}`,
      why: 'a general title',
      record: createTestRecord({
        title,
        source: pick(SOURCES),
        year: isReport ? 1990 + number : 2000 + (number % 12),
        type: isReport ? 'report' : 'article',
        authors: isReport
          ? [{ given: '', family: 'Dark Sky Society' }]
          : random() < 0.5
            ? []
            : [{ given: pick(GIVEN), family: pick(FAMILIES) }],
      }),
    });
  }
  return labelled;
}
