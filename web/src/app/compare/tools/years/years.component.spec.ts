import '@angular/compiler';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readExact } from '../../../testing/counts';
import { SmallWorld, arbitraryWorld, canSay } from '../../../comparing/testing/small-world';
import { YearsComponent } from './years.component';

describe('the years', () => {
  it('have the records of each span, which together are the whole', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        fc.pre(canSay(world, 'heronsmere'));
        const { project, records } = world;
        const alone = { ...project, working: { ...project.working, databases: ['heronsmere'] } };
        const small = new SmallWorld(alone, records);
        const tool = small.make(YearsComponent);
        await small.count(() => tool['asked']());
        const found = small.findDraft('heronsmere');
        const counts = tool['rows']().map(({ span, cells }) => {
          const years = {
            ...(span.from !== undefined && { from: span.from }),
            ...(span.to !== undefined && { to: span.to }),
          };
          const count: number | undefined = readExact(cells[0]?.counted);
          expect(count).toBe(small.within('heronsmere', found, { years }).length);
          return count ?? 0;
        });
        expect(counts.reduce((sum, count) => sum + count, 0)).toBe(found.length);
        expect(tool['chart']().series[0]?.values).toEqual(counts);
      }),
      { numRuns: 20 },
    );
  });
});
