declare const TOTAL: unique symbol;

/**
 * A number of records. Nobody but this folder calculates with it: a lint rule
 * (`scripts/lint/no-total-arithmetic.js`) refuses any other sum, difference or ratio. So numbers that do not
 * mean the same are never set beside each other.
 */
export type Total = number & { readonly [TOTAL]: true };

/** How well a number of records is known. */
export type Amount =
  | { readonly kind: 'exact'; readonly total: Total }
  /** The database says itself that it is about so many; how near that is, it does not say. */
  | { readonly kind: 'estimate'; readonly total: Total }
  /** Parts that overlap were counted one by one: the number is one of these, ends included. */
  | {
      readonly kind: 'bounds';
      readonly least: Total;
      readonly greatest: Total;
      /** The parts are estimates themselves: the ends are about so many. */
      readonly isEstimated?: true;
    };

/** A number from outside as a total: from an answer, a file or a person. */
export function asTotal(value: number): Total {
  return value as Total;
}

/** An amount as a database answers it, or as it is kept: a number, with what is known of it. */
export function createAmount(total: number, estimated = false, upTo?: number): Amount {
  if (upTo !== undefined && upTo > total)
    return {
      kind: 'bounds',
      least: asTotal(total),
      greatest: asTotal(upTo),
      ...(estimated && { isEstimated: true }),
    };
  return { kind: estimated ? 'estimate' : 'exact', total: asTotal(total) };
}

/** What an empty query finds. */
export const NONE: Amount = createAmount(0);

/** The least that an amount can be; of an estimate what it says. */
export function getLeast(amount: Amount): Total {
  return amount.kind === 'bounds' ? amount.least : amount.total;
}

/** The most that an amount can be; of an estimate what it says. */
export function getGreatest(amount: Amount): Total {
  return amount.kind === 'bounds' ? amount.greatest : amount.total;
}

/** The number of an amount that is exactly known; nothing of any other. */
export function getExact(amount: Amount | undefined): Total | undefined {
  return amount?.kind === 'exact' ? amount.total : undefined;
}

/** True if an amount goes by what a database estimates. */
export function isEstimated(amount: Amount): boolean {
  return amount.kind === 'estimate' || (amount.kind === 'bounds' && amount.isEstimated === true);
}

/** True if an amount is surely nothing. */
export function isNone(amount: Amount | undefined): boolean {
  return amount?.kind === 'exact' && amount.total === 0;
}

/** True if both say the same of the number. */
export function isSameAmount(a: Amount, b: Amount): boolean {
  return (
    a.kind === b.kind &&
    isEstimated(a) === isEstimated(b) &&
    getLeast(a) === getLeast(b) &&
    getGreatest(a) === getGreatest(b)
  );
}

/**
 * What parts find together that may overlap: from the greatest of them to their sum. Of estimated parts these ends
 * are estimates, too.
 */
export function uniteParts(parts: readonly Amount[]): Amount {
  const [only] = parts;
  if (parts.length === 1 && only) return only;
  const least = Math.max(0, ...parts.map(getLeast));
  const greatest = parts.reduce((sum, part) => sum + getGreatest(part), 0);
  return createAmount(least, parts.some(isEstimated), greatest);
}

/** How many records exactly known results have, each for itself; nothing where one of them is not exactly known. */
export function sumRecords(amounts: readonly (Amount | undefined)[]): number | undefined {
  let sum = 0;
  for (const amount of amounts) {
    const total = getExact(amount);
    if (total === undefined) return undefined;
    sum += total;
  }
  return sum;
}

/** Orders totals, the larger first. */
export function byTotal(a: Total, b: Total): number {
  return b - a;
}

/** Between what the number of different works of several databases lies, and whether an estimate is in it. */
export interface WorkBounds {
  readonly least: number;
  readonly greatest: number;
  /** The greater end goes by an estimate, so it is about so many. */
  readonly isEstimated: boolean;
}

/**
 * How many different works there are. `works` are known record by record; the other databases give numbers
 * only. Such a number proves no least one: a work may stand twice in a database, and an estimate proves
 * nothing.
 */
export function boundWorks(works: number, others: readonly Amount[]): WorkBounds {
  const isSome = others.some((other) => !isEstimated(other) && getLeast(other) > 0);
  return {
    least: Math.max(works, isSome ? 1 : 0),
    greatest: others.reduce((sum, other) => sum + getGreatest(other), works),
    isEstimated: others.some(isEstimated),
  };
}

/** An amount as it is kept in files: a number, whether it is an estimate, and the greater end of bounds. */
export interface KeptAmount {
  readonly total: number;
  readonly estimated: boolean;
  readonly upTo?: number;
}

/** An amount in the form in which it is kept; `readKeptAmount` gives it back. */
export function keepAmount(amount: Amount): KeptAmount {
  if (amount.kind === 'bounds')
    return { total: amount.least, estimated: isEstimated(amount), upTo: amount.greatest };
  return { total: amount.total, estimated: amount.kind === 'estimate' };
}

/** The amount that was kept. */
export function readKeptAmount({ total, estimated, upTo }: KeptAmount): Amount {
  return createAmount(total, estimated, upTo);
}
