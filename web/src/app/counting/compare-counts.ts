import type { CountState, Counted } from './count-state';

/** The number of a count that is exact, or what is nothing because nothing is left to be searched. */
export function readExact(counted: Counted | undefined): number | undefined {
  if (!counted) return undefined;
  if (isNothing(counted.state)) return 0;
  return counted.state.status === 'counted' && !counted.state.estimated ? counted.state.total : undefined;
}

/** True if two renderings search in the same fields: of a string that is too long a database may go without them. */
export function reachesAlike(a: Counted | undefined, b: Counted | undefined): boolean {
  return !a || !b || a.rendering.withoutFields === b.rendering.withoutFields;
}

/** The difference of two exact counts that mean the same but for what was changed. */
export function subtractCounts(whole: Counted | undefined, rest: Counted | undefined): number | undefined {
  const [all, left] = [readExact(whole), readExact(rest)];
  return all === undefined || left === undefined || !reachesAlike(whole, rest) ? undefined : all - left;
}

/** Nothing is left to be sent: it finds nothing. */
export function isNothing(state: CountState): boolean {
  return state.status === 'empty' || (state.status === 'failed' && state.problem.code === 'nothing-to-send');
}
