import { createFeature, createReducer, createSelector, on } from '@ngrx/store';
import type { Problem } from '#core/problem/index';
import { createHistory, makeChange, redo, undo, type History, type Project } from '#core/project/index';
import { ProjectActions } from './project.actions';

/** The open project with its history, and how it stands with its keeping. */
export interface ProjectState {
  readonly history: History | undefined;
  /** The state that is known to be on disk. */
  readonly saved: Project | undefined;
  readonly revision: number;
  readonly saveProblem: Problem | undefined;
  /** A change that could not be made. */
  readonly notice: Problem | undefined;
}

const NOTHING: ProjectState = {
  history: undefined,
  saved: undefined,
  revision: 0,
  saveProblem: undefined,
  notice: undefined,
};

export const projectFeature = createFeature({
  name: 'project',
  reducer: createReducer(
    NOTHING,
    on(ProjectActions.opened, (_, { project, revision }): ProjectState => ({
      ...NOTHING,
      history: createHistory(project),
      saved: project,
      revision,
    })),
    on(ProjectActions.closed, (): ProjectState => NOTHING),
    on(ProjectActions.changeMade, (state, { change, moment }): ProjectState => {
      if (!state.history) return state;
      const made = makeChange(state.history, change, moment);
      return made.ok
        ? { ...state, history: made.value, notice: undefined }
        : { ...state, notice: made.problem };
    }),
    on(ProjectActions.undone, (state): ProjectState =>
      state.history ? { ...state, history: undo(state.history) } : state,
    ),
    on(ProjectActions.redone, (state): ProjectState =>
      state.history ? { ...state, history: redo(state.history) } : state,
    ),
    on(ProjectActions.saved, (state, { project, revision }): ProjectState =>
      project.id === state.history?.project.id
        ? { ...state, saved: project, revision, saveProblem: undefined }
        : state,
    ),
    on(ProjectActions.saveFailed, (state, { problem }): ProjectState => ({ ...state, saveProblem: problem })),
    on(ProjectActions.noticeClosed, (state): ProjectState => ({ ...state, notice: undefined })),
  ),
  extraSelectors: ({ selectHistory, selectSaved }) => ({
    selectProject: createSelector(selectHistory, (history) => history?.project),
    selectIsSaved: createSelector(selectHistory, selectSaved, (history, saved) => history?.project === saved),
  }),
});
