import { createActionGroup, emptyProps, props } from '@ngrx/store';
import type { Problem } from '#core/problem/index';
import type { Change, History, Project } from '#core/project/index';

/** A copy that was made of what could not be saved. */
export interface KeptCopy {
  readonly id: string;
  readonly name: string;
}

/** All that happens to the open project. `moment` is in milliseconds. */
export const ProjectActions = createActionGroup({
  source: 'Project',
  events: {
    Opened: props<{ project: Project; revision: number; history?: History }>(),
    Closed: emptyProps(),
    'Change Made': props<{ change: Change; moment: number }>(),
    Undone: emptyProps(),
    Redone: emptyProps(),
    Saved: props<{ project: Project; revision: number }>(),
    'Save Failed': props<{ problem: Problem }>(),
    /** What another window saved and what is here are one now; `saved` is how it stands on the disk. */
    Joined: props<{ history: History; saved: Project; revision: number }>(),
    /** What was here could not be saved over what another window saved: it is a project of its own now. */
    'Kept As Copy': props<{ copy: KeptCopy }>(),
    'Notice Closed': emptyProps(),
  },
});
