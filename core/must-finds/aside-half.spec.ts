import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createDemoProject } from '../../demo/demo-project';
import { restoreProject, storeProject, type MustFind } from '../project';
import { applyAll } from '../testing/projects';
import { chooseHalf, listOpenMustFinds } from './aside-half';

const TITLES = Array.from({ length: 40 }, (_, at) => `Lamps and bats at site ${at}`);
const create = (title: string): MustFind => ({ id: `id of ${title}`, title });

describe('the half of the must-finds that is put aside', () => {
  it('is half of them, and the same half in whatever order they were added', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...TITLES)),
        fc.array(fc.nat(), { minLength: 40, maxLength: 40 }),
        (titles, turns) => {
          const half = chooseHalf(titles.map(create));
          expect(half).toHaveLength(Math.floor(titles.length / 2));
          const shuffled = titles
            .map((title, at) => ({ title, turn: turns[at]! }))
            .sort((a, b) => a.turn - b.turn)
            .map(({ title }) => create(title));
          expect([...chooseHalf(shuffled)].sort()).toEqual([...half].sort());
        },
      ),
    );
  });

  it('has none that this query found', () => {
    const mustFinds = TITLES.map((title, at) => ({
      ...create(title),
      ...(at % 2 === 0 && { isFromQuery: true }),
    }));
    const half = chooseHalf(mustFinds);
    expect(half).toHaveLength(10);
    expect(mustFinds.filter(({ id, isFromQuery }) => isFromQuery && half.includes(id))).toEqual([]);
  });

  it('is put aside and brought back, each look is kept, and all of it is in the file', () => {
    const mustFinds = TITLES.slice(0, 6).map(create);
    const ids = chooseHalf(mustFinds);
    const look = { variant: 'v1', moment: '2026-01-02T03:04:05.000Z', found: 2, there: 3 };
    const project = applyAll(
      createDemoProject(),
      { kind: 'add-must-finds', mustFinds },
      { kind: 'put-must-finds-aside', ids },
      { kind: 'note-aside-look', look },
      { kind: 'note-aside-look', look },
    );
    const open = listOpenMustFinds(project.mustFinds);
    expect(open.map(({ id }) => id)).toEqual(mustFinds.map(({ id }) => id).filter((id) => !ids.includes(id)));
    expect(project.asideLooks).toEqual([look, look]);
    expect(restoreProject(JSON.parse(JSON.stringify(storeProject(project))))).toEqual({
      ok: true,
      value: project,
    });
    expect(applyAll(project, { kind: 'put-must-finds-aside', ids: [] }).mustFinds).toEqual(mustFinds);
  });
});
