import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawRecords } from '../compare';
import type { Verdict } from '../project';
import { countJudgedInOrder, estimateGoodOnesLeft, traceReading } from './how-far';

const VERDICT = fc.constantFrom<Verdict | undefined>('on', 'off', 'unsure', undefined);

describe('reading down a list', () => {
  it('is followed from the top to the first record without a verdict', () => {
    expect(traceReading(['on', 'off', 'unsure', undefined, 'on'])).toEqual([
      { read: 0, good: 0, unsure: 0 },
      { read: 1, good: 1, unsure: 0 },
      { read: 2, good: 1, unsure: 0 },
      { read: 3, good: 1, unsure: 1 },
    ]);
    expect(traceReading([])).toEqual([{ read: 0, good: 0, unsure: 0 }]);
  });

  it('never goes down, and ends with what one counts by hand', () => {
    fc.assert(
      fc.property(fc.array(VERDICT, { maxLength: 30 }), (verdicts) => {
        const steps = traceReading(verdicts);
        const gap = verdicts.indexOf(undefined);
        const read = gap < 0 ? verdicts : verdicts.slice(0, gap);
        expect(countJudgedInOrder(verdicts)).toEqual({
          read: read.length,
          good: read.filter((one) => one === 'on').length,
          unsure: read.filter((one) => one === 'unsure').length,
        });
        steps.slice(1).forEach(({ good }, at) => expect(good).toBeGreaterThanOrEqual(steps[at]!.good));
      }),
    );
  });
});

describe('the good ones that are left', () => {
  it('are not told before one of the sample is judged', () => {
    expect(estimateGoodOnesLeft(500, { read: 0, good: 0, unsure: 0 })).toBeUndefined();
  });

  it('are known when all are read; records that are not sure widen the bounds', () => {
    expect(estimateGoodOnesLeft(20, { read: 20, good: 3, unsure: 0 })).toEqual({
      middle: 3,
      least: 3,
      greatest: 3,
    });
    expect(estimateGoodOnesLeft(20, { read: 20, good: 3, unsure: 4 })).toEqual({
      middle: 5,
      least: 3,
      greatest: 7,
    });
  });

  it('lie within the bounds at least as often as stated, however few there are', () => {
    for (const good of [0, 1, 4, 40]) {
      const size = 400;
      let covered = 0;
      for (let turn = 0; turn < 300; turn++) {
        // The good ones stand at other places each time; what is drawn is the same.
        const isGood = (at: number): boolean => (at * 7_919 + turn * 104_729) % size < good;
        const numbers = Array.from({ length: size }, (_, at) => at);
        const drawn = drawRecords(numbers, 40);
        const found = drawn.filter(isGood).length;
        const { least, greatest } = estimateGoodOnesLeft(size, { read: 40, good: found, unsure: 0 })!;
        if (least <= good && good <= greatest) covered++;
      }
      expect(covered / 300).toBeGreaterThanOrEqual(0.95);
    }
  });
});
