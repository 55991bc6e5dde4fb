import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { RecordSet } from '../collection';
import { createProblem, fail, succeed } from '../problem';
import { findCover } from './cover';
import { createSetCounter, type UnionCounter } from './union-counter';

const SIZE = 24;
const makeSet = (records: readonly number[]): RecordSet => {
  const set = new RecordSet(SIZE);
  records.forEach((record) => set.add(record));
  return set;
};
const arbitraryLists = fc.array(fc.array(fc.nat(SIZE - 1), { maxLength: 9 }), { minLength: 1, maxLength: 8 });
const unite = (lists: readonly (readonly number[])[], members: readonly number[]): Set<number> =>
  new Set(members.flatMap((member) => lists[member] ?? []));
/** Gives numbers only, and counts how many it was asked for. */
const countOnly = (lists: readonly (readonly number[])[]): UnionCounter & { asked: number } => {
  const counter = {
    members: lists.length,
    asked: 0,
    count: (unions: readonly (readonly number[])[]) => {
      counter.asked += unions.length;
      return Promise.resolve(succeed(unions.map((union) => unite(lists, union).size)));
    },
  };
  return counter;
};
const cover = async (lists: readonly (readonly number[])[]) => {
  const outcome = await findCover(createSetCounter(lists.map(makeSet)));
  if (!outcome.ok) throw new Error(outcome.problem.code);
  return outcome.value;
};

describe('what terms cover', () => {
  it('agrees with a look at every record and every choice', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryLists, async (lists) => {
        const found = await cover(lists);
        const all = lists.map((_, at) => at);
        const whole = unite(lists, all).size;
        expect(found.whole).toBe(whole);
        for (const member of all) {
          const without = unite(
            lists,
            all.filter((other) => other !== member),
          );
          expect(found.only[member]).toBe(whole - without.size);
          expect(found.free.includes(member)).toBe(without.size === whole);
        }
        for (const [a, b] of found.coverEachOther)
          expect(
            unite(
              lists,
              all.filter((member) => member !== a && member !== b),
            ).size,
          ).toBeLessThan(whole);
        expect(unite(lists, found.smallest).size).toBe(whole);
        // Eight members at most: every choice can be looked at.
        let fewest = all.length;
        for (let bits = 0; bits < 2 ** all.length; bits++) {
          const choice = all.filter((member) => (bits & (1 << member)) !== 0);
          if (unite(lists, choice).size === whole) fewest = Math.min(fewest, choice.length);
        }
        expect(found.smallest.length).toBe(fewest);
        expect(found.isExact).toBe(true);
        expect(found.atLeast).toBe(fewest);
      }),
      { numRuns: 300 },
    );
  });

  it('is the same for a database that gives numbers only', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryLists, async (lists) => {
        const outcome = await findCover(countOnly(lists));
        expect(outcome).toEqual({ ok: true, value: await cover(lists) });
      }),
      { numRuns: 200 },
    );
  });

  it('orders greedily: each next one brings most, the earlier one first among equals', async () => {
    const { order } = await cover([[1, 2], [1, 2, 3, 4], [5], [3, 4, 5, 6]]);
    expect(order).toEqual([
      { member: 1, total: 4, gain: 4 },
      { member: 3, total: 6, gain: 2 },
      { member: 0, total: 6, gain: 0 },
      { member: 2, total: 6, gain: 0 },
    ]);
  });

  it('says where two can each go, and not both', async () => {
    const found = await cover([
      [1, 2],
      [2, 3],
      [1, 3],
    ]);
    expect(found.free).toEqual([0, 1, 2]);
    expect(found.coverEachOther).toEqual([
      [0, 1],
      [0, 2],
      [1, 2],
    ]);
    expect(found.smallest).toHaveLength(2);
  });

  it('with many members says how few are needed at least', async () => {
    const lists = Array.from({ length: 22 }, (_, at) => [at, (at + 1) % 22]);
    const found = await cover(lists);
    expect(unite(lists, found.smallest).size).toBe(22);
    expect(found.atLeast).toBe(11);
    expect(found.smallest.length).toBeGreaterThanOrEqual(found.atLeast);
    expect(found.isExact).toBe(found.smallest.length === 11);
  });

  it('asks for far fewer counts than every member after every other one', async () => {
    const counter = countOnly(
      Array.from({ length: 40 }, (_, at) => [at % SIZE, (at * 7) % SIZE, (at * 5) % SIZE]),
    );
    await findCover(counter);
    expect(counter.asked).toBeLessThan(40 * 40);
  });

  it('hands a failure on', async () => {
    const broken: UnionCounter = {
      members: 2,
      count: () => Promise.resolve(fail(createProblem('service-gone', 'error'))),
    };
    expect(await findCover(broken)).toMatchObject({ ok: false });
  });
});
