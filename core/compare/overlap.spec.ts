import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createAmount } from '../count';
import { createRecordKeys } from '../record/same-work';
import { createTestKeys, createTestRecord } from '../testing/records';
import { findOverlap, findWorks, listDoubtfulPairs, listRepeatedWorks } from './overlap';

const keys = (works: readonly number[]) => works.map((work) => createTestKeys(work));
const arbitraryHoldings = fc.array(fc.array(fc.nat(30), { maxLength: 20 }), { minLength: 1, maxLength: 6 });

describe('the overlap of databases', () => {
  it('agrees with sets of works compared one by one', () => {
    fc.assert(
      fc.property(arbitraryHoldings, (holdings) => {
        const results = holdings.map((works, at) => ({
          database: `d${at}`,
          amount: createAmount(works.length),
          keys: keys(works),
        }));
        const told = findWorks(results);
        const overlap = findOverlap(results, told);
        const sets = holdings.map((works) => new Set(works));
        const all = new Set(holdings.flat());
        expect(overlap.works).toBe(all.size);
        expect(overlap.duplicates).toBe(holdings.flat().length - all.size);
        const again = listRepeatedWorks(results, told).map((records) => {
          const [first, ...others] = records;
          expect(first?.rule).toBeUndefined();
          expect(others.every(({ rule }) => rule === 'work')).toBe(true);
          const found = records.map(({ database, place }) => holdings[Number(database.slice(1))]?.[place]);
          expect(new Set(found).size).toBe(1);
          return others.length;
        });
        expect(again).toEqual([...again].sort((a, b) => b - a));
        expect(again.reduce((sum, count) => sum + count, 0)).toBe(overlap.duplicates);
        sets.forEach((one, a) => {
          expect(overlap.worksOf[a]).toBe(one.size);
          sets.forEach((other, b) =>
            expect(overlap.shared[a]?.[b]).toBe([...one].filter((work) => other.has(work)).length),
          );
          const others = new Set(holdings.flatMap((works, b) => (a === b ? [] : works)));
          expect(overlap.alone[a]).toBe([...one].filter((work) => !others.has(work)).length);
        });
        let seen = new Set<number>();
        for (const step of overlap.order) {
          const fresh = (at: number): number => [...sets[at]!].filter((work) => !seen.has(work)).length;
          const best = Math.max(...sets.map((_, at) => fresh(at)));
          const place = Number(step.database.slice(1));
          expect(step.fresh).toBe(fresh(place));
          expect(step.fresh).toBe(best);
          seen = new Set([...seen, ...sets[place]!]);
          expect(step.total).toBe(seen.size);
        }
      }),
    );
  });

  it('of databases that give numbers only is said as bounds', () => {
    const results = [
      { database: 'a', amount: createAmount(3), keys: keys([1, 2, 3]) },
      { database: 'b', amount: createAmount(10), keys: undefined },
    ];
    const overlap = findOverlap(results, findWorks(results));
    expect(overlap).toMatchObject({
      compared: ['a'],
      countsOnly: ['b'],
      // The ten may be fewer works than records.
      bounds: { least: 3, greatest: 13, isEstimated: false },
    });
  });

  it('leaves to the person what may be one work, and keeps to the answer', () => {
    const one = createTestRecord({
      title: 'Warm lamps beside quiet valley roads',
      authors: [{ given: 'B', family: 'Ode' }],
      year: 2001,
      source: 'Lamplight',
    });
    const { year: _, ...undated } = one;
    const results = [one, { ...undated, source: 'Meeting of Owls' }].map((record, at) => ({
      database: `d${at}`,
      amount: createAmount(1),
      keys: [createRecordKeys(record)],
    }));
    const told = findWorks(results);
    const [pair, ...more] = listDoubtfulPairs(results, told);
    expect(told.works).toBe(2);
    expect(more).toEqual([]);
    expect(pair).toMatchObject({
      records: [
        { database: 'd0', place: 0 },
        { database: 'd1', place: 0 },
      ],
      comparison: { agreements: { title: 'same', author: 'same', year: 'unknown', source: 'different' } },
    });
    const answered = (isSame: boolean) => findWorks(results, { [pair!.key]: isSame });
    expect(answered(true)).toMatchObject({ works: 1, doubtful: [] });
    expect(answered(false)).toMatchObject({ works: 2, doubtful: [] });
  });
});
