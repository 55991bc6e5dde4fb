import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { createDemoProject } from '#demo/demo-project';
import { EwerDatabase } from './ewer-database';
import { LeftOvers } from './left-overs';
import { ProjectRepository } from './project-repository';

const NOW = '2026-10-01T08:00:00.000Z';
let repository: ProjectRepository;
let number = 0;

beforeEach(() => {
  repository = new ProjectRepository(new EwerDatabase(`ewer-test-${number++}`));
});

describe('projects in the browser', () => {
  it('are saved, listed, loaded and removed', async () => {
    const project = createDemoProject();
    expect(await repository.save(project, 0, NOW)).toEqual({ ok: true, value: 1 });
    const listed = await repository.list();
    expect(listed.ok && listed.value).toEqual([
      { id: 'demo', name: project.name, question: project.working.question, saved: NOW, variants: 2 },
    ]);
    expect(await repository.load('demo')).toEqual({ ok: true, value: { project, revision: 1 } });
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
    expect(await repository.load('demo')).toEqual({ ok: true, value: { project: changed, revision: 2 } });
    expect(left.find('demo')).toBeUndefined();
    expect(await repository.load('demo')).toEqual({ ok: true, value: { project: changed, revision: 2 } });
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
    expect(await repository.load('demo')).toEqual({ ok: true, value: { project: changed, revision: 2 } });
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

  it('is not taken from a text that is none, and stays where the disk is full', async () => {
    const texts = storage();
    texts.setItem('ewer-left-demo', '{"id":"demo"}');
    const broken = new ProjectRepository(new EwerDatabase(`ewer-test-${number - 1}`), new LeftOvers(texts));
    expect(await broken.load('demo')).toEqual({ ok: true, value: { project, revision: 1 } });
    repository.leave(changed, 1, LATER);
    const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementationOnce(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    await repository.load('demo');
    put.mockRestore();
    expect(left.find('demo')?.revision).toBe(1);
    expect(await repository.load('demo')).toEqual({ ok: true, value: { project: changed, revision: 2 } });
  });
});
