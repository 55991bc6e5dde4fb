import '@angular/compiler';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { build } from '#core/query/index';
import { createConceptQuery } from '#core/project/index';
import { readExact } from '../../counting/compare-counts';
import { SmallWorld, arbitraryWorld, type World } from '../testing/small-world';
import { CombinationsComponent } from './combinations.component';

/** The combinations of a world's concepts, counted. */
async function start({ project, records }: World) {
  const small = new SmallWorld(project, records);
  const tool = small.make(CombinationsComponent);
  await small.until(() => tool['rows']().length === 7);
  await small.count(() => tool['asked']());
  return { small, tool, roots: small.open.concepts().map(createConceptQuery) };
}

describe('the combinations', () => {
  it('have the records of each, those of just these, and which never stand together', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        const { fields } = world;
        const { small, tool, roots } = await start(world);
        const sets = roots.map((root) => new Set(small.find('heronsmere', root)));
        const all = new Set(sets.flatMap((set) => [...set]));
        for (const { marks, cells, exact } of tool['rows']()) {
          const members = roots.filter((_, at) => marks[at]);
          const both = members.length === 1 ? members[0]! : build.and(...members);
          for (const { dialect, counted, isOther } of cells)
            if (!isOther) expect(readExact(counted)).toBe(small.find(dialect.id, both).length);
          const just = [...all].filter((number) => sets.every((set, at) => set.has(number) === marks[at]));
          if (exact !== undefined) expect(exact).toBe(just.length);
          else expect(fields).toContain('keywords');
        }
        const names = small.open.concepts().map(({ name }) => name);
        const apart = names.flatMap((a, at) =>
          names.slice(at + 1).flatMap((b, by) => {
            const other = sets[at + 1 + by];
            return [...(sets[at] ?? [])].some((number) => other?.has(number)) ? [] : [`${a} and ${b}`];
          }),
        );
        // Of a concept that cannot be said nothing is known, but that it never stands with one that finds nothing.
        const isUnsaid = fields?.includes('keywords') ?? false;
        const finds = (pair: string): boolean =>
          pair
            .split(' and ')
            .every((name) => (sets[names.indexOf(name)]?.size ?? 0) > 0 || name === 'animals');
        const said = isUnsaid ? apart.filter((pair) => !pair.includes('animals') || !finds(pair)) : apart;
        expect([...tool['absent']()].sort()).toEqual([...said].sort());
      }),
      { numRuns: 30 },
    );
  });

  it('say which concept to widen first: the one without which most are found', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        const { fields } = world;
        const { small, tool, roots } = await start(world);
        const count = (members: typeof roots): number =>
          small.find('heronsmere', build.and(...members)).length;
        const near = tool['nearest']();
        if (near === undefined) {
          expect(fields).toContain('keywords');
          return;
        }
        expect(near.all).toBe(count(roots));
        const without = roots.map((_, at) => count(roots.filter((__, other) => other !== at)));
        if (near.widen !== undefined) expect(near.without).toBe(Math.max(...without));
        else expect(Math.max(...without)).toBe(count(roots));
      }),
      { numRuns: 30 },
    );
  });

  it('are of the concepts chosen, in databases that can say them', async () => {
    const { project, records } = fc.sample(arbitraryWorld, { numRuns: 1, seed: 7 })[0]!;
    const small = new SmallWorld(project, records);
    const tool = small.make(CombinationsComponent);
    tool['toggle']('place');
    await small.until(() => tool['rows']().length === 3);
    expect(tool['used']().map(({ name }) => name)).toEqual(['animals', 'light']);
    tool['toggle']('place');
    await small.until(() => tool['rows']().length === 7);
  });
});
