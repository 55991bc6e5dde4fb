import Joi from 'joi';
import {
  MAX_NUMBERS,
  SEARCH_FILTERS,
  SENT_LIMITERS,
  SORTS,
  type SearchFilter,
  type Sort,
} from '#core/contract/index';
import type { SchemaOf } from '#core/schema/index';
import { VERDICTS } from '#core/project/index';
import type { CountKey } from '../counting/count-state';

/** What is read: the draft, a variant by its id, or one string with what people call it. */
export type ReadSet =
  | { readonly kind: 'draft' }
  | { readonly kind: 'variant'; readonly id: string }
  | {
      readonly kind: 'string';
      readonly label: string;
      readonly countKey: CountKey;
      /** Only some of its records, by their numbers. */
      readonly numbers?: readonly number[];
      /** How many there were when the address was made. */
      readonly total?: number;
    };

/** What records can be told apart by that were judged, or not. */
export const JUDGED = [...VERDICTS, 'none'] as const;
export type Judged = (typeof JUDGED)[number];

/** All that the address of Read says. */
export interface ReadAddress {
  readonly set: ReadSet;
  /** The database; without it, the first one of the project, or that of the string. */
  readonly database: string | undefined;
  readonly sort: Sort;
  readonly filters: readonly SearchFilter[];
  /** A sample of so many records is read in place of the list. */
  readonly sample: number | undefined;
  /** The sample is drawn from what comes behind so many records that were read from the top. */
  readonly behind: number | undefined;
  /** Only records that were judged so; none for all. */
  readonly judged: readonly Judged[];
  /** The place of the record that is open. */
  readonly at: number;
}

interface WrittenString {
  readonly label: string;
  readonly database: string;
  readonly string: string;
  readonly sent: object;
  readonly numbers?: readonly number[];
  readonly total?: number;
}

const STRING = Joi.object<WrittenString>({
  label: Joi.string().max(1_000).required(),
  database: Joi.string().max(60).required(),
  string: Joi.string().max(500_000).required(),
  sent: SENT_LIMITERS,
  numbers: Joi.array().items(Joi.number().integer().min(0)).max(MAX_NUMBERS),
  total: Joi.number().integer().min(0),
} satisfies SchemaOf<WrittenString>).required();
const NUMBER = Joi.number<number>().integer().min(0).max(1_000_000).required();

/** Reads an address. What is no address of Read is left out, and the draft is read. */
export function readAddress(
  params: { get(name: string): string | null },
  fragment: string | null,
): ReadAddress {
  const of = params.get('of') ?? 'draft';
  const filters = SEARCH_FILTERS.validate(parse(params.get('only')));
  const sort = SORTS.find((one) => one === params.get('sort'));
  return {
    set:
      of === 'string'
        ? readStringSet(fragment)
        : of === 'draft'
          ? { kind: 'draft' }
          : { kind: 'variant', id: of },
    database: params.get('db') ?? undefined,
    sort: sort ?? 'relevance',
    filters: filters.error ? [] : ((filters.value as readonly SearchFilter[] | undefined) ?? []),
    sample: readNumber(params.get('sample')),
    behind: readNumber(params.get('behind')),
    judged: JUDGED.filter((one) => (params.get('judged') ?? '').split(',').includes(one)),
    at: readNumber(params.get('at')) ?? 0,
  };
}

/** Filters as they stand in an address; nothing for none. */
export function writeFilters(filters: readonly SearchFilter[]): string | null {
  return filters.length > 0 ? JSON.stringify(filters) : null;
}

function readStringSet(fragment: string | null): ReadSet {
  const result = STRING.validate(parse(fragment));
  if (result.error) return { kind: 'draft' };
  const { label, database, string, sent, numbers, total } = result.value;
  const countKey = { database, string, sentLimiters: sent };
  return {
    kind: 'string',
    label,
    countKey,
    ...(numbers && { numbers }),
    ...(total !== undefined && { total }),
  };
}

function parse(text: string | null): unknown {
  if (text === null) return undefined;
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}

function readNumber(text: string | null): number | undefined {
  if (text === null) return undefined;
  const result = NUMBER.validate(text);
  return result.error ? undefined : result.value;
}
