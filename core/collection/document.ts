import { LIMITERS, listLimitersOf } from '../limiter';
import {
  createIdentifierKey,
  findAbstractLength,
  findTextLength,
  nameAuthor,
  type BibliographicRecord,
} from '../record';
import { createHeadingKey, splitWords } from '../text';

/** A posting has a bit for each field, beside those of its frequency: with one field more nothing compiles. */
type MostIndexFields = 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9 | 10;

/** The parts of a record that are indexed apart from each other; the order is that of their positions. */
export const INDEX_FIELDS = [
  'title',
  'abstract',
  'keywords',
  'heading',
  'author',
  'firstauthor',
  'affiliation',
  'source',
  'fulltext',
] as const satisfies { readonly length: MostIndexFields };
export type IndexField = (typeof INDEX_FIELDS)[number];

/** A set of index fields: bit n stands for `INDEX_FIELDS[n]`. */
export type FieldMask = number;

/** Every field. */
export const ALL_FIELDS: FieldMask = (1 << INDEX_FIELDS.length) - 1;

/** The mask of some fields. */
export function maskFields(fields: readonly IndexField[]): FieldMask {
  return fields.reduce((mask, field) => mask | (1 << INDEX_FIELDS.indexOf(field)), 0);
}

/** What the index takes in for one record. */
export interface IndexDocument {
  /** The values of each field; absent fields are empty. */
  readonly values: Readonly<Partial<Record<IndexField, readonly string[]>>>;
  /** Whole values to be found exactly, such as `heading=bats` or `type=article`. */
  readonly keys: readonly string[];
  readonly year?: number;
  /** Months since year 0 (`12 * year + month - 1`). */
  readonly entered?: number;
  /** The key of its identifier (`createIdentifierKey`). */
  readonly identifier?: number;
  /** What its place in the order of titles, and of first authors, is told by; records without stand last. */
  readonly titleOrder?: string;
  readonly authorOrder?: string;
  /** How often it is cited, where that is known. */
  readonly timesCited?: number;
}

/** `2026-03` in months since year 0. */
export function countMonths(month: string): number {
  const [year = '0', number = '1'] = month.split('-');
  return 12 * Number(year) + Number(number) - 1;
}

/** Whole values by which records are only filtered and counted, as they are written. */
function listFacetKeys(record: BibliographicRecord): string[] {
  const { source, keywords, authors } = record;
  const values = [
    ...(source === '' ? [] : [`source=${source}`]),
    ...keywords.map((keyword) => `keyword=${keyword}`),
    ...authors.map((author) => `author=${nameAuthor(author)}`),
    ...authors.slice(0, 1).map((author) => `first=${nameAuthor(author)}`),
    ...authors.flatMap(({ affiliation }) => (affiliation ? [`affiliation=${affiliation}`] : [])),
  ];
  const textLength = findTextLength(record.fullText);
  return [
    ...new Set(values),
    `abstract=${findAbstractLength(record.abstract)}`,
    ...(textLength ? [`text=${textLength}`] : []),
  ];
}

/** Texts in the order in which lists have them: letters without case and accents, signs left out. */
function createOrderKey(text: string): string {
  return splitWords(text)
    .map((word) => word.text)
    .join(' ');
}

/** The parts of a bibliographic record that are searched. */
export function createDocument(record: BibliographicRecord): IndexDocument {
  const authors = record.authors.map((author) => `${author.given} ${author.family}`);
  const [first] = record.authors;
  const keys = record.headings.flatMap((heading) => {
    const label = createHeadingKey(heading.label);
    return [
      `heading=${label}`,
      ...(heading.focus ? [`focus=${label}`] : []),
      ...(heading.qualifier === undefined
        ? []
        : [`qualified=${label}/${createHeadingKey(heading.qualifier)}`]),
    ];
  });
  keys.push(`type=${record.type}`, `language=${record.language}`, ...listFacetKeys(record));
  for (const name of listLimitersOf('flag')) {
    const { lets, key } = LIMITERS[name];
    if (lets(record)) keys.push(key);
  }
  return {
    values: {
      title: [record.title],
      abstract: [record.abstract],
      keywords: record.keywords,
      heading: record.headings.map((heading) => heading.label),
      author: authors,
      firstauthor: authors.slice(0, 1),
      affiliation: record.authors.flatMap((author) => author.affiliation ?? []),
      source: [record.source],
      fulltext: record.fullText === undefined ? [] : [record.fullText],
    },
    keys,
    ...(record.year !== undefined && { year: record.year }),
    entered: countMonths(record.entered),
    ...(record.doi !== undefined && { identifier: createIdentifierKey(record.doi) }),
    titleOrder: createOrderKey(record.title),
    ...(first && { authorOrder: createOrderKey(nameAuthor(first)) }),
    ...(record.cited && { timesCited: record.cited.times }),
  };
}
