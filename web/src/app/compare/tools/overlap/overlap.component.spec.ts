import '@angular/compiler';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findDialect } from '#core/dialect/index';
import { normaliseTitle, type BibliographicRecord } from '#core/record/index';
import { SmallWorld, arbitraryWorld, canSay, type World } from '../../../comparing/testing/small-world';
import { OverlapComponent } from './overlap.component';

/** Records in the groups of one work, found by comparing every two of them. */
function groupWorks<T extends { readonly record: BibliographicRecord }>(found: readonly T[]): T[][] {
  // Titles of one or two words tell no works apart.
  const isAlike = (a: BibliographicRecord, b: BibliographicRecord): boolean => {
    const [words, others] = [normaliseTitle(a.title), normaliseTitle(b.title)];
    const isNext = Math.abs((a.year ?? 0) - (b.year ?? 0)) <= 1;
    return words.length >= 3 && words.join(' ') === others.join(' ') && isNext;
  };
  const groups: T[][] = [];
  for (const one of found) {
    const same = groups.filter((group) =>
      group.some(
        ({ record }) =>
          (record.doi !== undefined && record.doi === one.record.doi) || isAlike(record, one.record),
      ),
    );
    for (const group of same) groups.splice(groups.indexOf(group), 1);
    groups.push([...same.flat(), one]);
  }
  return groups;
}

/** Whether two titles may be one with slips of the pen: as many words, with the same first letters. */
function isSlipOf(a: string, b: string): boolean {
  const initials = (title: string): string =>
    normaliseTitle(title)
      .map((word) => word[0])
      .join('');
  return a !== b && initials(a).length > 3 && initials(a) === initials(b);
}

describe('the overlap', () => {
  it('has as many works as there are by comparing every two records, from record sets or from the records', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, fc.boolean(), async (world, givesIds) => {
        const { project, records } = world;
        const small = new SmallWorld(project, records, givesIds);
        const tool = small.make(OverlapComponent);
        await small.count(() => tool['asked']());
        await small.until(() => tool['overlap']() !== undefined);
        expect(small.subject.listOff([small.subject.whole()]).map(({ name }) => name)).toEqual(
          canSay(world, 'heronsmere') ? [] : [findDialect('heronsmere')!.name],
        );
        fc.pre(canSay(world, 'heronsmere'));
        const found = (['heronsmere', 'cardinal'] as const).flatMap((id) =>
          small.findDraft(id).map((number) => ({ id, record: records[id][number]! })),
        );
        const groups = groupWorks(found);
        const overlap = tool['overlap']()!;
        const has = (group: typeof found, id: string): boolean => group.some((one) => one.id === id);
        // A title of few words with a year is no proof where identifiers differ: then there are more works.
        const differ = groups.filter(
          (group) => new Set(group.flatMap(({ record }) => record.doi ?? [])).size > 1,
        );
        fc.pre(differ.length === 0);
        // Years that are far apart are never joined by one between them; nor is it sure then with which it goes.
        fc.pre(groups.every((group) => new Set(group.map(({ record }) => record.year)).size <= 2));
        fc.pre(!found.some((a) => found.some((b) => isSlipOf(a.record.title, b.record.title))));
        expect(overlap.works).toBe(groups.length);
        expect(overlap.duplicates).toBe(found.length - groups.length);
        expect(overlap.shared[0]?.[1]).toBe(
          groups.filter((group) => has(group, 'heronsmere') && has(group, 'cardinal')).length,
        );
        expect(overlap.alone).toEqual(
          (['heronsmere', 'cardinal'] as const).map(
            (id) => groups.filter((group) => group.every((one) => one.id === id)).length,
          ),
        );
      }),
      { numRuns: 60 },
    );
  });

  it('keeps its works while other counts come in, and is new for another query', async () => {
    const world = fc.sample(arbitraryWorld, { numRuns: 1, seed: 11 })[0]!;
    const { small, tool } = await start(world);
    const before = tool['overlap']();
    const [dialect] = small.subject.dialects();
    await small.count(() => [
      small.subject.look({ root: small.subject.root(), limiters: { years: { from: 2020 } } }, dialect!),
    ]);
    await small.until(() => true);
    expect(tool['overlap']()).toBe(before);
    small.open.change({ kind: 'set-draft', text: '@animals' });
    await small.count(() => tool['asked']());
    await small.until(() => tool['overlap']() !== undefined && tool['overlap']() !== before);
    expect(tool['overlap']()!.works).toBeGreaterThanOrEqual(before!.works);
  });
});

async function start({ project, records }: World) {
  const small = new SmallWorld(project, records);
  const tool = small.make(OverlapComponent);
  await small.count(() => tool['asked']());
  await small.until(() => tool['overlap']() !== undefined);
  return { small, tool };
}
