import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import LINES from './fixtures/results-lines.json';
import { readResultsColumn, readResultsLine } from './results-line';

describe('a pasted results line', () => {
  it.each(LINES as [string, number | null, boolean][])('“%s” gives %s', (line, total, estimated) => {
    const read = readResultsLine(line);
    if (total === null) expect(read.ok, JSON.stringify(read)).toBe(false);
    else expect(read).toMatchObject({ ok: true, value: { total, estimated } });
  });

  it('is read from at least 60 forms, and says the piece that it was read from', () => {
    expect(LINES.length).toBeGreaterThanOrEqual(60);
    const line = '1–25 of 1,204 results';
    const read = readResultsLine(line);
    expect(read.ok && line.slice(...read.value.at)).toBe('1,204');
  });

  it('never gives the end of the range that is shown', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 50 }), fc.integer({ min: 51, max: 9_999_999 }), (end, total) => {
        for (const written of [total.toLocaleString('en'), total.toLocaleString('de'), String(total)]) {
          const read = readResultsLine(`1–${end} of ${written} results`);
          expect(read.ok && read.value.total, written).toBe(total);
        }
      }),
    );
  });

  it('never throws, and never gives anything but a whole number from 0', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string(), fc.string({ unit: fc.constantFrom(...'0123456789,.–- of~results') })),
        (text) => {
          const read = readResultsLine(text);
          if (!read.ok) return;
          expect(Number.isSafeInteger(read.value.total)).toBe(true);
          expect(read.value.total).toBeGreaterThanOrEqual(0);
        },
      ),
      { numRuns: 2_000 },
    );
  });

  it('stands among others in a column, each read by itself', () => {
    const column = readResultsColumn('318\n1–25 of 74 results\n\n?\n');
    expect(column.map(({ read }) => (read.ok ? read.value.total : undefined))).toEqual([318, 74, undefined]);
  });
});
