import '@angular/compiler';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { omitsPart, readExact } from '../../../testing/counts';
import { formatDifference } from '../../../ui/number-format';
import { SmallWorld, arbitraryWorld } from '../../../comparing/testing/small-world';
import { StaircaseComponent } from './staircase.component';

describe('the staircase', () => {
  it('has the counts after each step, what it threw away, and what each costs alone, or says that a part is left out', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async ({ project, records, fields }) => {
        const small = new SmallWorld(project, records);
        const tool = small.make(StaircaseComponent);
        await small.count(() => tool['asked']());
        const rows = tool['rows']();
        const whole = small.findDraft('heronsmere').length;
        rows.forEach((row, at) => {
          const before = rows[at - 1];
          for (const [place, { dialect, counted, note }] of row.cells.entries()) {
            const isOther = omitsPart(counted);
            const found = small.find(dialect.id, row.after.root).length;
            if (!isOther) expect(readExact(counted)).toBe(found);
            if (note === 'a part left out')
              expect(isOther || omitsPart(before?.cells[place]?.counted)).toBe(true);
            else if (note !== '') {
              const then = small.find(dialect.id, before!.after.root).length;
              expect(note).toBe(formatDifference(found - then));
            }
          }
          if (row.thrown)
            expect(readExact(row.thrown)).toBe(
              small.find('heronsmere', before!.after.root).length -
                small.find('heronsmere', row.after.root).length,
            );
          if (row.cost !== undefined) expect(row.cost).toBe(readExact(row.without)! - whole);
        });
        const costs = rows.flatMap(({ cost }) => cost ?? []);
        expect(tool['dearest']()?.cost ?? 0).toBe(Math.max(0, ...costs));
        // What can be said is said: only keywords are left out, and only in Heronsmere.
        const isLeftOut = fields?.includes('keywords') ?? false;
        expect(rows.at(-1)?.cells.map(({ counted }) => omitsPart(counted))).toEqual([isLeftOut, false]);
        if (!isLeftOut) expect(costs.length).toBeGreaterThan(0);
      }),
      { numRuns: 60 },
    );
  });

  it('goes in another order, with the same at its end, and back', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, fc.nat(2), async ({ project, records }, place) => {
        const small = new SmallWorld(project, records);
        const tool = small.make(StaircaseComponent);
        const keys = tool['rows']().map(({ key }) => key);
        tool['move'](keys[place % keys.length] ?? '', -1);
        const moved = tool['rows']().map(({ key }) => key);
        expect([...moved].sort()).toEqual([...keys].sort());
        await small.count(() => tool['asked']());
        expect(readExact(tool['rows']().at(-1)?.cells[1]?.counted)).toBe(small.findDraft('cardinal').length);
        tool['reset']();
        expect(tool['rows']().map(({ key }) => key)).toEqual(keys);
      }),
      { numRuns: 20 },
    );
  });
});
