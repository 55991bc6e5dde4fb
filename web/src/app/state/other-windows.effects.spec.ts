import '@angular/compiler';
import 'fake-indexeddb/auto';
import type { Actions } from '@ngrx/effects';
import type { Action, Store } from '@ngrx/store';
import { BehaviorSubject, Subject, distinctUntilChanged, map, type Subscription } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createProject, type Change, type Project } from '#core/project/index';
import { createTally } from '#core/testing/projects';
import { EwerDatabase } from '../data/ewer-database';
import { LeftOvers } from '../data/left-overs';
import { ProjectRepository } from '../data/project-repository';
import { settleWindows, showNewer } from './other-windows.effects';
import { ProjectActions } from './project.actions';
import { projectFeature, type ProjectState } from './project.feature';

const NOW = '2026-10-01T09:00:00.000Z';
const project = createProject('p', 'Bats', '2026-10-01T08:00:00.000Z', ['gantry']);
const ask = (question: string): Change => ({ kind: 'set-question', question });
const count = (id: string): Change => ({ kind: 'keep-tallies', tallies: [createTally(id)] });

let copies = 0;

/** One window: its own store and page, on the disk that all share. */
class BrowserWindow {
  private readonly state = new BehaviorSubject<{ project: ProjectState }>({
    project: projectFeature.reducer(undefined, ProjectActions.closed()),
  });
  private readonly actions = new Subject<Action>();
  private readonly page = Object.assign(new EventTarget(), { visibilityState: 'visible' });
  private readonly running: Subscription[] = [];
  readonly repository: ProjectRepository;

  constructor(name: string) {
    this.repository = new ProjectRepository(new EwerDatabase(name), new LeftOvers(undefined));
    vi.stubGlobal('document', this.page);
    vi.stubGlobal('window', new EventTarget());
    const store = {
      select: (selector: (state: object) => unknown) =>
        this.state.pipe(map(selector), distinctUntilChanged()),
    } as unknown as Store;
    const clockAndIds = { now: () => Date.parse(NOW), createId: () => `copy-${++copies}` };
    const actions = this.actions as unknown as Actions;
    this.running.push(
      settleWindows(actions, store, this.repository, clockAndIds).subscribe((action) => this.do(action)),
      showNewer(store, this.repository).subscribe((action) => this.do(action)),
    );
  }

  get now(): ProjectState {
    return this.state.value.project;
  }

  get project(): Project {
    return this.now.history!.project;
  }

  do(action: Action): void {
    this.state.next({ project: projectFeature.reducer(this.now, action) });
    this.actions.next(action);
  }

  change(...changes: readonly Change[]): void {
    for (const change of changes) this.do(ProjectActions.changeMade({ change, moment: 0 }));
  }

  async open(): Promise<void> {
    const loaded = await this.repository.load('p');
    if (loaded.ok) this.do(ProjectActions.opened(loaded.value));
  }

  async save(): Promise<void> {
    const { history, revision } = this.now;
    const saved = await this.repository.save(history!.project, revision, NOW, history);
    if (saved.ok) this.do(ProjectActions.saved({ project: history!.project, revision: saved.value }));
    else this.do(ProjectActions.saveFailed({ problem: saved.problem }));
  }

  look(): void {
    this.page.dispatchEvent(new Event('visibilitychange'));
  }

  end(): void {
    for (const one of this.running) one.unsubscribe();
  }
}

const tallies = (window: BrowserWindow): string[] => window.project.tallies.map(({ id }) => id);
const listNames = async (window: BrowserWindow): Promise<string[]> => {
  const listed = await window.repository.list();
  return listed.ok ? listed.value.map(({ name }) => name).sort() : [];
};
let number = 0;
let [here, there]: BrowserWindow[] = [];

beforeEach(async () => {
  const name = `ewer-windows-${number++}`;
  [here, there] = [new BrowserWindow(name), new BrowserWindow(name)];
  await here.repository.save(project, 0, NOW);
  await here.open();
  await there.open();
});

