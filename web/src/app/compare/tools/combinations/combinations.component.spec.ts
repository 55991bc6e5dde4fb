import '@angular/compiler';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { build } from '#core/query/index';
import { omitsPart, readExact } from '../../../testing/counts';
import { SmallWorld, arbitraryWorld, type World } from '../../../comparing/testing/small-world';
import { CombinationsComponent } from './combinations.component';

/** The combinations of a world's concepts, counted. */
async function start({ project, records }: World) {
  const small = new SmallWorld(project, records);
  const tool = small.make(CombinationsComponent);
  const used = tool['used']();
  await small.until(() => tool['rows']().length === 2 ** used.length - 1);
  await small.count(() => tool['asked']());
  const excluded = tool['excluded']().map(({ root }) => root);
  /** What is left of some records when the excluded ones are taken away. */
  const keep = (id: string, numbers: readonly number[]): number[] => {
    const away = new Set(excluded.flatMap((root) => small.find(id, root)));
    return numbers.filter((number) => !away.has(number));
  };
  return { small, tool, roots: used.map(({ root }) => root), names: used.map(({ name }) => name), keep };
}

describe('the combinations', () => {
  it('have the records of each, those of just these, and which never stand together', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        const { fields } = world;
        const { small, tool, roots, names, keep } = await start(world);
        const sets = roots.map((root) => new Set(keep('heronsmere', small.find('heronsmere', root))));
        const all = new Set(sets.flatMap((set) => [...set]));
        for (const { marks, cells, exact } of tool['rows']()) {
          const members = roots.filter((_, at) => marks[at]);
          const both = members.length === 1 ? members[0]! : build.and(...members);
          for (const { dialect, counted } of cells)
            if (!omitsPart(counted))
              expect(readExact(counted)).toBe(keep(dialect.id, small.find(dialect.id, both)).length);
          const just = [...all].filter((number) => sets.every((set, at) => set.has(number) === marks[at]));
          if (exact !== undefined) expect(exact).toBe(just.length);
          else expect(fields).toContain('keywords');
        }
        const apart = names.flatMap((a, at) =>
          names.slice(at + 1).flatMap((b, by) => {
            const other = sets[at + 1 + by];
            return [...(sets[at] ?? [])].some((number) => other?.has(number)) ? [] : [`${a} and ${b}`];
          }),
        );
        // A concept that has nothing there finds nothing, with whatever others.
        expect([...tool['absent']()].sort()).toEqual([...apart].sort());
      }),
      { numRuns: 30 },
    );
  });

  it('say which concept to widen first: the one without which most are found', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        const { fields } = world;
        const { small, tool, roots, keep } = await start(world);
        const count = (members: typeof roots): number =>
          keep('heronsmere', small.find('heronsmere', build.and(...members))).length;
        const near = tool['nearest']();
        if (near === undefined) {
          expect(fields).toContain('keywords');
          return;
        }
        expect(near.all).toBe(count(roots));
        // All together are the query.
        expect(near.all).toBe(small.findDraft('heronsmere').length);
        expect(tool['isQuery']()).toBe(true);
        const without = roots.map((_, at) => count(roots.filter((__, other) => other !== at)));
        if (near.widen !== undefined) expect(near.without).toBe(Math.max(...without));
        else expect(Math.max(...without)).toBe(count(roots));
      }),
      { numRuns: 30 },
    );
  });

  it('are of the concepts chosen, in databases that can say them', async () => {
    const worlds = fc.sample(arbitraryWorld, { numRuns: 30, seed: 7 });
    const { project, records } = worlds.find(({ draft }) => draft === '@animals AND @light NOT @place')!;
    const small = new SmallWorld(project, records);
    const tool = small.make(CombinationsComponent);
    await small.until(() => tool['rows']().length === 3);
    expect(tool['used']().map(({ name }) => name)).toEqual(['animals', 'light']);
    expect(tool['excludedWords']()).toBe('@place');
    expect(tool['isQuery']()).toBe(true);
    // A concept that the query does not join by AND can be combined, and that is said.
    tool['toggle']('place');
    await small.until(() => tool['rows']().length === 7);
    expect(tool['isQuery']()).toBe(false);
    tool['toggle']('light');
    await small.until(() => tool['rows']().length === 3);
    expect(tool['used']().map(({ name }) => name)).toEqual(['animals', 'place']);
  });
});
