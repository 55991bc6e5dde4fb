import type { Dialect } from '#core/dialect/index';
import type { Limiters } from '#core/limiter/index';
import { keepAmount } from '#core/count/index';
import type { Tally } from '#core/project/index';
import type { Counted } from './count-state';

/** What a tally needs beyond the count itself. */
export interface TallyPlace {
  readonly createId: () => string;
  readonly moment: string;
  readonly limiters: Limiters;
  readonly variant?: string;
  readonly state?: string;
}

/** The tally of a count that is there and was measured; nothing of one that is not. */
export function makeTally(
  { id: database }: Dialect,
  { countKey, state }: Counted,
  { createId, moment, limiters, variant, state: kept }: TallyPlace,
): Tally[] {
  if (!countKey || state.status !== 'counted') return [];
  const { amount, milliseconds } = state;
  return [
    {
      id: createId(),
      database,
      string: countKey.string,
      limiters,
      moment,
      ...keepAmount(amount),
      source: 'measured',
      ...(milliseconds !== undefined && { milliseconds }),
      ...(variant !== undefined && { variant }),
      ...(kept !== undefined && { state: kept }),
    },
  ];
}
