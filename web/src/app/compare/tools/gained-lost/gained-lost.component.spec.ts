import '@angular/compiler';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createSharedDraft, listSingleChanges } from '#core/compare/draft/index';
import { findDialect } from '#core/dialect/index';
import { readExact } from '../../../testing/counts';
import { FreezeVariant } from '../../../freezing/freeze-variant';
import { startInjection } from '../../../testing/injection';
import { SmallWorld, arbitraryWorld, canSay, type World } from '../../../comparing/testing/small-world';
import { GainedLostComponent } from './gained-lost.component';
import { SampleComponent } from './sample.component';
import { TwoStates } from './two-states';
import { PARTS, PartLists } from '../../parts/part-lists';

const DATABASES = ['heronsmere', 'cardinal'] as const;
const angular = startInjection();

/** A variant, and a draft of which one term is off and one concept has another term. */
async function start({ project, records }: World, givesIds = true) {
  const small = new SmallWorld(project, records, givesIds, [PartLists, TwoStates]);
  angular.inject(FreezeVariant).freeze('before', '');
  small.open.change({ kind: 'switch-term', id: 'animals0', off: true });
  small.open.change({
    kind: 'add-terms',
    concept: 'light',
    terms: [{ id: 'more', text: 'road', off: false }],
  });
  const tool = small.make(GainedLostComponent);
  const sample = small.make(SampleComponent);
  const states = angular.inject(TwoStates);
  await small.count(() => tool['asked']());
  const [variant] = small.open.project().variants;
  const before = createSharedDraft(variant!.frozen);
  const parts = (id: string): Readonly<Record<'gained' | 'lost' | 'common', number[]>> => {
    const [then, now] = [small.find(id, before), small.findDraft(id)];
    return {
      gained: now.filter((number) => !then.includes(number)),
      lost: then.filter((number) => !now.includes(number)),
      common: now.filter((number) => then.includes(number)),
    };
  };
  return { small, tool, sample, states, parts, variant: variant! };
}

describe('gained and lost', () => {
  it('have the records by which two states differ, by strings and record by record', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        fc.pre(canSay(world, 'heronsmere'));
        const { small, tool, states, parts } = await start(world);
        await small.until(() => states.lists() !== undefined && tool['sizeOf']('cardinal', 'gained') !== '');
        for (const { dialect, cells } of tool['differences']()) {
          const { gained, lost, common } = parts(dialect.id);
          const sizes = [gained.length, lost.length, common.length];
          expect(cells.map(readExact)).toEqual(sizes);
          expect(PARTS.map(({ id }) => tool['sizeOf'](dialect.id, id))).toEqual(sizes.map(String));
        }
        const lists = states.lists()!;
        for (const part of ['gained', 'lost', 'common'] as const)
          expect([...lists[part]].sort((a, b) => a - b)).toEqual(parts('heronsmere')[part]);
      }),
      { numRuns: 25 },
    );
  });

  it('say which single change lets a record in or keeps it out', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        fc.pre(canSay(world, 'heronsmere'));
        const { small, states, parts, variant } = await start(world);
        await small.until(() => states.lists() !== undefined);
        const lists = states.lists()!;
        const singles = listSingleChanges(variant.frozen, small.open.working());
        expect(singles).toHaveLength(2);
        for (const part of ['gained', 'lost'] as const)
          for (const number of parts('heronsmere')[part]) {
            const by = singles.filter(
              ({ state }) =>
                small.find('heronsmere', createSharedDraft(state)).includes(number) === (part === 'gained'),
            );
            const said = lists.why(number, part);
            for (const { words } of by) expect(said).toContain(words);
            if (by.length === 0) expect(said).toBe('only by several changes together');
          }
      }),
      { numRuns: 25 },
    );
  });

  it('give each part its precision as its records are judged, and the states theirs when all parts are', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        fc.pre(canSay(world, 'heronsmere'));
        const { small, sample, states, parts } = await start(world);
        await small.until(() => states.lists() !== undefined);
        for (const part of ['gained', 'lost', 'common'] as const) {
          // What is drawn is noted when it is shown.
          sample['precisions']();
          sample['part'].set(part);
          const size = parts('heronsmere')[part].length;
          await small.until(() => sample['records']().length === Math.min(size, 12));
          for (const { key, record } of sample['records']())
            small.open.change({
              kind: 'judge-record',
              record: key,
              judgement: { verdict: record.title.includes('bat') ? 'on' : 'off', title: record.title },
            });
        }
        await small.until(() => true);
        const precisions = sample['precisions']()!;
        const isGood = (number: number): boolean => world.records.heronsmere[number]!.title.includes('bat');
        precisions.parts.forEach(({ good, bad, size }, at) => {
          const all = parts('heronsmere')[(['gained', 'lost', 'common'] as const)[at]!];
          expect({ good, bad, size }).toEqual({
            good: all.filter(isGood).length,
            bad: all.filter((number) => !isGood(number)).length,
            size: all.length,
          });
        });
        const now = small.findDraft('heronsmere');
        // All were judged: the estimate is the share itself.
        if (now.length > 0)
          expect(precisions.to).toContain(String(Math.round((100 * now.filter(isGood).length) / now.length)));
      }),
      { numRuns: 15 },
    );
  });

  it('say where a part cannot be said', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        const { small, states } = await start(world);
        const unsaid = DATABASES.filter((id) => !canSay(world, id)).map((id) => findDialect(id)!.name);
        await small.until(
          () =>
            small.subject
              .listOff(states.asTheyAre())
              .map(({ name }) => name)
              .join() === unsaid.join(),
        );
      }),
      { numRuns: 15 },
    );
  });

  it('have counts though a database gives no records, and say that it has no lists', async () => {
    const [world] = fc.sample(arbitraryWorld, { numRuns: 1, seed: 5 });
    const { small, tool, states, parts } = await start(world!, false);
    await small.until(() => states.listFailure() !== '');
    expect(states.listFailure()).toContain('Heronsmere');
    for (const { dialect, cells } of tool['differences']())
      expect(cells.map(readExact)).toEqual(
        (['gained', 'lost', 'common'] as const).map((part) => parts(dialect.id)[part].length),
      );
    expect(DATABASES).toHaveLength(tool['differences']().length);
  });
});
