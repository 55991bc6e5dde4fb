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
} from 'rxjs';
import { SURROUNDINGS, writeMoment } from '../data/ids';
import { PROJECT_REPOSITORY } from '../data/providers';
import { ProjectActions } from './project.actions';
import { projectFeature } from './project.feature';

/** Saves this long after the last change, so that typing is not a save a letter. */
const REST = 250;
/** After a failure the next try comes by itself. */
const NEXT_TRY = 5_000;

/** Keeps the open project on disk: soon after each change, at once when the page is hidden, again after a failure. */
export const autosave = createEffect(
  (store = inject(Store), repository = inject(PROJECT_REPOSITORY), surroundings = inject(SURROUNDINGS)) => {
    const unsaved$ = combineLatest([
      store.select(projectFeature.selectProject),
      store.select(projectFeature.selectSaved),
      store.select(projectFeature.selectSaveProblem),
    ]);
    const hidden$ = fromEvent(document, 'visibilitychange').pipe(
      filter(() => document.visibilityState === 'hidden'),
      map(() => true),
    );
    const due$ = unsaved$.pipe(
      switchMap(([project, saved, problem]) => {
        if (!project || project === saved || problem?.code === 'saved-elsewhere') return EMPTY;
        return merge(timer(problem ? NEXT_TRY : REST), hidden$).pipe(map(() => project));
      }),
    );
    // The revision is read when a save begins: the one before it may have moved it on.
    return due$.pipe(
      concatMap((project) =>
        store.select(projectFeature.selectRevision).pipe(
          take(1),
          switchMap((revision) => repository.save(project, revision, writeMoment(surroundings.now()))),
          map((outcome) =>
            outcome.ok
              ? ProjectActions.saved({ project, revision: outcome.value })
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
  (store = inject(Store), repository = inject(PROJECT_REPOSITORY), surroundings = inject(SURROUNDINGS)) => {
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
        else if (isLeaving) repository.leave(project, revision, writeMoment(surroundings.now()));
      }),
    );
  },
  { functional: true, dispatch: false },
);
