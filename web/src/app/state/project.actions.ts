import { createActionGroup, emptyProps, props } from '@ngrx/store';
import type { Problem } from '#core/problem/index';
import type { Change, Project } from '#core/project/index';

/** All that happens to the open project. `moment` is in milliseconds. */
export const ProjectActions = createActionGroup({
  source: 'Project',
  events: {
    Opened: props<{ project: Project; revision: number }>(),
    Closed: emptyProps(),
    'Change Made': props<{ change: Change; moment: number }>(),
    Undone: emptyProps(),
    Redone: emptyProps(),
    Saved: props<{ project: Project; revision: number }>(),
    'Save Failed': props<{ problem: Problem }>(),
    'Notice Closed': emptyProps(),
  },
});
