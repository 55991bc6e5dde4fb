import { describe, expect, it } from 'vitest';
import { createDemoProject } from '../../demo/demo-project';
import { applyAll, createTally } from '../testing/projects';
import { applyChange } from './apply-change';
import { CHANGE_NAMES, isUndoable, type Change } from './change';
import { createHistory, makeChange, undo } from './history';
import { restoreProject, storeProject } from './project-file';
import {
  MAX_LEADS,
  MAX_MUST_FINDS,
  createProject,
  getProjectTitle,
  type KeptState,
  type Lead,
  type Tally,
} from './project';

const project = createDemoProject();
const { concepts, blocks, draft, limiters, databases } = project.working;
const state: KeptState = { id: 's1', state: { concepts, blocks, draft, limiters, databases } };
const tally = (id: string): Tally =>
  createTally(id, { limiters: { entered: { from: '2026-01' } }, milliseconds: 8, state: 's1' });
describe('what is kept beside the draft', () => {
  it('tallies come with the state that they belong to, which is kept once', () => {
    const kept = applyAll(
      project,
      { kind: 'keep-tallies', tallies: [tally('a'), tally('b')], state },
      { kind: 'keep-tallies', tallies: [tally('c')], state },
    );
    expect(kept.tallies.map(({ id }) => id)).toEqual(['a', 'b', 'c']);
    expect(kept.states).toEqual([state]);
    expect(applyAll(kept, { kind: 'remove-tally', id: 'b' }).tallies.map(({ id }) => id)).toEqual(['a', 'c']);
  });

  it('must-finds and judgements are added and taken back, and there is an end to them', () => {
    const one = { id: 'm1', title: 'Warm lamps', identifier: '10.5555/made.1' };
    const kept = applyAll(
      project,
      { kind: 'add-must-finds', mustFinds: [one, { id: 'm2', title: 'Owls' }] },
      { kind: 'remove-must-finds', ids: ['m2'] },
      { kind: 'judge-record', record: 'gantry 7', judgement: { verdict: 'on', title: 'Warm lamps' } },
      { kind: 'judge-record', record: 'gantry 8', judgement: { verdict: 'unsure', title: 'Owls' } },
      { kind: 'judge-record', record: 'gantry 8', judgement: undefined },
    );
    expect(kept.mustFinds).toEqual([one]);
    expect(kept.judgements).toEqual({ 'gantry 7': { verdict: 'on', title: 'Warm lamps' } });
    const many = Array.from({ length: MAX_MUST_FINDS + 1 }, (_, at) => ({ id: `m${at}`, title: 't' }));
    expect(applyChange(project, { kind: 'add-must-finds', mustFinds: many }).ok).toBe(false);
  });

  it('leads and requests are kept, changed and taken back, and there is an end to leads', () => {
    const created = '2026-01-02T03:04:05.000Z';
    const lead: Lead = { id: 'l1', kind: 'author', name: 'Ode, B', note: '', isDone: false, created };
    const kept = applyAll(
      project,
      { kind: 'keep-lead', lead },
      { kind: 'keep-lead', lead: { ...lead, id: 'l2', kind: 'source', name: 'Lamplight', record: 'Owls' } },
      { kind: 'keep-lead', lead: { ...lead, isDone: true, note: 'found two' } },
      { kind: 'remove-lead', id: 'l2' },
      { kind: 'note-request', record: 'gantry 7', request: { title: 'Owls', asked: created, work: 12 } },
      { kind: 'note-request', record: 'gantry 8', request: { title: 'Bats', asked: created } },
      { kind: 'note-request', record: 'gantry 8', request: undefined },
    );
    expect(kept.leads).toEqual([{ ...lead, isDone: true, note: 'found two' }]);
    expect(kept.requests).toEqual({ 'gantry 7': { title: 'Owls', asked: created, work: 12 } });
    expect(restoreProject(structuredClone(storeProject(kept)))).toEqual({ ok: true, value: kept });
    const many = Array.from({ length: MAX_LEADS }, (_, at) => ({ ...lead, id: `l${at}` }));
    expect(
      applyChange({ ...project, leads: many }, { kind: 'keep-lead', lead: { ...lead, id: 'x' } }).ok,
    ).toBe(false);
  });

  it('is never taken back by undo', () => {
    let history = createHistory(project);
    const make = (change: Change): void => {
      const made = makeChange(history, change, 0);
      if (made.ok) history = made.value;
    };
    make({ kind: 'set-draft', text: '@bats' });
    make({ kind: 'keep-tallies', tallies: [tally('a')], state });
    make({ kind: 'judge-record', record: 'gantry 7', judgement: { verdict: 'off', title: '' } });
    history = undo(history);
    expect(history.project.working.draft).toBe(project.working.draft);
    expect(history.project.tallies.map(({ id }) => id)).toContain('a');
    expect(history.project.judgements['gantry 7']).toBeDefined();
    for (const kind of [
      'keep-tallies',
      'remove-tally',
      'add-must-finds',
      'remove-must-finds',
      'judge-record',
      'keep-lead',
      'remove-lead',
      'note-request',
      'answer-same-work',
    ] as const) {
      expect(isUndoable({ kind } as Change)).toBe(false);
      expect(CHANGE_NAMES[kind]).not.toBe('');
    }
  });

  it('comes back as it went, ways of phrases and new limiters, too', () => {
    const kept = applyAll(
      project,
      { kind: 'keep-tallies', tallies: [tally('a')], state },
      { kind: 'add-must-finds', mustFinds: [{ id: 'm1', title: 'Owls' }] },
      { kind: 'judge-record', record: 'gantry 7', judgement: { verdict: 'on', title: 'Owls' } },
      { kind: 'answer-same-work', pair: 'one\nother', isSame: true },
      { kind: 'answer-same-work', pair: 'one\nthird', isSame: false },
      { kind: 'answer-same-work', pair: 'one\nthird', isSame: undefined },
      { kind: 'choose-phrase-way', database: 'gantry', way: 'and' },
      { kind: 'set-limiters', limiters: { entered: { to: '2026-06' }, sources: ['A'], subjects: ['B'] } },
    );
    expect(kept.sameWork).toEqual({ 'one\nother': true });
    expect(applyChange(project, { kind: 'answer-same-work', pair: 'x'.repeat(9_000), isSame: true }).ok).toBe(
      false,
    );
    expect(restoreProject(structuredClone(storeProject(kept)))).toEqual({ ok: true, value: kept });
    expect(
      applyAll(kept, { kind: 'choose-phrase-way', database: 'gantry', way: undefined }).working.phraseWays,
    ).toEqual({});
  });

  it('of an older version is empty at first, and nothing else is lost', () => {
    const { states: _, mustFinds: __, judgements: ___, ...old } = project;
    const read = restoreProject({ ...storeProject(project), version: 5, project: old });
    expect(read).toEqual({ ok: true, value: project });
  });

  it.each([
    [{ mustFinds: [{ id: 'a' }] }],
    [{ judgements: { x: { verdict: 'maybe', title: '' } } }],
    [{ tallies: [{ ...tally('a'), total: -1 }] }],
    [{ working: { ...project.working, limiters: { entered: { from: '2026-13' } } } }],
    [{ working: { ...project.working, phraseWays: { gantry: 'somehow' } } }],
  ])('that is broken is refused whole: %j', (broken) => {
    expect(restoreProject({ ...storeProject(project), project: { ...project, ...broken } })).toMatchObject({
      ok: false,
      problem: { code: 'broken-project' },
    });
  });
});

it('a project is called by its name, by its question until it has one', () => {
  const bare = createProject('p', '', '2026-11-24T00:00:00.000Z', ['heronsmere']);
  expect(getProjectTitle(bare)).toBe('Untitled project');
  const asked = applyChange(bare, { kind: 'set-question', question: ' Do lamps disturb sleep? ' });
  expect(asked.ok && getProjectTitle(asked.value)).toBe('Do lamps disturb sleep?');
  const named = asked.ok && applyChange(asked.value, { kind: 'rename-project', name: 'Sleep' });
  expect(named && named.ok && getProjectTitle(named.value)).toBe('Sleep');
});
