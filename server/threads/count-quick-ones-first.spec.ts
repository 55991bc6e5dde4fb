import { describe, expect, it } from 'vitest';
import type { CountEntry } from '#core/contract/index';
import { describeSlowness } from '#core/holding/index';
import { countQuickOnesFirst } from './count-quick-ones-first';
import { Turn } from './turn';

/** Counts strings that take some milliseconds each, on a clock that only they move. */
const countAll = async (needed: readonly number[], work: number, done: (CountEntry | undefined)[] = []) => {
  let now = 0;
  const asked: number[] = [];
  const limits = { work, wall: Infinity, slice: Infinity };
  const turn = new Turn(() => now, limits, { isGivenUp: () => false, doOthersWait: () => false });
  const entries = await countQuickOnesFirst(needed.length, done, turn, (places, createDeadline) =>
    places.map((place) => {
      asked.push(place);
      const isOver = createDeadline();
      const rest = needed[place] ?? 0;
      for (let spent = 0; spent < rest; spent++) {
        if (isOver()) return describeSlowness('');
        now++;
      }
      return { total: place, estimated: false, notes: [] };
    }),
  );
  return {
    totals: entries.map((entry) => (entry && 'total' in entry ? entry.total : undefined)),
    asked,
    now,
  };
};

describe('counting the quick ones first', () => {
  it('never lets a slow string fail the others of its batch, wherever it stands', async () => {
    for (const at of [0, 2, 4]) {
      const needed = [5, 5, 5, 5, 5];
      needed[at] = 10_000;
      const { totals, now } = await countAll(needed, 200);
      expect(totals.filter((total) => total === undefined)).toHaveLength(1);
      expect(totals[at]).toBeUndefined();
      expect(now).toBeLessThanOrEqual(202);
    }
  });

  it('gives what needs more than its share all that is left', async () => {
    expect((await countAll([5, 150, 5], 200)).totals).toEqual([0, 1, 2]);
  });

  it('takes one string alone at once, and nothing that is known already', async () => {
    expect(await countAll([150], 200)).toMatchObject({ totals: [0], asked: [0] });
    const known: CountEntry = { total: 7, estimated: false, notes: [] };
    expect(await countAll([5, 5], 200, [known, undefined])).toMatchObject({ totals: [7, 1], asked: [1] });
  });

  it('stays within one time for all, however many are slow', async () => {
    const { totals, now } = await countAll(
      Array.from({ length: 50 }, () => 1_000),
      300,
    );
    expect(totals.every((total) => total === undefined)).toBe(true);
    expect(now).toBeLessThanOrEqual(302);
  });
});
