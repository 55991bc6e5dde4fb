import { createEmptyCount, type Count } from '#core/count/index';
import type { Counted } from './count-state';

/**
 * What a count on the screen is a count of, as the core compares counts. What a database finds nothing for by its
 * meaning is nothing without asking: an empty query, or a heading of another thesaurus.
 */
export function readCount(counted: Counted | undefined): Count {
  if (!counted) return { status: 'pending' };
  const { state, rendering, limiters, missingLimiters } = counted;
  const { database } = rendering;
  switch (state.status) {
    case 'empty':
      return createEmptyCount(database, limiters);
    case 'waiting':
      return { status: 'pending' };
    case 'failed':
      if (state.problem.code === 'count-by-hand') return { status: 'pending' };
      return findsNothing(counted) ? createEmptyCount(database, limiters) : { status: 'none' };
    case 'counted':
      return {
        status: 'known',
        amount: state.amount,
        basis: {
          database,
          limiters,
          missingLimiters,
          isFieldless: rendering.withoutFields === true,
          ...(rendering.omitted && { omitted: rendering.omitted }),
        },
      };
  }
}

/** True where nothing is sent because the database has nothing of it: no heading of another thesaurus, say. */
export function findsNothing({ state, rendering }: Counted): boolean {
  const isUnsent =
    state.status === 'empty' || (state.status === 'failed' && state.problem.code === 'nothing-to-send');
  return isUnsent && rendering.whole === 'same';
}
