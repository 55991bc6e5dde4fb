import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { createDemoProject } from '#demo/demo-project';
import { EwerDatabase } from './ewer-database';
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
