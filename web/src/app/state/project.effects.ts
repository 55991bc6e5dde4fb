import { inject } from '@angular/core';
import { createEffect } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  EMPTY,
  combineLatest,
  concatMap,
  filter,
  fromEvent,
  map,
  merge,
  startWith,
  switchMap,
  take,
  tap,
  timer,
  withLatestFrom,
} from 'rxjs';
import type { Project } from '#core/project/index';
import { CLOCK_AND_IDS, writeMoment } from '../data/clock-and-ids';
import { PROJECT_REPOSITORY } from '../data/providers';
import { ProjectActions } from './project.actions';
import { projectFeature } from './project.feature';

/** Saves this long after the last change, so that typing is not a save a letter. */
const SAVE_DELAY = 250;
/** While changes go on coming, a save begins at the latest so long after the first one that is not saved. */
const LATEST = 700;
/** After a failure the next try comes by itself. */
const NEXT_TRY = 5_000;

/** Since when there has been something to save, on a clock that cannot be set. */
class UnsavedTime {
  private since: number | undefined;
  private begun = 0;
  private saved: Project | undefined;

  /** How long a save may still wait; once one is done, from when it began: what it does not have is younger. */
  measureRest(saved: Project | undefined): number {
    if (saved !== this.saved && this.since !== undefined) this.since = this.begun;
    this.saved = saved;
    this.since ??= performance.now();
    return Math.max(0, Math.min(SAVE_DELAY, this.since + LATEST - performance.now()));
  }

  begin(): void {
    this.begun = performance.now();
  }

  rest(saved: Project | undefined): void {
    this.since = undefined;
    this.saved = saved;
  }
}

/** Keeps the open project on disk: soon after each change, at once when the page is hidden, again after a failure. */
export const autosave = createEffect(
  (store = inject(Store), repository = inject(PROJECT_REPOSITORY), clockAndIds = inject(CLOCK_AND_IDS)) => {
    const unsaved$ = combineLatest([
      store.select(projectFeature.selectHistory),
      store.select(projectFeature.selectSaved),
      store.select(projectFeature.selectSaveProblem),
    ]);
    const hidden$ = fromEvent(document, 'visibilitychange').pipe(
      filter(() => document.visibilityState === 'hidden'),
      map(() => true),
    );
    const unsavedTime = new UnsavedTime();
    const due$ = unsaved$.pipe(
      switchMap(([history, saved, problem]) => {
        const project = history?.project;
        if (!history || !project || project === saved || problem?.code === 'saved-elsewhere') {
          unsavedTime.rest(saved);
          return EMPTY;
        }
        const rest = problem ? NEXT_TRY : unsavedTime.measureRest(saved);
        return merge(timer(rest), hidden$).pipe(
          map(() => history),
          tap(() => unsavedTime.begin()),
        );
      }),
    );
    // The revision is read when a save begins: the one before it may have moved it on.
    return due$.pipe(
      concatMap((history) =>
        store.select(projectFeature.selectRevision).pipe(
          take(1),
          switchMap((revision) => {
            const { project } = history;
            return repository.save(project, revision, writeMoment(clockAndIds.now()), history);
          }),
          map((outcome) =>
            outcome.ok
              ? ProjectActions.saved({ project: history.project, revision: outcome.value })
              : ProjectActions.saveFailed({ problem: outcome.problem }),
          ),
        ),
      ),
    );
  },
  { functional: true },
);

/** Notes what is not saved when the page is left: a save that begins then may be cut off. */
export const leaveBehind = createEffect(
  (store = inject(Store), repository = inject(PROJECT_REPOSITORY), clockAndIds = inject(CLOCK_AND_IDS)) => {
    const isLeaving$ = merge(
      fromEvent(document, 'visibilitychange').pipe(map(() => document.visibilityState === 'hidden')),
      fromEvent(window, 'pagehide').pipe(map(() => true)),
      fromEvent(window, 'pageshow').pipe(map(() => false)),
    ).pipe(startWith(false));
    return combineLatest([
      isLeaving$,
      store.select(projectFeature.selectProject),
      store.select(projectFeature.selectSaved),
      store.select(projectFeature.selectRevision),
    ]).pipe(
      tap(([isLeaving, project, saved, revision]) => {
        if (!project) return;
        if (project === saved) repository.stay(project.id);
        else if (isLeaving) repository.leave(project, revision, writeMoment(clockAndIds.now()));
      }),
    );
  },
  { functional: true, dispatch: false },
);

/** A page that is left asks first if there is something that could not be put anywhere. */
export const askBeforeLeaving = createEffect(
  (store = inject(Store), repository = inject(PROJECT_REPOSITORY), clockAndIds = inject(CLOCK_AND_IDS)) =>
    fromEvent<BeforeUnloadEvent>(window, 'beforeunload').pipe(
      withLatestFrom(store.select(projectFeature.selectProjectState)),
      tap(([event, { history, saved, revision, saveProblem }]) => {
        const project = history?.project;
        if (!project || project === saved) return;
        const isNoted = repository.leave(project, revision, writeMoment(clockAndIds.now()));
        if (!isNoted || saveProblem) event.preventDefault();
      }),
    ),
  { functional: true, dispatch: false },
);
