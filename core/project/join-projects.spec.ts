import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createDemoProject } from '../../demo/demo-project';
import { applyAll, createTally } from '../testing/projects';
import type { Change } from './change';
import { joinProjects } from './join-projects';
import { restoreProject, storeProject } from './project-file';
import type { KeptState, Project, Tally } from './project';

const { concepts, blocks, draft, limiters, databases } = createDemoProject().working;
const keptState = (id: string): KeptState => ({
  id,
  state: { concepts, blocks, draft, limiters, databases },
});
const base = applyAll(createDemoProject(), {
  kind: 'keep-tallies',
  tallies: [createTally('a'), createTally('b')],
  state: keptState('s'),
});
/** As another window has it: read from the disk. */
const reread = (project: Project): Project => {
  const restored = restoreProject(JSON.parse(JSON.stringify(storeProject(project))));
  if (!restored.ok) throw new Error(restored.problem.code);
  return restored.value;
};
const ids = (all: readonly { readonly id: string }[]): string[] => all.map(({ id }) => id);
const count = (...counted: readonly string[]): Change => ({
  kind: 'keep-tallies',
  tallies: counted.map((id) => createTally(id)),
});
const ask: Change = { kind: 'set-question', question: 'Do bats mind lamps?' };

describe('two windows on one project', () => {
  it('that only counted have the counts of both', () => {
    const joined = joinProjects(base, applyAll(base, count('mine')), reread(applyAll(base, count('theirs'))));
    expect(joined && ids(joined.project.tallies)).toEqual(['a', 'b', 'theirs', 'mine']);
    expect(joined && ids(joined.project.states)).toEqual(['s']);
  });

  it('of which one changed something have its project, with the counts of both', () => {
    const counted = applyAll(base, count('counted'), { kind: 'remove-tally', id: 'a' });
    const changed = applyAll(base, ask, count('changed'));
    const here = joinProjects(base, changed, reread(counted));
    expect(here?.side).toBe('mine');
    expect(here?.project.working).toBe(changed.working);
    expect(here && ids(here.project.tallies)).toEqual(['b', 'counted', 'changed']);
    const there = joinProjects(base, counted, reread(changed));
    expect(there?.side).toBe('theirs');
    expect(there?.project.working).toEqual(changed.working);
    expect(there && ids(there.project.tallies)).toEqual(['b', 'changed', 'counted']);
  });

  it.each<[string, Change]>([
    ['a name', { kind: 'rename-project', name: 'Q' }],
    ['a draft', { kind: 'set-draft', text: 'bats' }],
    ['a judgement', { kind: 'judge-record', record: 'gantry 1', judgement: { verdict: 'on', title: 'T' } }],
    ['a must-find', { kind: 'add-must-finds', mustFinds: [{ id: 'm', title: 'Bats' }] }],
    ['a mark', { kind: 'mark-review', key: 'k', mark: { isDone: true, comment: '' } }],
    ['a comparison', { kind: 'compare-with', id: base.variants[0]?.id }],
  ])('that both changed more are not put together: %s', (_, change) => {
    expect(joinProjects(base, applyAll(base, ask), reread(applyAll(base, change)))).toBeUndefined();
    expect(joinProjects(base, applyAll(base, change), reread(applyAll(base, ask)))).toBeUndefined();
    expect(joinProjects(base, applyAll(base, change), reread(base))?.side).toBe('mine');
  });

  it('lose no count that either kept, and bring back none that either took away', () => {
    const some = fc.uniqueArray(fc.integer({ min: 0, max: 12 }), { maxLength: 8 });
    fc.assert(
      fc.property(some, some, some, (start, mine, theirs) => {
        const own = (side: string, numbers: readonly number[]): Tally[] =>
          // What was not there at first is another window's own.
          numbers.map((number) => createTally(start.includes(number) ? `${number}` : `${side}${number}`));
        const at = (tallies: readonly Tally[]): Project => ({ ...base, tallies });
        const [from, here, there] = [own('', start), own('m', mine), own('t', theirs)];
        const joined = joinProjects(at(from), at(here), at(there));
        const wanted = [
          ...start.filter((number) => mine.includes(number) && theirs.includes(number)).map(String),
          ...ids([...here, ...there]).filter((id) => !/^\d/.test(id)),
        ];
        expect(new Set(joined && ids(joined.project.tallies))).toEqual(new Set(wanted));
        expect(joined?.project.tallies).toHaveLength(wanted.length);
      }),
    );
  });
});
