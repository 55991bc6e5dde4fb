import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { RecordSet } from '../collection';
import { parseQuery, printQuery } from '../query';
import { asTotal, countExactly, type Total } from '../count';
import { deriveCounts, findNearest, listCombinations } from './combinations';

const sets = fc
  .integer({ min: 1, max: 5 })
  .chain((concepts) =>
    fc.array(fc.array(fc.nat(19), { maxLength: 12 }), { minLength: concepts, maxLength: concepts }),
  );
const countAll = (lists: readonly (readonly number[])[]): Map<number, Total> => {
  const counts = new Map<number, Total>();
  for (let bits = 1; bits < 2 ** lists.length; bits++) {
    const set = RecordSet.all(20);
    lists.forEach((list, at) => {
      const one = new RecordSet(20);
      list.forEach((record) => one.add(record));
      if ((bits & (1 << at)) !== 0) set.intersect(one);
    });
    counts.set(bits, asTotal(set.count()));
  }
  return counts;
};

describe('combinations', () => {
  it('are all there, alone first', () => {
    const roots = ['bat', 'lamp', 'road'].map((text) => parseQuery(text).root);
    expect(listCombinations(roots).map(({ root }) => printQuery(root))).toEqual([
      'bat',
      'lamp',
      'road',
      'bat AND lamp',
      'bat AND road',
      'lamp AND road',
      'bat AND lamp AND road',
    ]);
    expect(listCombinations(Array.from({ length: 8 }, () => roots[0]!))).toHaveLength(255);
  });

  it('of just some concepts are counted as a record-by-record look counts them', () => {
    fc.assert(
      fc.property(sets, (lists) => {
        const exact = countExactly(countAll(lists), lists.length)!;
        for (const [bits, count] of exact) {
          const naive = Array.from({ length: 20 }, (_, record) => record).filter((record) =>
            lists.every((list, at) => list.includes(record) === ((bits & (1 << at)) !== 0)),
          );
          expect(count).toBe(naive.length);
        }
      }),
    );
  });

  it('are not worked out while one is missing', () => {
    expect(countExactly(new Map([[1, asTotal(3)]]), 2)).toBeUndefined();
  });

  it('that hold one that finds nothing find nothing: derived counts are never wrong', () => {
    fc.assert(
      fc.property(sets, fc.array(fc.boolean(), { minLength: 32, maxLength: 32 }), (lists, known) => {
        const all = countAll(lists);
        const some = new Map([...all].filter(([bits]) => known[bits]));
        for (const [bits, count] of deriveCounts(some, lists.length)) expect(count).toBe(all.get(bits));
      }),
    );
    const derived = deriveCounts(new Map([[1, asTotal(0)]]), 3);
    expect([...derived.keys()].sort()).toEqual([1, 3, 5, 7]);
  });

  it('that are nearest are named where all together find nothing', () => {
    const told: readonly (readonly [number, number])[] = [
      [1, 50],
      [2, 40],
      [4, 9],
      [3, 12],
      [5, 2],
      [6, 0],
      [7, 0],
    ];
    const counts = new Map<number, Total>(told.map(([bits, total]) => [bits, asTotal(total)]));
    expect(findNearest(counts, 3)).toEqual({
      nearest: [
        { bits: 3, count: 12 },
        { bits: 5, count: 2 },
      ],
      widen: 2,
      without: 12,
    });
    expect(findNearest(new Map([[1, asTotal(0)]]), 1)).toEqual({
      nearest: [],
      widen: undefined,
      without: undefined,
    });
  });
});
