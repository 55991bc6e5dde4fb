import { isTooSlow, type CountEntry } from '#core/contract/index';
import type { CreateDeadline } from '#core/holding/index';
import type { Turn } from './turn';

/** Milliseconds that each string of a batch may take at least in the first round. */
const LEAST_SHARE = 10;

/**
 * Counts a batch within one time: in a first round each string has a share of it, in a second one
 * those that need more share what is left. So a slow string does not fail the others of its batch.
 * @param done counts that are known already, by place
 */
export async function countQuickOnesFirst(
  size: number,
  done: readonly (CountEntry | undefined)[],
  turn: Turn,
  count: (
    places: readonly number[],
    createDeadline: CreateDeadline,
  ) => readonly CountEntry[] | Promise<readonly CountEntry[]>,
): Promise<(CountEntry | undefined)[]> {
  const entries = Array.from({ length: size }, (_, at) => done[at]);
  const listMissing = (): number[] => entries.flatMap((entry, at) => (entry ? [] : [at]));
  const rounds: readonly (() => CreateDeadline)[] = [
    () => {
      const share = Math.max(LEAST_SHARE, turn.left / 2 / size);
      return () => turn.share(share);
    },
    () => () => turn.isOver,
  ];
  for (const begin of size > 1 ? rounds : rounds.slice(1)) {
    const places = listMissing();
    if (places.length === 0 || turn.isOver()) break;
    const counted = await count(places, begin());
    places.forEach((place, at) => {
      const entry = counted[at];
      if (entry && !isTooSlow(entry)) entries[place] = entry;
    });
  }
  return entries;
}
