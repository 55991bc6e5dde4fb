import { describe, expect, it } from 'vitest';
import { createAmount } from '#core/count/index';
import { describeStanding } from './band-standing';

const BAND = { from: 50, to: 400 };

describe('how a count stands to its band', () => {
  it.each([
    [10, BAND, 'review', 'below band', false],
    [50, BAND, 'review', 'in the band', true],
    [400, BAND, 'quick', 'in the band', true],
    [401, BAND, 'quick', 'above band', false],
    [401, BAND, 'exhaustive', 'to screen', true],
    [10, BAND, 'exhaustive', 'below band', false],
    [7, {}, 'review', '', false],
    [7, {}, 'exhaustive', 'to screen', true],
    [7, { to: 5 }, 'review', 'above band', false],
    [7, { from: 5 }, 'review', 'in the band', true],
  ] as const)('%d of %j for %s: %s', (total, band, purpose, words, isGood) => {
    expect(describeStanding(createAmount(total), band, purpose)).toEqual({ words, isGood });
  });

  it.each([
    [60, 300, 'in the band'],
    [10, 40, 'below band'],
    [401, 900, 'above band'],
    [10, 60, 'cannot tell'],
    [300, 500, 'cannot tell'],
  ])('between %d and %d: %s', (total, upTo, words) => {
    expect(describeStanding(createAmount(total, false, upTo), BAND, 'review').words).toBe(words);
  });

  it('takes an estimate by what it says, and says so', () => {
    expect(describeStanding(createAmount(60, true), BAND, 'review')).toEqual({
      words: '≈ in the band',
      isGood: true,
    });
  });

  it('says nothing of a count that is not there', () => {
    expect(describeStanding(undefined, BAND, 'review').words).toBe('');
  });
});
