import { describe, expect, it } from 'vitest';
import { TEMPLATE_DIALECTS, findDialect } from '../dialect';
import { applyChange } from './apply-change';
import { isUndoable, type Change } from './change';
import { MAX_OWN_DATABASES, createProject, type OwnDatabase, type Project } from './project';
import { restoreProject, storeProject } from './project-file';

const project = createProject('p', 'p', '2026-11-24T00:00:00.000Z', ['heronsmere']);
const own = (id: string, name = id): OwnDatabase => ({
  dialect: { ...TEMPLATE_DIALECTS[0]!, id, name },
  connection: { kind: 'by-hand' },
});
const apply = (from: Project, change: Change): Project => {
  const made = applyChange(from, change);
  if (!made.ok) throw new Error(JSON.stringify(made.problem));
  return made.value;
};
const keep = (from: Project, database: OwnDatabase): Project =>
  apply(from, { kind: 'keep-own-database', database });

describe('databases of one’s own', () => {
  it('are added, replaced in their place, and leave the choice when they go', () => {
    const two = keep(keep(project, own('hill')), own('town'));
    const renamed = keep(two, own('hill', 'Hill House'));
    expect(renamed.working.ownDatabases.map(({ dialect }) => dialect.name)).toEqual(['Hill House', 'town']);
    const chosen = apply(renamed, { kind: 'choose-databases', databases: ['heronsmere', 'hill'] });
    const gone = apply(chosen, { kind: 'remove-own-database', id: 'hill' });
    expect(gone.working.ownDatabases.map(({ dialect }) => dialect.id)).toEqual(['town']);
    expect(gone.working.databases).toEqual(['heronsmere']);
  });

  it('do not take the short name of one that ships, and are not endless', () => {
    const taken = { dialect: findDialect('gantry')!, connection: { kind: 'by-hand' } } as const;
    expect(applyChange(project, { kind: 'keep-own-database', database: taken }).ok).toBe(false);
    let full = project;
    for (let at = 0; at < MAX_OWN_DATABASES; at++) full = keep(full, own(`own-${at}`));
    expect(applyChange(full, { kind: 'keep-own-database', database: own('more') }).ok).toBe(false);
    expect(applyChange(full, { kind: 'keep-own-database', database: own('own-3', 'again') }).ok).toBe(true);
  });

  it('are noted with a reason, which an empty one takes back', () => {
    const noted = apply(project, { kind: 'note-database', database: 'gantry', reason: 'no bats there' });
    expect(noted.working.reasons).toEqual({ gantry: 'no bats there' });
    expect(apply(noted, { kind: 'note-database', database: 'gantry', reason: '' }).working.reasons).toEqual(
      {},
    );
  });

  it('are steps that can be undone', () => {
    for (const kind of ['keep-own-database', 'remove-own-database', 'note-database'] as const)
      expect(isUndoable({ kind } as Change)).toBe(true);
  });
});

describe('the stored form', () => {
  it('keeps them and their reasons', () => {
    const server: OwnDatabase = {
      ...own('town'),
      connection: { kind: 'sru', endpoint: { address: 'https://library.test/sru', version: '1.2' } },
    };
    const full = apply(keep(project, server), { kind: 'note-database', database: 'town', reason: 'books' });
    expect(restoreProject(structuredClone(storeProject(full)))).toEqual({ ok: true, value: full });
  });

  it('of version 3 is brought up and loses nothing', () => {
    const { ownDatabases: _, reasons: __, ...working } = project.working;
    const read = restoreProject({ ...storeProject(project), version: 3, project: { ...project, working } });
    expect(read).toEqual({ ok: true, value: project });
  });

  it('keeps collections by their ids', () => {
    const records: OwnDatabase = { ...own('mine'), connection: { kind: 'collection', collection: 'c1' } };
    const full = keep(project, records);
    expect(restoreProject(structuredClone(storeProject(full)))).toEqual({ ok: true, value: full });
    expect(restoreProject({ ...storeProject(project), version: 4 })).toEqual({ ok: true, value: project });
  });

  it('with a broken dialect is refused and left as it is', () => {
    const broken = { ...project.working, ownDatabases: [{ ...own('hill'), dialect: { id: 'hill' } }] };
    const read = restoreProject({ ...storeProject(project), project: { ...project, working: broken } });
    expect(read.ok ? '' : read.problem.code).toBe('broken-project');
  });
});
