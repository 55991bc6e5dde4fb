import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  boundWorks,
  compareCounts,
  createAmount,
  createEmptyCount,
  divideExactly,
  findObstacle,
  getGreatest,
  getLeast,
  getProved,
  isEstimated,
  isOfSomethingElse,
  judgeBand,
  keepAmount,
  measureDistance,
  measureGrowth,
  measureTenfolds,
  readKeptAmount,
  subtractExactly,
  uniteParts,
  type Amount,
  type Count,
  type CountBasis,
} from '.';
import { Branches } from '../testing/branches';

const BASIS: CountBasis = { database: 'gantry', limiters: {}, missingLimiters: [], isFieldless: false };
const known = (amount: Amount, basis: Partial<CountBasis> = {}): Count => ({
  status: 'known',
  amount,
  basis: { ...BASIS, ...basis },
});
const exact = (total: number, basis: Partial<CountBasis> = {}): Count => known(createAmount(total), basis);
const why = (now: Count, then: Count): string | undefined => {
  const compared = compareCounts(now, then);
  return compared.kind === 'none' ? compared.why : undefined;
};

/** What a number may be, and a number that it really is. */
const arbitraryAmount = fc
  .record({ truth: fc.nat(2_000), below: fc.nat(50), above: fc.nat(50), isExact: fc.boolean() })
  .map(({ truth, below, above, isExact }) => ({
    truth,
    amount: isExact
      ? createAmount(truth)
      : createAmount(Math.max(0, truth - below), false, truth + above + 1),
  }));

describe('the difference of two counts', () => {
  it('is exact of exact ones, and holds the true one of bounds', () => {
    fc.assert(
      fc.property(arbitraryAmount, arbitraryAmount, (a, b) => {
        const compared = compareCounts(known(a.amount), known(b.amount));
        const difference = a.truth - b.truth;
        if (compared.kind === 'none') {
          expect(compared.why).toBe('bounds');
          expect(getLeast(a.amount)).toBeLessThan(getGreatest(b.amount));
          return;
        }
        expect(compared.least).toBeLessThanOrEqual(difference);
        expect(compared.greatest).toBeGreaterThanOrEqual(difference);
        expect(compared.least < 0 && compared.greatest > 0).toBe(false);
        if (a.amount.kind === 'exact' && b.amount.kind === 'exact')
          expect([compared.least, compared.greatest]).toEqual([difference, difference]);
      }),
    );
  });

  it('cannot be told of estimates, though they are far apart', () => {
    expect(why(known(createAmount(23_000, true)), exact(5))).toBe('estimated');
    expect(why(exact(5), known(createAmount(5, true)))).toBe('estimated');
  });

  it('is none while one is missing', () => {
    expect(why({ status: 'pending' }, exact(3))).toBe('pending');
    expect(why(exact(3), { status: 'none' })).toBe('not-counted');
  });

  it('stands within one database', () => {
    expect(why(exact(3), exact(2, { database: 'heronsmere' }))).toBe('other-database');
  });

  it('is none where a part is left out on either side, unless something wider finds nothing', () => {
    for (const omitted of ['wider', 'narrower', 'different'] as const) {
      expect(why(exact(3, { omitted }), exact(2))).toBe('part-left-out');
      expect(why(exact(3), exact(2, { omitted }))).toBe('part-left-out');
      expect(why(exact(3, { omitted }), exact(2, { omitted }))).toBe('part-left-out');
    }
    expect(subtractExactly(exact(3), exact(0, { omitted: 'wider' }))).toBe(3);
    expect(why(exact(3), exact(0, { omitted: 'narrower' }))).toBe('part-left-out');
  });

  it('is none across fields; both without them is as good as both with them', () => {
    const wide = { isFieldless: true };
    expect(why(exact(900, wide), exact(5))).toBe('other-fields');
    expect(subtractExactly(exact(900, wide), exact(5, wide))).toBe(895);
    expect(subtractExactly(exact(5), exact(0, wide))).toBe(5);
    // Fewer in narrower fields says nothing of what is not found in wider ones.
    expect(why(exact(900, wide), exact(0))).toBe('other-fields');
    expect(subtractExactly(exact(900, wide), createEmptyCount('gantry', {}))).toBe(900);
  });

  it('is none where only one goes without a limiter', () => {
    const limited = { limiters: { fullText: true } as const };
    const missing = { ...limited, missingLimiters: ['fullText'] as const };
    expect(why(exact(720, missing), exact(720))).toBe('limiter-missing');
    expect(subtractExactly(exact(720, missing), exact(700, missing))).toBe(20);
    expect(compareCounts(exact(12, limited), exact(720))).toMatchObject({
      least: -708,
      isAcrossLimiters: true,
    });
    expect(compareCounts(exact(12, limited), exact(20, limited))).toMatchObject({ isAcrossLimiters: false });
  });

  it('has a ratio and a size only where it is exact', () => {
    expect(divideExactly(exact(9), exact(3))).toBe(3);
    expect(divideExactly(exact(9), exact(0))).toBeUndefined();
    expect(divideExactly(exact(9), exact(3, { omitted: 'wider' }))).toBeUndefined();
    expect(measureTenfolds(exact(99), exact(9))).toBe(1);
    expect(measureTenfolds(known(createAmount(99, true)), exact(9))).toBeUndefined();
  });

  it('has the same obstacle whichever stands first', () => {
    const arbitraryCount = fc
      .record({
        total: fc.nat(3),
        omitted: fc.constantFrom('wider', 'narrower', 'different', undefined),
        isFieldless: fc.boolean(),
        isMissing: fc.boolean(),
      })
      .map(({ total, omitted, isFieldless, isMissing }) =>
        exact(total, {
          isFieldless,
          ...(omitted && { omitted }),
          ...(isMissing && { limiters: { fullText: true }, missingLimiters: ['fullText'] }),
        }),
      );
    fc.assert(
      fc.property(arbitraryCount, arbitraryCount, (a, b) => {
        expect(findObstacle(a, b)).toBe(findObstacle(b, a));
        if (findObstacle(a, b) === undefined)
          expect(subtractExactly(a, b)).toBe(-(subtractExactly(b, a) ?? NaN) + 0);
      }),
    );
  });
});

