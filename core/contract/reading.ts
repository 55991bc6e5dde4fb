import Joi from 'joi';
import type { CountedValue, SetWord } from '../collection';
import type { SentLimiters } from '../dialect';
import { RECORD_SCHEMA, type BibliographicRecord } from '../record';
import { type RecordKeys } from '../record/same-work';
import type { SchemaOf } from '../schema';
import { SENT_LIMITERS, SEARCH_STRING } from './counting';
import { SORTS, type Sort } from './sorts';

/** What the records of a search can be counted and filtered by. */
export const FACETS = [
  'years',
  'types',
  'languages',
  'headings',
  'flags',
  'sources',
  'keywords',
  'authors',
  'first-authors',
  'affiliations',
  'abstracts',
  'texts',
] as const;
export type FacetName = (typeof FACETS)[number];

/** Records with any of some values of a facet, or, if it leaves out, those with none of them. */
export interface SearchFilter {
  readonly facet: FacetName;
  readonly values: readonly string[];
  readonly leavesOut?: boolean;
}

/** Records by their numbers: these alone or, if it leaves out, all others. */
export interface NumberFilter {
  readonly numbers: readonly number[];
  readonly leavesOut?: boolean;
}

/** The most numbers that a search is narrowed to. */
export const MAX_NUMBERS = 10_000;

/** A page of the records of one string. */
export interface SearchRequest {
  readonly string: string;
  readonly sentLimiters: SentLimiters;
  readonly start: number;
  readonly rows: number;
  readonly sort: Sort;
  /** Further strings: the records of all together are found, each once. */
  readonly further?: readonly string[];
  /** Only records that pass all of these. */
  readonly filters?: readonly SearchFilter[];
  /** Only these records of the set, or all but these, by their numbers. */
  readonly among?: NumberFilter;
  /** What all records that are found, not only those of the page, are counted by. */
  readonly facets?: readonly FacetName[];
}

/**
 * The values that occur, the most frequent first: years, types, codes of languages, labels of headings, the
 * names of the limiters that let records through, sources, author keywords, names and places of work of
 * authors, and the bands of how long abstracts and full texts are.
 */
export type Facets = Readonly<Partial<Record<FacetName, readonly CountedValue[]>>>;

export interface SearchAnswer {
  readonly total: number;
  readonly estimated: boolean;
  readonly records: readonly BibliographicRecord[];
  readonly facets?: Facets;
  /** The numbers of the records: of citations alone. */
  readonly numbers?: readonly number[];
}

/** The most records that are given at once. */
export const MAX_ROWS = 100;
/** The most values of one facet. */
export const MAX_FACET_VALUES = 200;

const count = Joi.number().integer().min(0).required();
const text = Joi.string().allow('');
const start = Joi.number().integer().min(0).max(1_000_000).default(0);
const rows = Joi.number().integer().min(0).max(MAX_ROWS).default(25);

/** The most filters of a search. */
export const MAX_FILTERS = 40;

/** Some filters, as they come from outside. */
export const SEARCH_FILTERS = Joi.array()
  .items(
    Joi.object({
      facet: Joi.valid(...FACETS).required(),
      values: Joi.array().items(Joi.string().max(300)).min(1).max(MAX_FACET_VALUES).required(),
      leavesOut: Joi.boolean(),
    } satisfies SchemaOf<SearchFilter>),
  )
  .max(MAX_FILTERS);

const FURTHER = Joi.array().items(SEARCH_STRING).max(100);
const NUMBER_FILTER = Joi.object({
  numbers: Joi.array().items(Joi.number().integer().min(0)).max(MAX_NUMBERS).required(),
  leavesOut: Joi.boolean(),
} satisfies SchemaOf<NumberFilter>);

export const SEARCH_REQUEST = Joi.object<SearchRequest>({
  string: SEARCH_STRING.required(),
  sentLimiters: SENT_LIMITERS,
  start,
  rows,
  sort: Joi.valid(...SORTS).default('relevance'),
  further: FURTHER,
  filters: SEARCH_FILTERS,
  among: NUMBER_FILTER,
  facets: Joi.array()
    .items(Joi.valid(...FACETS))
    .unique(),
} satisfies SchemaOf<SearchRequest>).required();

const facetValues = Joi.array()
  .items(Joi.object({ value: text.required(), records: count } satisfies SchemaOf<CountedValue>))
  .max(MAX_FACET_VALUES);

export const SEARCH_ANSWER = Joi.object<SearchAnswer>({
  total: count,
  estimated: Joi.boolean().required(),
  records: Joi.array().items(RECORD_SCHEMA).required(),
  facets: Joi.object(Object.fromEntries(FACETS.map((name) => [name, facetValues]))),
  numbers: Joi.array().items(Joi.number().integer().min(0)),
} satisfies SchemaOf<SearchAnswer>);

