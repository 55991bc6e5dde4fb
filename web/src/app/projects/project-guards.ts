import { inject } from '@angular/core';
import { Router, type CanActivateFn } from '@angular/router';
import { Store } from '@ngrx/store';
import { createDemoProject } from '#demo/demo-project';
import { CLOCK_AND_IDS, writeMoment } from '../data/clock-and-ids';
import { PROJECT_REPOSITORY } from '../data/providers';
import { ProjectActions } from '../state/project.actions';
import { projectFeature } from '../state/project.feature';
import { ProjectsNotice } from './projects-notice';

const LAST_PROJECT = 'last-project';

/** At the bare address: the project that was open last, or the demo project on the first visit. */
export const chooseProject: CanActivateFn = async () => {
  const repository = inject(PROJECT_REPOSITORY);
  const router = inject(Router);
  const clockAndIds = inject(CLOCK_AND_IDS);
  const listed = await repository.list();
  if (listed.ok && listed.value.length === 0 && (await repository.readSetting(LAST_PROJECT)) === undefined) {
    await repository.save(createDemoProject(), 0, writeMoment(clockAndIds.now()));
    return router.createUrlTree(['/p', 'demo', 'topic']);
  }
  if (!listed.ok) return router.createUrlTree(['/p', 'demo', 'topic']);
  const last = await repository.readSetting(LAST_PROJECT);
  const entry = listed.value.find((project) => project.id === last) ?? listed.value[0];
  return router.createUrlTree(entry ? ['/p', entry.id, 'topic'] : ['/projects']);
};

/** Opens the project of the address before any of its views is shown. */
export const openProject: CanActivateFn = async (route) => {
  const repository = inject(PROJECT_REPOSITORY);
  const router = inject(Router);
  const store = inject(Store);
  const notice = inject(ProjectsNotice);
  const id = route.paramMap.get('project') ?? '';
  const open = store.selectSignal(projectFeature.selectProject);
  if (open()?.id === id) return true;
  const loaded = await repository.load(id);
  if (loaded.ok) {
    store.dispatch(ProjectActions.opened(loaded.value));
    await repository.writeSetting(LAST_PROJECT, id);
    return true;
  }
  if (loaded.problem.code.startsWith('storage')) {
    // Nothing can be kept here; the demo can still be tried, and the band at the top says so.
    store.dispatch(ProjectActions.opened({ project: createDemoProject(), revision: 0 }));
    store.dispatch(ProjectActions.saveFailed({ problem: loaded.problem }));
    return true;
  }
  notice.problem.set(loaded.problem);
  return router.createUrlTree(['/projects']);
};
