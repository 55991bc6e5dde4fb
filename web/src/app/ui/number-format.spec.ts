import { describe, expect, it } from 'vitest';
import { createAmount } from '#core/count/index';
import { formatAmount, formatDifference, placeOnLogScale } from './number-format';

describe('numbers as shown', () => {
  it('groups digits and marks estimates', () => {
    expect(formatAmount(createAmount(12_345))).toBe('12,345');
    expect(formatAmount(createAmount(15_200, true))).toBe('≈15,200');
    expect(formatAmount(createAmount(1_200, false, 2_253))).toBe('1,200–2,253');
    expect(formatAmount(createAmount(170, true, 276))).toBe('≈170–276');
  });

  it('gives differences a sign', () => {
    expect([41, -9, 0, -1_200].map(formatDifference)).toEqual(['+41', '−9', '0', '−1,200']);
  });

  it('places counts on a log scale: nothing at the bottom, each tenfold as far as the last', () => {
    expect(placeOnLogScale(0)).toBe(0);
    expect(placeOnLogScale(1)).toBeGreaterThan(0);
    expect(placeOnLogScale(1_000) - placeOnLogScale(100)).toBeCloseTo(
      placeOnLogScale(100) - placeOnLogScale(10),
    );
    expect(placeOnLogScale(10_000_000)).toBe(1);
  });
});
