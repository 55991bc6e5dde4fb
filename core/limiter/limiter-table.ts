import Joi from 'joi';
import { DOCUMENT_TYPES, LANGUAGES, type BibliographicRecord } from '../record';

/** Years or months from one to another, both included. */
interface RangeRow {
  readonly kind: 'years' | 'months';
  readonly label: string;
  /** Stands before the value where limiters are listed. */
  readonly lead: string;
  readonly schema: Joi.Schema;
  /** The column of the index that holds its numbers. */
  readonly column: 'years' | 'entered';
}

/** Some values, any of which will do. */
interface ListRow {
  readonly kind: 'list';
  readonly label: string;
  readonly lead: string;
  readonly schema: Joi.Schema;
  /** How its values are found in the index: `type=review`; absent where none is kept there. */
  readonly key?: string;
  /** What people call its values, where those are codes. */
  readonly names?: Readonly<Record<string, string>>;
  /** Names as people write them: signs that would end what they stand in are left out of strings. */
  readonly isFreeText?: true;
}

/** On or off. */
interface FlagRow {
  readonly kind: 'flag';
  readonly label: string;
  readonly schema: Joi.Schema;
  /** How the records that it lets through are found in the index. */
  readonly key: string;
  readonly lets: (record: BibliographicRecord) => boolean;
}

/** What a limiter is: everything else about it follows from its row. */
export type LimiterRow = (RangeRow | ListRow | FlagRow) & {
  /** Dialects that were written before it was there do not name it: they do not have it. */
  readonly isLater?: true;
};

const year = Joi.number().integer().min(0).max(9999);
const month = Joi.string().pattern(/^\d{4}-(0[1-9]|1[0-2])$/);
const names = Joi.array().items(Joi.string().max(300)).max(50);

/**
 * All limiters, in the order in which they are listed. A new limiter needs a row here, a value in records, and
 * a line in the profiles that have it.
 */
export const LIMITERS = {
  years: {
    kind: 'years',
    label: 'years',
    lead: '',
    schema: Joi.object({ from: year, to: year }),
    column: 'years',
  },
  types: {
    kind: 'list',
    label: 'document types',
    lead: '',
    schema: Joi.array()
      .items(Joi.valid(...DOCUMENT_TYPES))
      .max(20),
    key: 'type',
  },
  languages: {
    kind: 'list',
    label: 'languages',
    lead: '',
    schema: Joi.array()
      .items(Joi.string().pattern(/^[a-z]{2,3}$/))
      .max(50),
    key: 'language',
    names: Object.fromEntries(LANGUAGES.map(({ code, name }) => [code, name])),
  },
  peerReviewed: {
    kind: 'flag',
    label: 'peer-reviewed',
    schema: Joi.boolean(),
    key: 'peer=yes',
    lets: ({ peerReviewed }) => peerReviewed === 'yes',
  },
  fullText: {
    kind: 'flag',
    label: 'full text',
    schema: Joi.boolean(),
    key: 'fulltext=yes',
    lets: ({ hasFullText }) => hasFullText,
  },
  openAccess: {
    kind: 'flag',
    label: 'open access',
    schema: Joi.boolean(),
    key: 'access=open',
    lets: ({ isOpenAccess }) => isOpenAccess === true,
    isLater: true,
  },
  entered: {
    kind: 'months',
    label: 'date of entry',
    lead: 'entered ',
    schema: Joi.object({ from: month, to: month }),
    column: 'entered',
    isLater: true,
  },
  sources: {
    kind: 'list',
    label: 'source',
    lead: 'in ',
    schema: names,
    isFreeText: true,
    isLater: true,
  },
  subjects: {
    kind: 'list',
    label: 'subject area',
    lead: 'on ',
    schema: names,
    isFreeText: true,
    isLater: true,
  },
} as const satisfies Readonly<Record<string, LimiterRow>>;

type Table = typeof LIMITERS;
export type LimiterName = keyof Table;
/** The limiters that are of one kind. */
export type LimiterOf<Kind extends LimiterRow['kind']> = {
  [Name in LimiterName]: Table[Name]['kind'] extends Kind ? Name : never;
}[LimiterName];

export const LIMITER_NAMES = Object.keys(LIMITERS) as readonly LimiterName[];

/** The row of a limiter, whatever its kind. */
export function getLimiterRow(name: LimiterName): LimiterRow {
  return LIMITERS[name];
}

/** The limiters of one kind, in their order. */
export function listLimitersOf<Kind extends LimiterRow['kind']>(kind: Kind): readonly LimiterOf<Kind>[] {
  return LIMITER_NAMES.filter((name): name is LimiterOf<Kind> => LIMITERS[name].kind === kind);
}
