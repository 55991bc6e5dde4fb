import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createAmount } from '../count';
import { findOverlap, listRepeatedWorks } from './overlap';

const keys = (works: readonly number[]) => works.map((work) => ({ identifier: 0, work: work + 1 }));
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
        const overlap = findOverlap(results);
        const sets = holdings.map((works) => new Set(works));
        const all = new Set(holdings.flat());
        expect(overlap.works).toBe(all.size);
        expect(overlap.duplicates).toBe(holdings.flat().length - all.size);
        const again = listRepeatedWorks(results).map((records) => {
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
    const overlap = findOverlap([
      { database: 'a', amount: createAmount(3), keys: keys([1, 2, 3]) },
      { database: 'b', amount: createAmount(10), keys: undefined },
    ]);
    expect(overlap).toMatchObject({
      compared: ['a'],
      countsOnly: ['b'],
      // The ten may be fewer works than records.
      bounds: { least: 3, greatest: 13, isEstimated: false },
    });
  });
});
