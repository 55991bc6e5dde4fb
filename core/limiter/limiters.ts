import Joi from 'joi';
import type { DocumentType } from '../record';
import { LIMITER_NAMES, getLimiterRow, type LimiterName, type LimiterOf } from './limiter-table';

/** From one year or month to another, both included; an open end is absent. */
export interface Range<T> {
  readonly from?: T;
  readonly to?: T;
}

/**
 * What the results are limited to: one neutral set for all databases. Absent or empty means not limited.
 * Months are written `2026-03`, languages by ISO 639-1. Records without a year fail a limit of years.
 */
export type Limiters = Readonly<
  Partial<
    Record<LimiterOf<'years'>, Range<number>> &
      Record<LimiterOf<'months'>, Range<string>> &
      Record<LimiterOf<'flag'>, boolean> &
      Record<Exclude<LimiterOf<'list'>, 'types'>, readonly string[]> &
      Record<'types', readonly DocumentType[]>
  >
>;

/** No limiters. */
export const NO_LIMITERS: Limiters = {};

/** Limiters as they come from outside. */
export const LIMITERS_SCHEMA = Joi.object<Limiters>(
  Object.fromEntries(LIMITER_NAMES.map((name) => [name, getLimiterRow(name).schema])),
);

/** The same limiters with another value of one of them; nothing, an empty list and an open range take it away. */
export function withLimiter<Name extends LimiterName>(
  limiters: Limiters,
  name: Name,
  value: Limiters[Name] | undefined,
): Limiters {
  const { [name]: _, ...rest } = limiters;
  const next: Limiters = { ...rest, [name]: value };
  return describeLimiter(name, next) === undefined ? rest : next;
}

/** The limiters that are in force, each with its value in words. */
export function listLimiters(limiters: Limiters): { name: LimiterName; value: string }[] {
  return LIMITER_NAMES.flatMap((name) => {
    const value = describeLimiter(name, limiters);
    return value === undefined ? [] : [{ name, value }];
  });
}

/** The value of a limiter in words; nothing if it is not in force. */
function describeLimiter(name: LimiterName, limiters: Limiters): string | undefined {
  const row = getLimiterRow(name);
  const value: unknown = limiters[name];
  switch (row.kind) {
    case 'flag':
      return value === true ? row.label : undefined;
    case 'list': {
      const values = (value as readonly string[] | undefined) ?? [];
      const named = values.map((one) => row.names?.[one] ?? one);
      return named.length > 0 ? `${row.lead}${named.join(', ')}` : undefined;
    }
    case 'years':
    case 'months': {
      const range = value as Range<number | string> | undefined;
      const isLimited = range?.from !== undefined || range?.to !== undefined;
      return range && isLimited ? `${row.lead}${describeRange(range)}` : undefined;
    }
  }
}

/** `2015–2024` (years, or months with an en dash between them), `from 2015` or `until 2024`. */
export function describeRange({ from, to }: Range<number | string>): string {
  if (from !== undefined && to !== undefined) return from === to ? `${from}` : `${from}–${to}`;
  return from === undefined ? `until ${to ?? ''}` : `from ${from}`;
}

/** True if both let the same records through. */
export function isSameLimiters(a: Limiters, b: Limiters): boolean {
  return JSON.stringify(listLimiters(a)) === JSON.stringify(listLimiters(b));
}
