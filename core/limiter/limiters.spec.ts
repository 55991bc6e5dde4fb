import { describe, expect, it } from 'vitest';
import {
  LIMITERS,
  LIMITERS_SCHEMA,
  LIMITER_NAMES,
  isSameLimiters,
  listLimiters,
  withLimiter,
  type Limiters,
} from '.';

describe('limiters', () => {
  it('are described in words and told apart', () => {
    expect(listLimiters({ entered: { from: '2026-01', to: '2026-06' }, subjects: ['zoology'] })).toEqual([
      { name: 'entered', value: 'entered 2026-01–2026-06' },
      { name: 'subjects', value: 'on zoology' },
    ]);
    expect(isSameLimiters({ entered: { from: '2026-01' } }, { years: { from: 2026 } })).toBe(false);
  });

  it('that ask for nothing are none', () => {
    const nothing: Limiters = { years: {}, types: [], languages: [], peerReviewed: false, sources: [] };
    expect(listLimiters(nothing)).toEqual([]);
    expect(isSameLimiters(nothing, {})).toBe(true);
  });

  it('are set one by one, and nothing takes them away', () => {
    const limiters: Limiters = { years: { from: 2015 }, peerReviewed: true };
    expect(withLimiter(limiters, 'languages', ['en'])).toEqual({ ...limiters, languages: ['en'] });
    expect(withLimiter(limiters, 'years', {})).toEqual({ peerReviewed: true });
    expect(withLimiter(limiters, 'peerReviewed', undefined)).toEqual({ years: { from: 2015 } });
    expect(withLimiter(limiters, 'languages', [])).toEqual(limiters);
  });

  it('are taken from outside as the table has them, each with a value of its kind, and nothing else', () => {
    const values = { years: { from: 2000 }, months: { to: '2026-03' }, flag: true, list: ['en'] };
    const all = Object.fromEntries(
      LIMITER_NAMES.map((name) => [name, name === 'types' ? ['review'] : values[LIMITERS[name].kind]]),
    );
    expect(LIMITERS_SCHEMA.validate(all).error).toBeUndefined();
    expect(listLimiters(all).map(({ name }) => name)).toEqual(LIMITER_NAMES);
    for (const [name, wrong] of [
      ['years', { from: -1 }],
      ['entered', { from: '2026-13' }],
      ['languages', ['EN']],
      ['types', ['letter']],
      ['peerReviewed', 'yes'],
      ['colour', true],
    ] as const)
      expect(LIMITERS_SCHEMA.validate({ [name]: wrong }, { convert: false }).error, name).toBeDefined();
  });
});