describe('what a count proves', () => {
  it('is nothing of something else, but that nothing is there', () => {
    expect(getProved(exact(3))).toBe(3);
    expect(getProved(exact(3, { omitted: 'wider' }))).toBeUndefined();
    expect(getProved(exact(0, { omitted: 'wider' }))).toBe(0);
    expect(getProved(exact(0, { omitted: 'narrower' }))).toBeUndefined();
    expect(getProved(exact(3, { isFieldless: true }))).toBeUndefined();
    expect(getProved(known(createAmount(3, true)))).toBeUndefined();
    expect(getProved({ status: 'pending' })).toBeUndefined();
  });

  it('is said to be of something else for each reason', () => {
    expect(isOfSomethingElse(exact(3))).toBe(false);
    expect(isOfSomethingElse(exact(3, { omitted: 'wider' }))).toBe(true);
    expect(isOfSomethingElse(exact(3, { isFieldless: true }))).toBe(true);
    expect(isOfSomethingElse(exact(3, { missingLimiters: ['years'] }))).toBe(true);
  });
});

describe('amounts', () => {
  it('of parts that overlap hold what sets find together', () => {
    const branches = new Branches<'exact'>();
    const sets = fc.array(fc.uniqueArray(fc.nat(30)), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(sets, (parts) => {
        const together = new Set(parts.flat()).size;
        const united = uniteParts(parts.map((part) => createAmount(part.length)));
        expect(getLeast(united)).toBeLessThanOrEqual(together);
        expect(getGreatest(united)).toBeGreaterThanOrEqual(together);
        if (branches.take('exact', united.kind === 'exact')) expect(getLeast(united)).toBe(together);
      }),
    );
    expect(branches.listRare(['exact'])).toEqual([]);
    const about = uniteParts([createAmount(3, true), createAmount(9)]);
    expect(about).toEqual(createAmount(9, true, 12));
    expect(isEstimated(about)).toBe(true);
    expect(why(known(about), exact(3))).toBe('estimated');
  });

  it('are kept and read back as they were', () => {
    fc.assert(
      fc.property(arbitraryAmount, fc.nat(), ({ amount }, total) => {
        expect(readKeptAmount(keepAmount(amount))).toEqual(amount);
        for (const estimate of [createAmount(total, true), createAmount(total, true, total + 3)])
          expect(readKeptAmount(keepAmount(estimate))).toEqual(estimate);
      }),
    );
  });

  it('of databases without records bound the works, and prove no least number', () => {
    expect(boundWorks(3, [createAmount(10)])).toEqual({ least: 3, greatest: 13, isEstimated: false });
    expect(boundWorks(0, [createAmount(10)])).toEqual({ least: 1, greatest: 10, isEstimated: false });
    expect(boundWorks(2_557, [createAmount(2_600, true)])).toEqual({
      least: 2_557,
      greatest: 5_157,
      isEstimated: true,
    });
    expect(boundWorks(3, [createAmount(5, false, 9)])).toMatchObject({ least: 3, greatest: 12 });
  });
});

describe('a band', () => {
  it('holds an amount only if all that it can be is within', () => {
    const arbitraryBand = fc.record({ from: fc.nat(2_000), more: fc.nat(500) });
    const branches = new Branches<'in' | 'below' | 'above'>();
    fc.assert(
      fc.property(arbitraryAmount, arbitraryBand, ({ amount, truth }, { from, more }) => {
        const band = { from, to: from + more };
        const standing = judgeBand(amount, band);
        if (branches.take('in', standing === 'in')) expect(truth >= band.from && truth <= band.to).toBe(true);
        if (branches.take('below', standing === 'below')) expect(truth).toBeLessThan(band.from);
        if (branches.take('above', standing === 'above')) expect(truth).toBeGreaterThan(band.to);
        expect(measureDistance(amount, band) === 0).toBe(standing === 'in');
      }),
      { numRuns: 1_000 },
    );
    expect(branches.listRare(['in', 'below', 'above'])).toEqual([]);
    expect(judgeBand(createAmount(3), {})).toBe('no-band');
    expect(judgeBand(createAmount(1_200, false, 2_253), { to: 1_500 })).toBe('unsure');
  });

  it('is reached by growing or shrinking', () => {
    expect(measureGrowth(createAmount(99), createAmount(9))).toBe(1);
    expect(measureGrowth(createAmount(9), createAmount(99))).toBe(-1);
  });
});
