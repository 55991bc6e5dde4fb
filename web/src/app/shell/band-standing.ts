import type { Purpose, TargetBand } from '#core/project/index';
import type { CountState } from '../counting/count-state';

/** How a count stands to the band; what is good depends on what the search is for. */
export function describeStanding(
  state: CountState,
  { from, to }: TargetBand,
  purpose: Purpose,
): { words: string; isGood: boolean } {
  if (state.status !== 'counted') return { words: '', isGood: true };
  // Of parts that overlap only bounds are known.
  const most = state.upTo ?? state.total;
  if (from !== undefined && most < from) return { words: 'below band', isGood: false };
  // Nothing may be missed: the number is what has to be looked through, and no fault.
  if (purpose === 'exhaustive') return { words: 'to screen', isGood: true };
  if (from === undefined && to === undefined) return { words: '', isGood: false };
  if (to !== undefined && state.total > to) return { words: 'above band', isGood: false };
  const isSure = state.total >= (from ?? 0) && most <= (to ?? Infinity);
  return isSure ? { words: 'in the band', isGood: true } : { words: 'cannot tell', isGood: false };
}
