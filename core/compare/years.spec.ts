import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { listYearSpans, summariseYears, type YearSpan } from './years';

const holds = ({ from = -Infinity, to = Infinity }: YearSpan, year: number): boolean =>
  year >= from && year <= to;

describe('spans of years', () => {
  it('hold every year that is allowed once, and no other', () => {
    const end = fc.option(fc.integer({ min: 1500, max: 2100 }), { nil: undefined });
    fc.assert(
      fc.property(end, end, fc.integer({ min: 1400, max: 2200 }), (from, to, year) => {
        const years = { ...(from !== undefined && { from }), ...(to !== undefined && { to }) };
        const spans = listYearSpans({ years }, 2026);
        const isAllowed = year >= (from ?? -Infinity) && year <= (to ?? Infinity);
        const isEmpty = from !== undefined && to !== undefined && from > to;
        expect(spans.filter((span) => holds(span, year))).toHaveLength(isAllowed && !isEmpty ? 1 : 0);
        expect(spans.length).toBeLessThanOrEqual(31);
        expect(new Set(spans.map(({ words }) => words)).size).toBe(spans.length);
      }),
    );
  });

  it('are years where they are few, and said as people say them', () => {
    const say = (years: { from?: number; to?: number }) =>
      listYearSpans({ years }, 2026).map(({ words }) => words);
    expect(say({ from: 2022, to: 2025 })).toEqual(['2022', '2023', '2024', '2025']);
    expect(say({ from: 1960, to: 2019 }).slice(0, 2)).toEqual(['1960–1961', '1962–1963']);
    expect(say({ from: 2024 })).toEqual(['2024', '2025', 'since 2026']);
    expect(say({ from: 2030 })).toEqual(['since 2030']);
    expect(say({ from: 2020, to: 2010 })).toEqual([]);
    const open = say({});
    expect([open[0], open[1], open.at(-1)]).toEqual(['before 1997', '1997', 'since 2026']);
  });
});

describe('the summary of years', () => {
  const spans = listYearSpans({ years: { from: 2020, to: 2023 } }, 2026);

  it('says the middle, the most, and what has no year', () => {
    const summary = summariseYears(spans, [3, 1, 7, 2], 15);
    expect(summary?.middle.words).toBe('2022');
    expect(summary?.most).toMatchObject({ spans: [{ words: '2022' }], count: 7 });
    expect(summary?.without).toBe(2);
  });

  it('does not call what was published at any time before the most', () => {
    const open = listYearSpans({ years: { to: 2000 } }, 2026);
    const counts = open.map((_, at) => (at === 0 ? 50 : at === 3 || at === 7 ? 2 : 1));
    const summary = summariseYears(open, counts, 90);
    expect(summary?.middle).toBe(open[0]);
    expect(summary?.most?.spans).toEqual([open[3], open[7]]);
    const none = open.map((_, at) => (at === 0 ? 50 : 0));
    expect(summariseYears(open, none, 50)?.most).toBeUndefined();
  });

  it('agrees with the middle record of all, one by one', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(6), { minLength: 4, maxLength: 4 }), (counts) => {
        const records = counts.flatMap((count, at) => new Array<number>(count).fill(at));
        const summary = summariseYears(spans, counts, records.length);
        if (records.length === 0) {
          expect(summary).toBeUndefined();
          return;
        }
        const middle = records[Math.ceil(records.length / 2) - 1]!;
        expect(summary?.middle).toBe(spans[middle]);
        expect(summary?.most?.count).toBe(Math.max(...counts));
        expect(summary?.without).toBe(0);
      }),
    );
  });
});