afterEach(() => {
  here!.end();
  there!.end();
  vi.unstubAllGlobals();
});

describe('two windows on one project', () => {
  it('keep both when both changed something: the later one as a copy, which can be undone', async () => {
    there!.change(ask('There?'));
    await there!.save();
    here!.change(ask('Here?'), count('a'));
    await here!.save();
    await vi.waitFor(() => {
      expect(here!.now.copy).toBeDefined();
    });
    expect(here!.project.working.question).toBe('There?');
    expect(here!.now).toMatchObject({ revision: 2, saveProblem: undefined });
    expect(here!.now.saved).toBe(here!.project);
    const copy = await here!.repository.load(here!.now.copy!.id);
    expect(copy.ok && copy.value.project.working.question).toBe('Here?');
    expect(copy.ok && copy.value.project.tallies).toHaveLength(1);
    expect(copy.ok && copy.value.history.past).toHaveLength(1);
    expect(await listNames(here!)).toEqual(['Bats', 'Bats, other window 2026-10-01 09:00']);
  });

  it('keep in the copy what is typed while it is made', async () => {
    there!.change(ask('There?'));
    await there!.save();
    here!.change(ask('Here'));
    await here!.save();
    here!.change({ kind: 'set-draft', text: 'typed meanwhile' });
    await vi.waitFor(() => {
      expect(here!.now.copy).toBeDefined();
    });
    const copy = await here!.repository.load(here!.now.copy!.id);
    expect(copy.ok && copy.value.project.working).toMatchObject({
      question: 'Here',
      draft: 'typed meanwhile',
    });
    expect(await listNames(here!)).toHaveLength(2);
  });

  it('are put together when the other one only counted, and undo goes on', async () => {
    there!.change(count('theirs'));
    await there!.save();
    here!.change(ask('Here?'), count('mine'));
    await here!.save();
    await vi.waitFor(() => {
      expect(tallies(here!)).toEqual(['theirs', 'mine']);
    });
    expect(here!.now).toMatchObject({ copy: undefined, saveProblem: undefined, revision: 2 });
    expect(here!.project.working.question).toBe('Here?');
    expect(here!.now.history!.past).toHaveLength(1);
    // It is not saved yet, and can be.
    expect(here!.now.saved).not.toBe(here!.project);
    await here!.save();
    expect(here!.now).toMatchObject({ saveProblem: undefined, revision: 3 });
    const kept = await here!.repository.load('p');
    expect(kept.ok && kept.value.project).toEqual(here!.project);
    expect(await listNames(here!)).toEqual(['Bats']);
  });

  it('show the other one’s changes where this one only counted', async () => {
    there!.change(ask('There?'), count('theirs'));
    await there!.save();
    here!.change(count('mine'));
    await here!.save();
    await vi.waitFor(() => {
      expect(here!.project.working.question).toBe('There?');
    });
    expect(tallies(here!)).toEqual(['theirs', 'mine']);
    expect(here!.now.copy).toBeUndefined();
    await here!.save();
    const kept = await there!.repository.load('p');
    expect(kept.ok && kept.value.project).toEqual(here!.project);
    expect(await listNames(here!)).toEqual(['Bats']);
  });

  it('show what is newer when they are looked at, unless they have something to save', async () => {
    there!.change(ask('There?'));
    await there!.save();
    here!.look();
    await vi.waitFor(() => {
      expect(here!.project.working.question).toBe('There?');
    });
    there!.change(ask('There again?'));
    await there!.save();
    here!.change({ kind: 'set-draft', text: 'bats' });
    const readRevision = vi.spyOn(here!.repository, 'readRevision');
    here!.look();
    await here!.repository.list();
    expect(readRevision).not.toHaveBeenCalled();
    expect(here!.project.working).toMatchObject({ question: 'There?', draft: 'bats' });
  });
});
