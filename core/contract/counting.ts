import Joi from 'joi';
import type { SchemaOf } from '../schema';
import type { SentLimiters } from '../dialect';
import { LIMITERS_SCHEMA } from '../limiter';
import { SORTS, type Sort } from './sorts';
import { SRU_ENDPOINT, type SruEndpoint } from '../sru';

/** The largest body that the server reads, in bytes. */
export const LARGEST_BODY = 2 * 1024 * 1024;
/** The most strings of one request. */
export const MAX_STRINGS = 5_000;

/** Strings in a database's own syntax, to be counted under the same sent limiters. */
export interface CountRequest {
  readonly strings: readonly string[];
  readonly sentLimiters: SentLimiters;
  /** A session of the database, where it remembers searches: each string becomes its next set. */
  readonly session?: string;
}

/** One count, or the service's own words about why there is none. */
export type CountEntry =
  | { readonly total: number; readonly estimated: boolean; readonly notes: readonly string[] }
  | {
      readonly problem: {
        readonly code: string;
        readonly at: readonly [number, number];
        readonly message: string;
      };
    };

/** The code of a string for which there was not time enough in its request. */
export const TOO_SLOW = 'too-slow';

/** True for a string that there was no time for: asked for alone, it may well be counted. */
export function isTooSlow(entry: CountEntry): boolean {
  return 'problem' in entry && entry.problem.code === TOO_SLOW;
}

/** One entry a string, in their order. */
export interface CountAnswer {
  readonly counts: readonly CountEntry[];
}

/** One database in the server's list. */
export interface StandinListing {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly sentLimiters: readonly string[];
  readonly records: number;
  readonly hasThesaurus: boolean;
  /** Counted and searched by SRU only, at this endpoint. */
  readonly endpoint?: SruEndpoint;
  readonly hasCitations?: boolean;
  /** Gives the numbers of the records of a string, so that results can be united. */
  readonly givesIds?: boolean;
  /** The orders in which it gives records. */
  readonly sorts: readonly Sort[];
}

/** Some words of an index. */
export interface WordsAnswer {
  readonly words: readonly { readonly word: string; readonly records: number }[];
}

export const SENT_LIMITERS = LIMITERS_SCHEMA.default({});
/** The longest string that is sent, in UTF-16 units. */
const LONGEST_STRING = 200_000;
/** A string as it is sent. */
export const SEARCH_STRING = Joi.string().allow('').max(LONGEST_STRING);
/** Looked through in one go: a schema for each of thousands of strings takes longer than counting them. */
const searchStrings = (most: number): Joi.ArraySchema<string[]> =>
  Joi.array<string[]>()
    .max(most)
    .custom((value: unknown[], helpers) =>
      value.every((text) => typeof text === 'string' && text.length <= LONGEST_STRING)
        ? value
        : helpers.message({ custom: `{{#label}} must hold texts of up to ${LONGEST_STRING} characters` }),
    );

export const COUNT_REQUEST = Joi.object<CountRequest>({
  strings: searchStrings(MAX_STRINGS).required(),
  sentLimiters: SENT_LIMITERS,
  session: Joi.string().max(100),
} satisfies SchemaOf<CountRequest>).required();

/** A session is begun by an object without anything in it. */
export const SESSION_REQUEST = Joi.object<Record<string, never>>({}).required();

/** Several searches each, whose results are to be counted together: each record once. */
export const UNIONS_REQUEST = Joi.object<{ unions: string[][]; sentLimiters: SentLimiters }>({
  unions: Joi.array().items(searchStrings(100)).max(MAX_STRINGS).required(),
  sentLimiters: SENT_LIMITERS,
}).required();

/** The most words of one beginning that are given. */
export const MAX_WORDS = 2_000;
const prefix = Joi.string().allow('').max(100);

/** The beginnings and the ending of index words, and the most words for each beginning. */
export const WORDS_REQUEST = Joi.object<{ prefix: string | string[]; suffix: string; most: number }>({
  prefix: Joi.alternatives(prefix, Joi.array().items(prefix).max(50)).default(''),
  suffix: Joi.string().allow('').max(100).default(''),
  most: Joi.number().integer().min(1).max(MAX_WORDS).default(50),
}).required();

/** A neutral query, for proofs and tests. */
export const NEUTRAL_REQUEST = Joi.object<{ query: string }, true>({
  query: Joi.string().allow('').max(65_536).required(),
}).required();

const total = Joi.number().integer().min(0).required();
const entry = Joi.alternatives(
  Joi.object({
    total,
    estimated: Joi.boolean().required(),
    notes: Joi.array().items(Joi.string()).required(),
  }),
  Joi.object({
    problem: Joi.object({
      code: Joi.string().required(),
      at: Joi.array().items(Joi.number().integer().min(0)).length(2).required(),
      message: Joi.string().required(),
    }).required(),
  }),
);

const COUNT_ANSWERS = new Map<number, Joi.ObjectSchema<CountAnswer>>();

/** What a count answer must look like; `counted` is the number of strings that were sent. Made once for each number: making takes longer than checking. */
export function createCountAnswerSchema(counted: number): Joi.ObjectSchema<CountAnswer> {
  const made =
    COUNT_ANSWERS.get(counted) ??
    Joi.object<CountAnswer>({
      counts: Joi.array().items(entry).length(counted).required(),
    } satisfies SchemaOf<CountAnswer>);
  COUNT_ANSWERS.set(counted, made);
  return made;
}

const text = Joi.string().allow('');

export const WORDS_ANSWER = Joi.object<WordsAnswer>({
  words: Joi.array()
    .items(Joi.object({ word: text.required(), records: total }))
    .required(),
} satisfies SchemaOf<WordsAnswer>);

export const LISTING_ANSWER = Joi.array<StandinListing[]>().items(
  Joi.object({
    id: text.required(),
    name: text.required(),
    kind: text.required(),
    sentLimiters: Joi.array().items(text).required(),
    records: total,
    hasThesaurus: Joi.boolean().required(),
    endpoint: SRU_ENDPOINT,
    hasCitations: Joi.boolean(),
    givesIds: Joi.boolean(),
    sorts: Joi.array()
      .items(Joi.valid(...SORTS))
      .required(),
  }),
);
