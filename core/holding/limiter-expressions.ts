import { countMonths, type SetExpression } from '../collection';
import type { SentLimiters } from '../dialect';
import { getLimiterRow, type LimiterName, type Range } from '../limiter';

/** The sent limiters as sets; one that the database does not have does nothing there. */
export function createLimiterExpressions(
  sentLimiters: SentLimiters,
  known: readonly LimiterName[],
): SetExpression[] {
  return known.flatMap((name) => createBoxExpression(name, sentLimiters[name]) ?? []);
}

function createBoxExpression(name: LimiterName, value: unknown): SetExpression | undefined {
  if (value === undefined) return undefined;
  const row = getLimiterRow(name);
  switch (row.kind) {
    case 'flag':
      return value === true ? { kind: 'key', key: row.key } : undefined;
    case 'list': {
      const values = value as readonly string[];
      const { key } = row;
      if (key === undefined || values.length === 0) return undefined;
      return { kind: 'or', items: values.map((one) => ({ kind: 'key', key: `${key}=${one}` })) };
    }
    case 'years': {
      const { from = 1, to = 9999 } = value as Range<number>;
      return { kind: 'range', column: row.column, from, to };
    }
    case 'months': {
      const { from = '0001-01', to = '5000-12' } = value as Range<string>;
      return { kind: 'range', column: row.column, from: countMonths(from), to: countMonths(to) };
    }
  }
}
