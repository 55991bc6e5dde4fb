import type { Omitted } from '../dialect';
import { isSameLimiters, type LimiterName, type Limiters } from '../limiter';
import { NONE, getExact, isEstimated, isNone, type Amount, type Total } from './amount';

/** What a number is the number of, beside its string: only with it can two numbers be set side by side. */
export interface CountBasis {
  readonly database: string;
  /** What the query was limited to. */
  readonly limiters: Limiters;
  /** Limiters among these that the database does not have: its count goes without them. */
  readonly missingLimiters: readonly LimiterName[];
  /** A part or a field of the query cannot be searched there: something else is counted. */
  readonly omitted?: Omitted;
  /** The string was too long with its fields: the full text was searched. */
  readonly isFieldless: boolean;
  /** Nothing was asked, since the query is empty: it finds nothing in whatever fields. */
  readonly isEmpty?: true;
}

/** One count: how it stands, and once it is known, how well and of what. */
export type Count =
  | { readonly status: 'known'; readonly amount: Amount; readonly basis: CountBasis }
  /** It is on its way, or waits to be typed in. */
  | { readonly status: 'pending' }
  /** It failed, or the database cannot search any of it. */
  | { readonly status: 'none' };

/** Why two counts are not set beside each other. */
export type NoComparison =
  | 'pending'
  | 'not-counted'
  | 'other-database'
  | 'part-left-out'
  | 'other-fields'
  | 'limiter-missing'
  | 'estimated'
  | 'bounds';

/**
 * What came of setting two counts side by side: a difference, known exactly or between two numbers of the same
 * sign, or the reason why there is none.
 */
export type Comparison =
  | {
      readonly kind: 'difference';
      readonly least: number;
      readonly greatest: number;
      /** Each was counted under limiters of its own, and is to be called so. */
      readonly isAcrossLimiters: boolean;
    }
  | { readonly kind: 'none'; readonly why: NoComparison };

/** The count of nothing at all: it needs no asking. */
export function createEmptyCount(database: string, limiters: Limiters): Count {
  return {
    status: 'known',
    amount: NONE,
    basis: { database, limiters, missingLimiters: [], isFieldless: false, isEmpty: true },
  };
}

/** Why two counts cannot be set beside each other at all, whatever their numbers; nothing where they can. */
export function findObstacle(now: Count, then: Count): NoComparison | undefined {
  if (now.status === 'none' || then.status === 'none') return 'not-counted';
  if (now.status === 'pending' || then.status === 'pending') return 'pending';
  const [a, b] = [now.basis, then.basis];
  if (a.database !== b.database) return 'other-database';
  if (isOff(now) || isOff(then)) return 'part-left-out';
  // What finds nothing because nothing is asked is no other thing in other fields or under fewer limiters.
  if (a.isEmpty || b.isEmpty) return undefined;
  if (a.isFieldless !== b.isFieldless && !isNone((a.isFieldless ? now : then).amount)) return 'other-fields';
  const isWider = (one: KnownCount, other: KnownCount): boolean =>
    !isNone(one.amount) &&
    one.basis.missingLimiters.some((name) => !other.basis.missingLimiters.includes(name));
  return isWider(now, then) || isWider(then, now) ? 'limiter-missing' : undefined;
}

type KnownCount = Count & { readonly status: 'known' };

/** True if something else was counted than was asked. Where something wider finds nothing, so does what was asked. */
function isOff({ amount, basis }: KnownCount): boolean {
  return basis.omitted !== undefined && !(basis.omitted === 'wider' && isNone(amount));
}

/**
 * The difference `now` less `then` of two counts of one database. The only place where totals are subtracted.
 * There is none if one count is of something else, is in other fields, or alone goes without a limiter. Of
 * bounds it is a range, if its sign is sure; of estimates it cannot be told.
 */
