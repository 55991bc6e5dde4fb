import '@angular/compiler';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tryChange } from '#core/compare/index';
import { createAmount, measureDistance, wantSomething } from '#core/count/index';
import { omitsPart, readExact } from '../../../testing/counts';
import { SmallWorld, arbitraryWorld, canSay } from '../../../comparing/testing/small-world';
import { SwapComponent } from './swap.component';

const DATABASES = ['heronsmere', 'cardinal'] as const;

describe('swapping', () => {
  it('counts each alternative of each place as the draft that it would make', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, fc.nat(), async (world, turn) => {
        const { project, records } = world;
        const small = new SmallWorld(project, records);
        const tool = small.make(SwapComponent);
        const places = tool['places']().filter(
          ({ key, alternatives }) =>
            alternatives.length > 0 && (!key.startsWith('limiter') || key === 'limiter years'),
        );
        tool['choose'](places[turn % places.length]?.key ?? '');
        await small.count(() => tool['asked']());
        const rows = tool['rows']();
        expect(rows.length).toBeGreaterThan(0);
        for (const { alternative, cells } of rows) {
          const changed = tryChange(project, alternative.change);
          DATABASES.forEach((id, at) => {
            const cell = cells[at];
            // Where the draft cannot be said, its alternatives are set beside what is left of it.
            if (omitsPart(cell?.counted) || cell?.warning !== '' || !canSay(world, id)) return;
            expect(`${alternative.words}: ${readExact(cell.counted)}`).toBe(
              `${alternative.words}: ${changed ? small.findDraft(id, changed).length : 'not to be made'}`,
            );
          });
        }
      }),
      { numRuns: 40 },
    );
  });

  it('takes the alternative that is nearest to the bands, and back', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, fc.integer({ min: 0, max: 6 }), async (world, to) => {
        fc.pre(canSay(world, 'heronsmere'));
        const { project, records } = world;
        const banded = {
          ...project,
          working: { ...project.working, bands: { heronsmere: { from: 1, to: to + 1 }, cardinal: { to } } },
        };
        const small = new SmallWorld(banded, records);
        const tool = small.make(SwapComponent);
        tool['choose'](tool['places']().find(({ words }) => words.includes('night light'))?.key ?? '');
        await small.count(() => tool['asked']());
        const best = tool['best']();
        fc.pre(best !== undefined);
        const measure = (project_ = small.open.project()): number =>
          DATABASES.reduce(
            (sum, id) =>
              sum +
              measureDistance(
                createAmount(small.findDraft(id, project_).length),
                wantSomething(banded.working.bands[id]),
              ),
            0,
          );
        const tried = tool['rows']().filter(({ cells }) => cells.every(({ counted }) => !omitsPart(counted)));
        const distances = tried.flatMap(({ alternative }) => {
          const changed = tryChange(banded, alternative.change);
          return changed ? [measure(changed)] : [];
        });
        const now = measure();
        tool['takeBest'](new Event('keydown'));
        // What stands there is one of the choices: an alternative is put forward only if it is nearer.
        expect(measure()).toBe(Math.min(now, ...distances));
        if (measure() < now) small.open.undo();
        expect(tool['lined']()[0]?.isBest).toBe(Math.min(...distances) >= now);
        expect(small.open.project().working).toEqual(banded.working);
      }),
      { numRuns: 30 },
    );
  });

  it('tries what is typed before the others, and two places at once', async () => {
    const [world] = fc.sample(arbitraryWorld, { numRuns: 1, seed: 3 });
    const small = new SmallWorld(world!.project, world!.records);
    const tool = small.make(SwapComponent);
    const wordings = tool['places']().filter(({ takesTyped }) => takesTyped);
    tool['choose'](wordings[0]!.key);
    tool['type']('noctule OR bat\n\nroad');
    const words = tool['rows']().map(({ alternative }) => alternative.words);
    expect(words.slice(0, 2)).toEqual(['noctule OR bat', 'road']);
    tool['chooseSecond'](wordings[0]!.key);
    expect(tool['grid']()).toBeUndefined();
    const second = tool['places']().find(({ key }) => key !== wordings[0]!.key)!;
    tool['chooseSecond'](second.key);
    await small.count(() => tool['asked']());
    const grid = tool['grid']()!;
    expect(grid.columns).toEqual(second.alternatives);
    const cells = grid.rows.flatMap((row) => row.cells);
    for (const { change, counted } of cells) {
      const changed = tryChange(world!.project, change);
      if (changed && counted && !omitsPart(counted))
        expect(readExact(counted)).toBe(small.findDraft('heronsmere', changed).length);
    }
    // Heronsmere has no keywords: what is searched there is left out, and the count is said to be another.
    const inKeywords = cells.filter(({ words }) => words.endsWith('in keywords'));
    expect(inKeywords.map(({ counted }) => omitsPart(counted))).toEqual(inKeywords.map(() => true));
    expect(inKeywords.length).toBeGreaterThan(0);
  });
});
