import { describe, expect, it } from 'vitest';
import { boundGoodOnes, drawSample, estimatePrecision, joinPrecisions } from './precision';

describe('bounds from a sample', () => {
  it('are the truth where all were read', () => {
    expect(boundGoodOnes(12, 12, 5)).toEqual({ least: 5, greatest: 5 });
    expect(boundGoodOnes(1, 1, 0)).toEqual({ least: 0, greatest: 0 });
  });

  it('are the numbers that the distribution allows, tried one by one', () => {
    const choose = (n: number, k: number): number => {
      let value = 1;
      for (let at = 0; at < k; at++) value = (value * (n - at)) / (at + 1);
      return k < 0 || k > n ? 0 : value;
    };
    const chance = (k: number, sample: number, good: number, all: number): number =>
      (choose(good, k) * choose(all - good, sample - k)) / choose(all, sample);
    for (const [all, sample, good] of [
      [20, 6, 2],
      [30, 10, 0],
      [30, 10, 10],
      [15, 4, 3],
    ] as const) {
      const allowed = Array.from({ length: all + 1 }, (_, one) => one).filter((one) => {
        if (one < good || all - one < sample - good) return false;
        let [low, high] = [0, 0];
        for (let k = 0; k <= sample; k++) {
          if (k <= good) low += chance(k, sample, one, all);
          if (k >= good) high += chance(k, sample, one, all);
        }
        return low > 0.025 && high > 0.025;
      });
      expect(boundGoodOnes(all, sample, good)).toEqual({ least: allowed[0], greatest: allowed.at(-1) });
    }
  });

  it.each([
    [400, 20, 60],
    [400, 20, 4],
    [50, 10, 1],
    [1_000, 30, 500],
    [30, 5, 29],
  ])('of %i records, %i read and %i good, hold the truth at least as often as said', (all, sample, good) => {
    const runs = 2_000;
    let held = 0;
    for (let run = 0; run < runs; run++) {
      const drawn = drawSample(
        Array.from({ length: all }, (_, at) => at),
        sample,
        run * 7_919 + all,
      );
      const found = drawn.filter((record) => record < good).length;
      const { least, greatest } = boundGoodOnes(all, sample, found);
      if (least <= good && good <= greatest) held++;
    }
    // Three standard errors of the simulation below what is stated.
    expect(held / runs).toBeGreaterThanOrEqual(0.95 - 3 * Math.sqrt((0.95 * 0.05) / runs));
  });

  it('of several parts weighted together hold as well, unsure records making them wider', () => {
    const parts = [
      { size: 200, truth: 20 },
      { size: 50, truth: 45 },
    ];
    const runs = 500;
    let held = 0;
    for (let run = 0; run < runs; run++) {
      const judged = parts.map(({ size, truth }, at) => {
        const drawn = drawSample(
          Array.from({ length: size }, (_, one) => one),
          15,
          run * 31 + at,
        );
        const good = drawn.filter((record) => record < truth).length;
        return { size, good, bad: 15 - good, unsure: 0 };
      });
      const estimate = joinPrecisions(judged)!;
      if (estimate.low <= 65 / 250 && 65 / 250 <= estimate.high) held++;
    }
    expect(held / runs).toBeGreaterThanOrEqual(0.95);
    const sure = estimatePrecision({ size: 100, good: 5, bad: 5, unsure: 0 })!;
    const unsure = estimatePrecision({ size: 100, good: 5, bad: 3, unsure: 2 })!;
    expect(unsure.low).toBe(sure.low);
    expect(unsure.high).toBeGreaterThan(sure.high);
  });

  it('are not given while a part is unread, or where nothing is', () => {
    expect(estimatePrecision({ size: 10, good: 0, bad: 0, unsure: 0 })).toBeUndefined();
    expect(
      joinPrecisions([
        { size: 10, good: 2, bad: 3, unsure: 0 },
        { size: 1, good: 0, bad: 0, unsure: 0 },
      ]),
    ).toBeUndefined();
    expect(joinPrecisions([{ size: 0, good: 0, bad: 0, unsure: 0 }])).toBeUndefined();
    expect(
      joinPrecisions([
        { size: 10, good: 10, bad: 0, unsure: 0 },
        { size: 0, good: 0, bad: 0, unsure: 0 },
      ]),
    ).toMatchObject({ low: 1, high: 1 });
  });
});

describe('a sample', () => {
  it('is the same for the same seed, another for another, and holds nothing twice', () => {
    const numbers = Array.from({ length: 100 }, (_, at) => at);
    expect(drawSample(numbers, 10, 1)).toEqual(drawSample(numbers, 10, 1));
    expect(drawSample(numbers, 10, 1)).not.toEqual(drawSample(numbers, 10, 2));
    expect(new Set(drawSample(numbers, 100, 3)).size).toBe(100);
    expect(drawSample([4, 5], 10, 1).sort()).toEqual([4, 5]);
  });
});