/** A search whose record numbers are asked for; with `keys`, what tells which records are of one work. */
export interface IdsRequest {
  readonly string: string;
  readonly sentLimiters: SentLimiters;
  readonly keys: boolean;
  readonly further?: readonly string[];
  readonly filters?: readonly SearchFilter[];
  readonly among?: NumberFilter;
  /** Without it, they come as they are numbered. */
  readonly sort?: Sort;
}

/** Record numbers, and beside them, if asked for, what tells their works (`RecordKeys`; 0 or an empty text where there is none). */
export interface IdsAnswer {
  readonly total: number;
  readonly numbers: readonly number[];
  readonly identifiers?: readonly number[];
  readonly works?: readonly number[];
  readonly signs?: readonly string[];
}

/** What tells the works of the records of an answer, in their order. */
export function listKeys({ numbers, identifiers, works, signs }: IdsAnswer): RecordKeys[] {
  return numbers.map((_, at) => ({
    identifier: identifiers?.[at] ?? 0,
    work: works?.[at] ?? 0,
    signs: signs?.[at] ?? '',
  }));
}

export const IDS_REQUEST = Joi.object<IdsRequest>({
  string: SEARCH_STRING.required(),
  sentLimiters: SENT_LIMITERS,
  keys: Joi.boolean().default(false),
  further: FURTHER,
  filters: SEARCH_FILTERS,
  among: NUMBER_FILTER,
  sort: Joi.valid(...SORTS),
} satisfies SchemaOf<IdsRequest>).required();

const numbers = Joi.array().items(Joi.number().min(0));
export const IDS_ANSWER = Joi.object<IdsAnswer>({
  total: count,
  numbers: numbers.required(),
  identifiers: numbers,
  works: numbers,
  signs: Joi.array().items(text),
} satisfies SchemaOf<IdsAnswer>);

/** A record by its number, as it stands in an address. */
export const RECORD_REQUEST = Joi.object<{ number: number }, true>({
  number: Joi.number().integer().min(0).required(),
}).required();

/** Some records, by their numbers or by identifiers such as a DOI. */
export type RecordsRequest =
  { readonly numbers: readonly number[] } | { readonly identifiers: readonly string[] };

export const RECORDS_REQUEST = Joi.object<RecordsRequest>({
  numbers: Joi.array().items(Joi.number().integer().min(0)).max(MAX_ROWS),
  identifiers: Joi.array().items(Joi.string().max(300)).max(MAX_ROWS),
})
  .xor('numbers', 'identifiers')
  .required();

/** Records in the order in which they were asked for; nothing in the place of one that is not there. */
export interface RecordsAnswer {
  readonly records: readonly (BibliographicRecord | null)[];
}

export const RECORDS_ANSWER = Joi.object<RecordsAnswer>({
  records: Joi.array().items(RECORD_SCHEMA.allow(null)).required(),
} satisfies SchemaOf<RecordsAnswer>);

/** Records known by an identifier, such as a DOI, that are to be looked up. */
export const LOOKUP_REQUEST = Joi.object<{ identifiers: string[] }, true>({
  identifiers: Joi.array().items(Joi.string().max(300)).max(500).required(),
}).required();

/** The titles of records that were looked up, in their order; nothing where the database has none. */
export interface LookupAnswer {
  readonly titles: readonly (string | null)[];
}

export const LOOKUP_ANSWER = Joi.object<LookupAnswer>({
  titles: Joi.array().items(text.allow(null)).required(),
} satisfies SchemaOf<LookupAnswer>);

/** Which way citations are followed. */
export type CitationDirection = 'references' | 'citedby';

/** A page of the records that a record cites, or that cite it. */
export interface CitationsRequest {
  readonly record: number;
  readonly start: number;
  readonly rows: number;
}

export const CITATIONS_REQUEST = Joi.object<CitationsRequest>({
  record: Joi.number().integer().min(0).required(),
  start,
  rows,
} satisfies SchemaOf<CitationsRequest>).required();

/** A string whose records' words are asked for, the `most` telling ones. */
export interface SetWordsRequest {
  readonly string: string;
  readonly sentLimiters: SentLimiters;
  readonly most: number;
}

/** The most words of a set that are given. */
export const MAX_SET_WORDS = 500;

export const SET_WORDS_REQUEST = Joi.object<SetWordsRequest>({
  string: SEARCH_STRING.required(),
  sentLimiters: SENT_LIMITERS,
  most: Joi.number().integer().min(1).max(MAX_SET_WORDS).default(100),
} satisfies SchemaOf<SetWordsRequest>).required();

/** The words that set the records of a string apart from the others, the most telling first. */
export interface SetWordsAnswer {
  readonly total: number;
  readonly words: readonly SetWord[];
}

export const SET_WORDS_ANSWER = Joi.object<SetWordsAnswer>({
  total: count,
  words: Joi.array()
    .items(Joi.object({ word: text.required(), found: count, records: count } satisfies SchemaOf<SetWord>))
    .required(),
} satisfies SchemaOf<SetWordsAnswer>);
