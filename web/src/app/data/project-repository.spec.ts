import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createDemoProject } from '#demo/demo-project';
import { createProblem, fail } from '#core/problem/index';
import { MAX_KEPT_STEPS, createHistory, makeChange, redo, undo, type History } from '#core/project/index';
import { createTally } from '#core/testing/projects';
import { EwerDatabase, type ProjectRow } from './ewer-database';
import { LeftOvers } from './left-overs';
import { ProjectRepository } from './project-repository';

const NOW = '2026-10-01T08:00:00.000Z';
let database: EwerDatabase;
let repository: ProjectRepository;
let number = 0;

beforeEach(() => {
  database = new EwerDatabase(`ewer-test-${number++}`);
  repository = new ProjectRepository(database);
});

describe('projects in the browser', () => {
  it('are saved, listed, loaded and removed', async () => {
    const project = createDemoProject();
    expect(await repository.save(project, 0, NOW)).toEqual({ ok: true, value: 1 });
    const listed = await repository.list();
    expect(listed.ok && listed.value).toEqual([
      { id: 'demo', name: project.name, question: project.working.question, saved: NOW, variants: 2 },
    ]);
    expect(await repository.load('demo')).toMatchObject({ ok: true, value: { project, revision: 1 } });
    await repository.remove('demo');
    const gone = await repository.load('demo');
    expect(gone.ok ? '' : gone.problem.code).toBe('not-found');
  });

  it('are not written over by a window that does not know the last save', async () => {
    const project = createDemoProject();
    await repository.save(project, 0, NOW);
    expect((await repository.save({ ...project, name: 'mine' }, 1, NOW)).ok).toBe(true);
    const late = await repository.save({ ...project, name: 'theirs' }, 1, NOW);
    expect(late.ok ? '' : late.problem.code).toBe('saved-elsewhere');
    const loaded = await repository.load('demo');
    expect(loaded.ok && loaded.value.project.name).toBe('mine');
  });

  it('that cannot be read stay in the list and on the disk', async () => {
    await repository.save({ ...createDemoProject(), working: {} as never }, 0, NOW);
    const listed = await repository.list();
    expect(listed.ok && listed.value[0]?.name).toBe('A project that cannot be read');
    const loaded = await repository.load('demo');
    expect(loaded.ok ? '' : loaded.problem.code).toBe('broken-project');
  });

  it('on a full disk give a problem, and the next try succeeds', async () => {
    const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementationOnce(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    const full = await repository.save(createDemoProject(), 0, NOW);
    expect(full.ok ? '' : `${full.problem.code}: ${full.problem.data['detail']}`).toBe(
      'storage-failed: the disk is full',
    );
    put.mockRestore();
    expect((await repository.save(createDemoProject(), 0, NOW)).ok).toBe(true);
  });

  it('keep small settings beside them', async () => {
    await repository.writeSetting('last-project', 'demo');
    expect(await repository.readSetting('last-project')).toBe('demo');
    expect(await repository.readSetting('nothing')).toBeUndefined();
  });
});

describe('what a page had no time to save', () => {
  const LATER = '2026-10-01T08:05:00.000Z';
  const project = createDemoProject();
  const changed = { ...project, name: 'changed in the last moment' };
  const storage = (): Storage => {
    const texts = new Map<string, string>();
    return {
      length: 0,
      key: () => null,
      clear: () => {
        texts.clear();
      },
      getItem: (key) => texts.get(key) ?? null,
      setItem: (key, text) => void texts.set(key, text),
      removeItem: (key) => void texts.delete(key),
    };
  };
  let left: LeftOvers;

  beforeEach(async () => {
    left = new LeftOvers(storage());
    repository = new ProjectRepository(new EwerDatabase(`ewer-test-${number++}`), left);
    await repository.save(project, 0, NOW);
  });

  it('is in the project when it is opened again, and saved', async () => {
    repository.leave(changed, 1, LATER);
    expect(await repository.load('demo')).toMatchObject({
      ok: true,
      value: { project: changed, revision: 2 },
    });
    expect(left.find('demo')).toBeUndefined();
    expect(await repository.load('demo')).toMatchObject({
      ok: true,
      value: { project: changed, revision: 2 },
    });
  });

  it('is forgotten when the save came through after all', async () => {
    repository.leave(changed, 1, LATER);
    await repository.save(changed, 1, LATER);
    repository.stay('demo');
    expect(left.find('demo')).toBeUndefined();
  });

  it('is known when the page ended just after it was saved', async () => {
    repository.leave(changed, 1, LATER);
    await repository.save(changed, 1, LATER);
    expect(await repository.load('demo')).toMatchObject({
      ok: true,
      value: { project: changed, revision: 2 },
    });
    const listed = await repository.list();
    expect(listed.ok && listed.value).toHaveLength(1);
    expect(left.find('demo')).toBeUndefined();
  });

  it('is not forgotten for another window that noted something since', () => {
    const texts = storage();
    const [here, there] = [new LeftOvers(texts), new LeftOvers(texts)];
    const note = (name: string) => ({ id: 'demo', revision: 1, saved: LATER, stored: { name } });
    here.put(note('here'));
    there.put(note('there'));
    here.dropOwn('demo');
    expect(here.find('demo')?.stored).toEqual({ name: 'there' });
    there.dropOwn('demo');
    expect(here.find('demo')).toBeUndefined();
  });

  it('becomes a project beside the other if that was saved since', async () => {
    repository.leave(changed, 1, LATER);
    await repository.save({ ...project, name: 'saved in another window' }, 1, NOW);
    const loaded = await repository.load('demo');
    expect(loaded.ok && loaded.value.project.name).toBe('saved in another window');
    const listed = await repository.list();
    expect(listed.ok && listed.value.map(({ name }) => name).sort()).toEqual([
      'changed in the last moment, left unsaved 2026-10-01 08:05',
      'saved in another window',
    ]);
    expect(left.find('demo')).toBeUndefined();
  });

  it('adds its counts to what was saved since, if it has nothing else', async () => {
    const elsewhere = { ...project, name: 'saved in another window', tallies: [createTally('theirs')] };
    repository.leave({ ...elsewhere, tallies: [createTally('mine')] }, 1, LATER);
    await repository.save(elsewhere, 1, NOW);
    const loaded = await repository.load('demo');
    expect(loaded).toMatchObject({ ok: true, value: { project: { name: elsewhere.name }, revision: 3 } });
    expect(loaded.ok && loaded.value.project.tallies.map(({ id }) => id)).toEqual(['theirs', 'mine']);
    const listed = await repository.list();
    expect(listed.ok && listed.value).toHaveLength(1);
    expect(left.find('demo')).toBeUndefined();
  });

  it('is not taken from a text that is none, and stays where the disk is full', async () => {
    const texts = storage();
    texts.setItem('ewer-left-demo', '{"id":"demo"}');
    const broken = new ProjectRepository(new EwerDatabase(`ewer-test-${number - 1}`), new LeftOvers(texts));
    expect(await broken.load('demo')).toMatchObject({ ok: true, value: { project, revision: 1 } });
    repository.leave(changed, 1, LATER);
    const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementationOnce(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    await repository.load('demo');
    put.mockRestore();
    expect(left.find('demo')?.revision).toBe(1);
    expect(await repository.load('demo')).toMatchObject({
      ok: true,
      value: { project: changed, revision: 2 },
    });
  });
});

describe('the way back and forth', () => {
  const project = createDemoProject();
  const write = (history: History, question: string, moment = history.past.length * 10_000): History => {
    const made = makeChange(history, { kind: 'set-question', question }, moment);
    if (!made.ok) throw new Error(made.problem.code);
    return made.value;
  };
  const questionsOf = (history: History): string[][] => [
    history.past.map(({ before }) => before.question),
    [history.project.working.question],
    history.future.map(({ after }) => after.question),
  ];
  const load = async (from = repository): Promise<History> => {
    const loaded = await from.load('demo');
    if (!loaded.ok) throw new Error(loaded.problem.code);
    return loaded.value.history;
  };

  it('is there after a reload, wherever one stood in it, and goes on from there', async () => {
    let history = createHistory(project);
    let revision = 0;
    const save = async (): Promise<void> => {
      const saved = await repository.save(history.project, revision, NOW, history);
      if (!saved.ok) throw new Error(saved.problem.code);
      revision = saved.value;
      const other = new ProjectRepository(database);
      expect(questionsOf(await load(other))).toEqual(questionsOf(history));
    };
    for (const question of ['one', 'two', 'three', 'four']) {
      history = write(history, question);
      await save();
    }
    history = undo(undo(history));
    await save();
    history = redo(history);
    await save();
    history = write(history, 'another way');
    await save();
    history = await load();
    history = undo(undo(history));
    await save();
    history = write(history, 'from before');
    await save();
    expect(questionsOf(history)[0]).toEqual([project.working.question, 'one', 'two']);
  });

  it('writes only the steps that are new', async () => {
    let history = createHistory(project);
    for (let at = 0; at < 50; at++) history = write(history, `question ${at}`);
    await repository.save(history.project, 0, NOW, history);
    const put = vi.spyOn(IDBObjectStore.prototype, 'put');
    history = write(history, 'one more');
    await repository.save(history.project, 1, NOW, history);
    // One step and the project.
    expect(put).toHaveBeenCalledTimes(2);
    put.mockRestore();
  });

  it('keeps so many steps, the nearest ones, and leaves no others behind', async () => {
    let history = createHistory(project);
    for (let at = 0; at < MAX_KEPT_STEPS + 40; at++) history = write(history, `question ${at}`);
    await repository.save(history.project, 0, NOW, history);
    history = write(history, 'the last');
    await repository.save(history.project, 1, NOW, history);
    const restored = await load(new ProjectRepository(database));
    expect(restored.past).toHaveLength(MAX_KEPT_STEPS);
    expect(questionsOf(restored)[0]).toEqual(questionsOf(history)[0]?.slice(-MAX_KEPT_STEPS));
    const kept = await database.attempt(async (opened) => ({ ok: true, value: await opened.count('steps') }));
    expect(kept).toEqual({ ok: true, value: MAX_KEPT_STEPS });
    await repository.remove('demo');
    const left = await database.attempt(async (opened) => ({ ok: true, value: await opened.count('steps') }));
    expect(left).toEqual({ ok: true, value: 0 });
  });

  it('is whole after a reload, also for who has gone back beyond the steps that were kept', async () => {
    let history = createHistory(project);
    for (let at = 0; at < MAX_KEPT_STEPS + 40; at++) history = write(history, `question ${at}`);
    await repository.save(history.project, 0, NOW, history);
    for (let back = 0; back < 60; back++) history = undo(history);
    await repository.save(history.project, 1, NOW, history);
    expect(questionsOf(await load(new ProjectRepository(database)))).toEqual(questionsOf(history));
  });

  it('stays with a project that is saved without it, and goes if that has become another one', async () => {
    const history = write(createHistory(project), 'one');
    await repository.save(history.project, 0, NOW, history);
    await repository.save({ ...history.project, name: 'renamed' }, 1, NOW);
    expect((await load()).past).toHaveLength(1);
    const other = { ...history.project.working, question: 'quite another' };
    await repository.save({ ...history.project, working: other }, 2, NOW);
    expect((await load()).past).toHaveLength(0);
  });
});

describe('a row that is not as it was saved', () => {
  const spoil = (change: (row: ProjectRow) => unknown): Promise<unknown> =>
    database.attempt(async (opened) => {
      const row = await opened.get('projects', 'demo');
      if (row) await opened.put('projects', change(row) as ProjectRow);
      return { ok: true, value: undefined };
    });

  it.each([
    ['no revision', ({ revision: _, ...row }: ProjectRow) => row],
    ['a broken revision', (row: ProjectRow) => ({ ...row, revision: 'seven' })],
    ['a negative revision', (row: ProjectRow) => ({ ...row, revision: -3 })],
    ['broken places of steps', (row: ProjectRow) => ({ ...row, steps: { first: 'x' } })],
    [
      'places of steps that are not there',
      (row: ProjectRow) => ({ ...row, steps: { first: 0, at: 4, end: 9 } }),
    ],
    [
      'another inner id',
      (row: ProjectRow) => ({
        ...row,
        stored: { ...row.stored, project: { ...row.stored.project, id: 'somebody-else' } },
      }),
    ],
  ])('with %s is opened, saved and opened again', async (_, change) => {
    await repository.save(createDemoProject(), 0, NOW);
    await spoil(change);
    const loaded = await repository.load('demo');
    if (!loaded.ok) throw new Error(loaded.problem.code);
    const { project, revision } = loaded.value;
    expect(project.id).toBe('demo');
    const saved = await repository.save({ ...project, name: 'saved again' }, revision, NOW);
    expect(saved.ok).toBe(true);
    const listed = await repository.list();
    expect(listed.ok && listed.value.map(({ id, name }) => [id, name])).toEqual([['demo', 'saved again']]);
  });
});

describe('a storage that fails', () => {
  afterEach(() => void vi.useRealTimers());

  it('is said to fail when it does not answer, and a save that was made after all is no other window’s', async () => {
    const project = createDemoProject();
    await repository.save(project, 0, NOW);
    const hanging = vi.spyOn(database, 'attempt').mockImplementationOnce(async (work) => {
      // It is saved, but the page is told that it was not.
      await EwerDatabase.prototype.attempt.call(database, work);
      return fail(createProblem('storage-failed', 'error', { detail: 'the browser does not answer' }));
    });
    expect((await repository.save({ ...project, name: 'mine' }, 1, NOW)).ok).toBe(false);
    hanging.mockRestore();
    expect(await repository.save({ ...project, name: 'mine, later' }, 1, NOW)).toEqual({
      ok: true,
      value: 3,
    });
    const other = new ProjectRepository(database);
    const late = await other.save({ ...project, name: 'theirs' }, 1, NOW);
    expect(late.ok ? '' : late.problem.code).toBe('saved-elsewhere');
  });

  it('that hangs is given up on', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const answer = database.attempt(() => new Promise<never>(() => undefined));
    await vi.advanceTimersByTimeAsync(6_001);
    expect(await answer).toMatchObject({
      ok: false,
      problem: { code: 'storage-failed', data: { detail: 'the browser does not answer' } },
    });
  });

  it('whose connection was closed under the page is opened anew', async () => {
    const project = createDemoProject();
    await repository.save(project, 0, NOW);
    await database.attempt((opened) => {
      opened.close();
      return Promise.resolve({ ok: true as const, value: undefined });
    });
    expect(await repository.save(project, 1, NOW)).toEqual({ ok: true, value: 2 });
  });

  it('whose data was deleted under the page takes the project again', async () => {
    const project = createDemoProject();
    await repository.save(project, 0, NOW);
    await new Promise((resolve) => {
      const deleting = indexedDB.deleteDatabase(`ewer-test-${number - 1}`);
      deleting.onsuccess = resolve;
    });
    const history = createHistory(project);
    expect((await repository.save(project, 1, NOW, history)).ok).toBe(true);
    expect((await repository.load('demo')).ok).toBe(true);
  });
});