export function compareCounts(now: Count, then: Count): Comparison {
  const why = findObstacle(now, then);
  if (why !== undefined) return { kind: 'none', why };
  if (now.status !== 'known' || then.status !== 'known') return { kind: 'none', why: 'pending' };
  const isAcrossLimiters = !isSameLimiters(now.basis.limiters, then.basis.limiters);
  const range = subtractAmounts(now.amount, then.amount);
  return range === undefined
    ? { kind: 'none', why: 'estimated' }
    : range.least < 0 && range.greatest > 0
      ? { kind: 'none', why: 'bounds' }
      : { kind: 'difference', ...range, isAcrossLimiters };
}

/** The difference of two amounts of the very same string under the same limiters, counted at two moments. */
export function compareMoments(now: Amount, then: Amount): Comparison {
  const basis: CountBasis = { database: '', limiters: {}, missingLimiters: [], isFieldless: false };
  return compareCounts({ status: 'known', amount: now, basis }, { status: 'known', amount: then, basis });
}

/** The exact difference `now` less `then`; nothing where it is not exactly known. */
export function subtractExactly(now: Count | undefined, then: Count | undefined): number | undefined {
  if (!now || !then) return undefined;
  const compared = compareCounts(now, then);
  return compared.kind === 'difference' && compared.least === compared.greatest ? compared.least : undefined;
}

/** How many times `then` the count `now` is; only of two exact counts that may be subtracted, and not of nothing. */
export function divideExactly(now: Count, then: Count): number | undefined {
  if (subtractExactly(now, then) === undefined) return undefined;
  if (now.status !== 'known' || then.status !== 'known') return undefined;
  const [above, below] = [getExact(now.amount), getExact(then.amount)];
  return above === undefined || below === undefined || below === 0 ? undefined : above / below;
}

/**
 * How many tenfolds `now` is more than `then`, below zero fewer; one is added to each, so that nothing has a place.
 * Only of two exact counts that may be subtracted.
 */
export function measureTenfolds(now: Count, then: Count): number | undefined {
  if (subtractExactly(now, then) === undefined) return undefined;
  const [above, below] = [getAmount(now), getAmount(then)].map(getExact);
  return above === undefined || below === undefined ? undefined : Math.log10((above + 1) / (below + 1));
}

/** The share `part` has in `whole`, from 0 to 1, both exact and comparable. */
export function getShare(part: Count, whole: Count): number | undefined {
  const share = divideExactly(part, whole);
  return share === undefined ? undefined : Math.min(1, share);
}

/** The amount of a count that is known. */
export function getAmount(count: Count | undefined): Amount | undefined {
  return count?.status === 'known' ? count.amount : undefined;
}

/**
 * The number of a count that is exact and of just what was asked; other counts prove nothing. Limiters that the
 * database does not have are no matter here: they are missing from all its counts alike.
 */
export function getProved(count: Count | undefined): Total | undefined {
  if (count?.status !== 'known' || isOff(count)) return undefined;
  return count.basis.isFieldless && !isNone(count.amount) ? undefined : getExact(count.amount);
}

/** True if a count is known, yet not of what was asked: a part, the fields or a limiter are missing. */
export function isOfSomethingElse(count: Count | undefined): boolean {
  if (count?.status !== 'known') return false;
  const { omitted, isFieldless, missingLimiters } = count.basis;
  return omitted !== undefined || isFieldless || missingLimiters.length > 0;
}

/** Two amounts as a range of differences; nothing with an estimate, since its error is not known. */
function subtractAmounts(now: Amount, then: Amount): { least: number; greatest: number } | undefined {
  if (isEstimated(now) || isEstimated(then) || now.kind === 'estimate' || then.kind === 'estimate')
    return undefined;
  const [low, high] = now.kind === 'exact' ? [now.total, now.total] : [now.least, now.greatest];
  const [from, to] = then.kind === 'exact' ? [then.total, then.total] : [then.least, then.greatest];
  return { least: low - to, greatest: high - from };
}
