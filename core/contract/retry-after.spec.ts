import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asksToWait, readRetryAfter } from './retry-after';

const NOW = Date.UTC(2026, 9, 1, 8, 0, 0);

describe('how long a service asks to wait', () => {
  it.each([
    ['120', 120],
    [' 7 ', 7],
    ['0', 1],
    ['Thu, 01 Oct 2026 08:02:00 GMT', 120],
    ['Thu, 01 Oct 2026 07:00:00 GMT', 1],
    ['999999999', 86_400],
    [`${'9'.repeat(400)}`, 86_400],
    ['Thu, 01 Oct 2076 08:02:00 GMT', 86_400],
    ['soon', 30],
    ['', 30],
    ['-5', 30],
    ['1.5', 30],
    ['2026-10-01T08:02:00Z', 30],
    ['Thu, 41 Oct 2026 08:02:00 GMT', 30],
  ])('%j is %i seconds', (field, seconds) => {
    expect(readRetryAfter(field, NOW)).toBe(seconds);
  });

  it('is the usual wait where nothing is said', () => {
    expect(readRetryAfter(null, NOW)).toBe(30);
    expect(readRetryAfter(undefined, NOW)).toBe(30);
  });

  it('is the same as a number and as a moment', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1_000_000 }), (seconds) => {
        const moment = new Date(NOW + seconds * 1_000).toUTCString();
        expect(readRetryAfter(moment, NOW)).toBe(readRetryAfter(String(seconds), NOW));
      }),
    );
  });

  it('is asked by 429, and by 503 only with a time', () => {
    expect(asksToWait(429, null)).toBe(true);
    expect(asksToWait(503, '20')).toBe(true);
    expect(asksToWait(503, null)).toBe(false);
    expect(asksToWait(500, '20')).toBe(false);
  });
});
