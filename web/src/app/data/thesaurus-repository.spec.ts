import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { beforeEach, describe, expect, it } from 'vitest';
import { createDemoProject } from '#demo/demo-project';
import { storeProject } from '#core/project/index';
import { EwerDatabase } from './ewer-database';
import { ProjectRepository } from './project-repository';
import { ThesaurusRepository, type OwnThesaurus } from './thesaurus-repository';

const OWN: OwnThesaurus = {
  id: 'own',
  name: 'beasts',
  loaded: '2026-10-01T08:00:00.000Z',
  headings: [
    {
      label: 'Bats',
      entryTerms: ['Chiroptera'],
      broader: [],
      related: [],
      scopeNote: 'All of them.',
      since: 1990,
      translations: [{ language: 'fr', label: 'Chauves-souris' }],
    },
  ],
};
let name = '';
let number = 0;
beforeEach(() => (name = `ewer-thesauri-${number++}`));

describe('thesauri in the browser', () => {
  it('are kept, listed, loaded and removed', async () => {
    const repository = new ThesaurusRepository(new EwerDatabase(name));
    expect(await repository.save(OWN)).toEqual({ ok: true, value: 'own' });
    expect(await repository.list()).toEqual({ ok: true, value: [{ id: 'own', name: 'beasts' }] });
    expect(await repository.load('own')).toEqual({ ok: true, value: OWN });
    await repository.remove('own');
    const gone = await repository.load('own');
    expect(gone.ok ? '' : gone.problem.code).toBe('not-found');
  });

  it('that were damaged are refused and left where they are', async () => {
    const database = new EwerDatabase(name);
    const repository = new ThesaurusRepository(database);
    await repository.save({ ...OWN, headings: [{ label: 7 }] } as unknown as OwnThesaurus);
    expect((await repository.load('own')).ok).toBe(false);
    expect(await repository.list()).toEqual({ ok: true, value: [{ id: 'own', name: 'beasts' }] });
  });
});

describe('a browser that kept projects before there were thesauri', () => {
  it('keeps them, brings them up to date, and takes thesauri', async () => {
    const old = await openDB(name, 1, {
      upgrade: (database) => {
        database.createObjectStore('projects', { keyPath: 'id' });
        database.createObjectStore('settings');
      },
    });
    const project = createDemoProject();
    const { purpose: _, rules: __, contextWords: ___, ...working } = project.working;
    const stored = { ...storeProject(project), version: 1, project: { ...project, working } };
    await old.put('projects', { id: 'demo', revision: 4, saved: OWN.loaded, stored });
    await old.put('settings', 'demo', 'last-project');
    old.close();
    const database = new EwerDatabase(name);
    const projects = new ProjectRepository(database);
    expect(await projects.load('demo')).toMatchObject({ ok: true, value: { project, revision: 4 } });
    expect(await projects.readSetting('last-project')).toBe('demo');
    expect((await new ThesaurusRepository(database).save(OWN)).ok).toBe(true);
  });
});
