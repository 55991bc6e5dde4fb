import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store, type Action } from '@ngrx/store';
import { exhaustMap, filter, firstValueFrom, fromEvent, merge, mergeAll, type Observable } from 'rxjs';
import { getProjectTitle, joinProjects } from '#core/project/index';
import { CLOCK_AND_IDS, writeMoment, type ClockAndIds } from '../data/clock-and-ids';
import type { ProjectRepository } from '../data/project-repository';
import { PROJECT_REPOSITORY } from '../data/providers';
import { ProjectActions } from './project.actions';
import { projectFeature, type ProjectState } from './project.feature';
import { say } from '../words/say';

/**
 * What cannot be saved because another window saved is put together with what that one saved, if one of the
 * two only kept counts. If both changed more, what is here is kept as a project of its own at once, with all
 * that is typed meanwhile; then the newer state is shown.
 */
export const settleWindows = createEffect(
  (
    actions = inject(Actions),
    store = inject(Store),
    repository = inject(PROJECT_REPOSITORY),
    clockAndIds = inject(CLOCK_AND_IDS),
  ) =>
    actions.pipe(
      ofType(ProjectActions.saveFailed),
      filter(({ problem }) => problem.code === 'saved-elsewhere'),
      exhaustMap(async () => {
        const read = createReader(store.select(projectFeature.selectProjectState));
        return (await join(read, repository)) ?? (await keepCopy(read, repository, clockAndIds));
      }),
      mergeAll(),
    ),
  { functional: true },
);

/** Reads how the project stands: it may change while the storage is waited for. */
function createReader(state$: Observable<ProjectState>): () => Promise<ProjectState> {
  return () => firstValueFrom(state$);
}

/** What both windows have as one, or nothing if both changed more than counts. */
async function join(
  read: () => Promise<ProjectState>,
  repository: ProjectRepository,
): Promise<Action[] | undefined> {
  const id = (await read()).history?.project.id;
  const loaded = id === undefined ? undefined : await repository.load(id);
  if (!loaded?.ok) return undefined;
  const theirs = loaded.value;
  const { history, saved } = await read();
  if (!history || !saved || history.project.id !== id) return undefined;
  const joined = joinProjects(saved, history.project, theirs.project);
  if (!joined) return undefined;
  const side = joined.side === 'mine' ? history : theirs.history;
  return [
    ...(joined.side === 'theirs' ? [ProjectActions.opened(theirs)] : []),
    ProjectActions.joined({
      history: { ...side, project: joined.project },
      saved: theirs.project,
      revision: theirs.revision,
    }),
  ];
}

async function keepCopy(
  read: () => Promise<ProjectState>,
  repository: ProjectRepository,
  clockAndIds: ClockAndIds,
): Promise<Action[]> {
  const id = clockAndIds.createId();
  let revision = 0;
  for (;;) {
    const { history } = await read();
    if (!history) return [];
    const { project } = history;
    const time = writeMoment(clockAndIds.now()).slice(0, 16).replace('T', ' ');
    const copy = {
      ...project,
      id,
      name: say('state.otherWindow', { title: getProjectTitle(project), time }),
    };
    const saved = await repository.save(copy, revision, writeMoment(clockAndIds.now()), {
      ...history,
      project: copy,
    });
    // The window goes on holding it, and says that it is not saved.
    if (!saved.ok) return [];
    revision = saved.value;
    const loaded = await repository.load(project.id);
    if ((await read()).history?.project !== project) continue;
    if (!loaded.ok) return [ProjectActions.saveFailed({ problem: loaded.problem })];
    return [
      ProjectActions.opened(loaded.value),
      ProjectActions.keptAsCopy({ copy: { id, name: copy.name } }),
    ];
  }
}

/** When it is looked at, a window shows what another one has saved since, unless it has something of its own to save. */
export const showNewer = createEffect(
  (store = inject(Store), repository = inject(PROJECT_REPOSITORY)) => {
    const isLookedAt$ = merge(
      fromEvent(document, 'visibilitychange').pipe(filter(() => document.visibilityState === 'visible')),
      fromEvent(window, 'focus'),
      repository.savedElsewhere$.pipe(filter(() => document.visibilityState === 'visible')),
    );
    return isLookedAt$.pipe(
      exhaustMap(async () => {
        const read = createReader(store.select(projectFeature.selectProjectState));
        const { history, saved, revision } = await read();
        if (!history || history.project !== saved) return [];
        const newest = await repository.readRevision(history.project.id);
        if (!newest.ok || newest.value === undefined || newest.value <= revision) return [];
        const loaded = await repository.load(history.project.id);
        // Something may have been typed meanwhile: its save will be refused, and it is kept as a copy then.
        const isUntouched = (await read()).history?.project === history.project;
        return loaded.ok && isUntouched ? [ProjectActions.opened(loaded.value)] : [];
      }),
      mergeAll(),
    );
  },
  { functional: true },
);
