import '@angular/compiler';
import { computed, signal } from '@angular/core';
import {
  Router,
  convertToParamMap,
  type ActivatedRouteSnapshot,
  type RouterStateSnapshot,
} from '@angular/router';
import { Store, type Action } from '@ngrx/store';
import { beforeEach, describe, expect, it } from 'vitest';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import { createProject, type Project } from '#core/project/index';
import { PROJECT_REPOSITORY } from '../data/providers';
import { projectFeature } from '../state/project.feature';
import { startInjection } from '../testing/injection';
import { chooseProject, openProject } from './project-guards';
import { ProjectsNotice } from './projects-notice';

const angular = startInjection();
const MOMENT = '2026-10-01T08:00:00.000Z';
const project = (id: string): Project => createProject(id, id, MOMENT, ['gantry']);

/** What is on disk. */
let stored: Map<string, Project>;
let settings: Map<string, string>;
let listed: (() => Outcome<never>) | undefined;
let load: ((id: string) => Outcome<never>) | undefined;

function start() {
  const state = signal<{ project: ReturnType<typeof projectFeature.reducer> }>({
    project: projectFeature.reducer(undefined, { type: 'start' }),
  });
  angular.resetTestingModule();
  angular.configureTestingModule({
    providers: [
      {
        provide: Store,
        useValue: {
          selectSignal: (selector: (state: object) => unknown) => computed(() => selector(state())),
          dispatch: (action: Action) =>
            state.update(({ project: before }) => ({ project: projectFeature.reducer(before, action) })),
        },
      },
      { provide: Router, useValue: { createUrlTree: (commands: readonly string[]) => commands.join('/') } },
      {
        provide: PROJECT_REPOSITORY,
        useValue: {
          list: () => Promise.resolve(listed?.() ?? succeed([...stored.keys()].map((id) => ({ id })))),
          save: (one: Project) => Promise.resolve(succeed(stored.set(one.id, one))),
          load: (id: string) => {
            const found = stored.get(id);
            if (load) return Promise.resolve(load(id));
            return Promise.resolve(
              found ? succeed({ project: found, revision: 1 }) : fail(createProblem('not-found', 'error')),
            );
          },
          readSetting: (name: string) => Promise.resolve(settings.get(name)),
          writeSetting: (name: string, value: string) => Promise.resolve(settings.set(name, value)),
        },
      },
    ],
  });
  const opened = () => state().project.history?.project.id;
  return { opened, state };
}

const choose = () =>
  angular.runInInjectionContext(() => chooseProject({} as ActivatedRouteSnapshot, {} as RouterStateSnapshot));
const open = (id: string) =>
  angular.runInInjectionContext(() =>
    openProject(
      { paramMap: convertToParamMap({ project: id }) } as ActivatedRouteSnapshot,
      {} as RouterStateSnapshot,
    ),
  );

beforeEach(() => {
  stored = new Map();
  settings = new Map();
  listed = undefined;
  load = undefined;
});

describe('the bare address', () => {
  it('leads to the demo project on the first visit, which is kept', async () => {
    start();
    expect(await choose()).toBe('/p/demo/topic');
    expect([...stored.keys()]).toEqual(['demo']);
  });

  it('leads to the project that was open last, or to the first where that is gone', async () => {
    start();
    stored = new Map([project('a'), project('b')].map((one) => [one.id, one]));
    settings.set('last-project', 'b');
    expect(await choose()).toBe('/p/b/topic');
    settings.set('last-project', 'gone');
    expect(await choose()).toBe('/p/a/topic');
  });

  it('leads to the list where all projects were deleted: the demo project does not come back', async () => {
    start();
    settings.set('last-project', 'a');
    expect(await choose()).toBe('/projects');
    expect(stored.size).toBe(0);
  });

  it('leads to the demo project where nothing can be read', async () => {
    start();
    listed = () => fail(createProblem('storage-unavailable', 'error'));
    expect(await choose()).toBe('/p/demo/topic');
  });
});

describe('the address of a project', () => {
  it('opens it, once, and remembers that it was open last', async () => {
    const { opened } = start();
    stored.set('a', project('a'));
    expect(await open('a')).toBe(true);
    expect(opened()).toBe('a');
    expect(settings.get('last-project')).toBe('a');
    load = () => fail(createProblem('storage-unavailable', 'error'));
    expect(await open('a')).toBe(true);
    expect(opened()).toBe('a');
  });

  it('leads to the list with the reason where there is no such project', async () => {
    const { opened } = start();
    expect(await open('nowhere')).toBe('/projects');
    expect(opened()).toBeUndefined();
    expect(angular.inject(ProjectsNotice).problem()?.code).toBe('not-found');
  });

  it('opens the demo project where nothing can be kept, and says why it is not saved', async () => {
    const { opened, state } = start();
    load = () => fail(createProblem('storage-unavailable', 'error'));
    expect(await open('a')).toBe(true);
    expect(opened()).toBe('demo');
    expect(state().project.saveProblem?.code).toBe('storage-unavailable');
  });
});
