import { DOCUMENT_TYPES } from '../record';

/** A field of words. */
interface WordsRow {
  readonly kind: 'words';
  /** As it stands behind “in the”: `headings`. */
  readonly label: string;
  /** Searched where no field is written. */
  readonly isDefault?: true;
  /** Its words are names: of people, or of organisations and journals. */
  readonly names?: 'people' | 'others';
  /** What the codes of systems often call it, in small letters: a first guess when a dialect is learned. */
  readonly codes: readonly string[];
}

/** A field of numbers, from one to another; both ends belong to it. */
interface RangeRow {
  readonly kind: 'range';
  readonly label: string;
  readonly example: string;
  /** The column of the index that holds its numbers. */
  readonly column: 'years' | 'entered';
}

/** A field that is found only by its whole value. */
interface ValueRow {
  readonly kind: 'value';
  readonly label: string;
  readonly example: string;
}

/** What a field is: everything else about it follows from its row. */
export type FieldRow = WordsRow | RangeRow | ValueRow;

/** All fields that query text can name, in the order in which they are listed. */
export const FIELD_TABLE = {
  title: {
    kind: 'words',
    label: 'title',
    isDefault: true,
    codes: ['title', 'ti', 't', 'tit', 'titel', 'titre', 'dc.title', 'heading of the work'],
  },
  abstract: {
    kind: 'words',
    label: 'abstract',
    isDefault: true,
    codes: [
      'abstract',
      'ab',
      'abs',
      'a',
      'summary',
      'description',
      'zusammenfassung',
      'resume',
      'dc.description',
    ],
  },
  keywords: {
    kind: 'words',
    label: 'author keywords',
    isDefault: true,
    codes: ['keywords', 'keyword', 'kw', 'key', 'k', 'authkey', 'tags'],
  },
  heading: {
    kind: 'words',
    label: 'headings',
    isDefault: true,
    codes: [
      'heading',
      'headings',
      'subject',
      'subjects',
      'su',
      'sh',
      's',
      'terms',
      'index',
      'descriptor',
      'de',
      'dc.subject',
    ],
  },
  author: {
    kind: 'words',
    label: 'authors',
    names: 'people',
    codes: [
      'author',
      'authors',
      'au',
      'aut',
      'writer',
      'writers',
      'person',
      'creator',
      'dc.creator',
      'autor',
    ],
  },
  firstauthor: {
    kind: 'words',
    label: 'first author',
    names: 'people',
    codes: ['firstauthor', 'first', 'lead', 'fa', '1au'],
  },
  affiliation: {
    kind: 'words',
    label: 'affiliations',
    names: 'others',
    codes: ['affiliation', 'ad', 'af', 'address', 'firm', 'place', 'places', 'institution', 'org'],
  },
  source: {
    kind: 'words',
    label: 'source',
    names: 'others',
    codes: ['source', 'so', 'journal', 'jn', 'j', 'publication', 'dc.source', 'in'],
  },
  /** Everything, full text included. */
  text: {
    kind: 'words',
    label: 'full text',
    codes: ['text', 'tx', 'all', 'full', 'fulltext', 'ft', 'any', 'anywhere', 'cql.anywhere', 'everything'],
  },
  year: { kind: 'range', label: 'year of publication', example: 'year: 2015..2024', column: 'years' },
  entered: {
    kind: 'range',
    label: 'month of entry',
    example: 'entered: 2026-01..2026-06',
    column: 'entered',
  },
  type: {
    kind: 'value',
    label: 'document type',
    example: `type: review (or ${DOCUMENT_TYPES.filter((type) => type !== 'review').join(', ')})`,
  },
  language: { kind: 'value', label: 'language', example: 'language: en' },
  doi: { kind: 'value', label: 'identifier (DOI)', example: 'doi: "10.5555/bats.12"' },
} as const satisfies Readonly<Record<string, FieldRow>>;

type Table = typeof FIELD_TABLE;
type NameOf<Kind extends FieldRow['kind']> = {
  [Name in keyof Table]: Table[Name]['kind'] extends Kind ? Name : never;
}[keyof Table];

/** A field of words; `text` is everything, full text included. */
export type Field = NameOf<'words'>;
/** A part of a record that is not words: its year and month of entry, its type, language and identifier. */
export type Property = NameOf<'range' | 'value'>;
export type RangeProperty = NameOf<'range'>;
export type ValueProperty = NameOf<'value'>;

const NAMES = Object.keys(FIELD_TABLE) as readonly (keyof Table)[];
const getRow = (name: keyof Table): FieldRow => FIELD_TABLE[name];

export const FIELDS = NAMES.filter((name): name is Field => getRow(name).kind === 'words');
export const PROPERTIES = NAMES.filter((name): name is Property => getRow(name).kind !== 'words');

/** What is searched where no field is written. */
export const DEFAULT_FIELDS: readonly Field[] = FIELDS.filter((name) => getWordsRow(name).isDefault);

/** The row of a field of words. */
export function getWordsRow(field: Field): WordsRow {
  return FIELD_TABLE[field];
}

/** True if the words of a field are names: of people, or of whatever has names. */
export function holdsNames(field: Field, of?: 'people'): boolean {
  const { names } = getWordsRow(field);
  return of === undefined ? names !== undefined : names === of;
}
