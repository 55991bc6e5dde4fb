import '@angular/compiler';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tryChange } from '#core/compare/index';
import { createAmount, measureDistance } from '#core/count/index';
import { readExact } from '../../../testing/counts';
import { SmallWorld, arbitraryWorld, canSay, type World } from '../../../comparing/testing/small-world';
import { WhatToTryComponent } from './what-to-try.component';

const DATABASES = ['heronsmere', 'cardinal'] as const;

/** The tool on a project for a quick answer, with one band for both databases. */
async function start({ project, records }: World, from: number) {
  const band = { from, to: from + 2 };
  const working = {
    ...project.working,
    purpose: 'quick' as const,
    bands: { heronsmere: band, cardinal: band },
  };
  const small = new SmallWorld({ ...project, working }, records);
  const tool = small.make(WhatToTryComponent);
  await small.until(() => tool['all']() > 0 && tool['proposals']().isDone);
  await small.count(() => tool['asked']());
  // With a band that begins at 1 or above, nothing found is always too little.
  const measure = (totals: readonly number[]): number =>
    totals.reduce((sum, total) => sum + measureDistance(createAmount(total), band), 0);
  return { small, tool, measure };
}

describe('what to try', () => {
  it('has tried each change for real, and puts forward only what brings the counts nearer to their bands', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, fc.integer({ min: 1, max: 12 }), async (world, from) => {
        fc.pre(canSay(world, 'heronsmere'));
        const { small, tool, measure } = await start(world, from);
        const project = small.open.project();
        expect(tool['tried']()).toBeGreaterThan(0);
        const now = measure(DATABASES.map((id) => small.findDraft(id).length));
        for (const { proposal, cells } of tool['ranked']()) {
          const changed = tryChange(project, proposal.change)!;
          const totals = DATABASES.map((id) => small.findDraft(id, changed).length);
          expect(cells.map(({ counted }) => readExact(counted) ?? 0)).toEqual(totals);
          expect(measure(totals)).toBeLessThan(now);
        }
      }),
      { numRuns: 20 },
    );
  });

  it('makes the change that is taken, and freezes what comes of it', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, fc.boolean(), async (world, freezes) => {
        fc.pre(canSay(world, 'heronsmere'));
        const { small, tool } = await start(world, 4);
        const [first] = tool['ranked']();
        fc.pre(first !== undefined);
        const totals = first.cells.map(({ counted }) => readExact(counted) ?? 0);
        const before = small.open.working();
        if (freezes) tool['takeAndFreeze'](first.proposal);
        else tool['take'](first.proposal);
        expect(DATABASES.map((id) => small.findDraft(id).length)).toEqual(totals);
        expect(small.open.project().variants.map(({ name }) => name)).toEqual(
          freezes ? [first.proposal.words] : [],
        );
        if (freezes) return;
        small.open.undo();
        expect(small.open.working()).toEqual(before);
      }),
      { numRuns: 20 },
    );
  });
});
