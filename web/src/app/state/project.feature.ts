import { createFeature, createReducer, createSelector, on } from '@ngrx/store';
import type { Problem } from '#core/problem/index';
import {
  createHistory,
  findStepKind,
  makeChange,
  redo,
  undo,
  type Change,
  type History,
  type Project,
  type Working,
} from '#core/project/index';
import { ProjectActions, type KeptCopy } from './project.actions';

/** A state that the query had since the project was opened. */
export interface SittingState {
  readonly working: Working;
  /** What led to it; `opened` for the first. */
  readonly kind: Change['kind'] | 'opened';
  /** In milliseconds. */
  readonly moment: number;
}

/** So many states of a sitting are kept, the newest. */
const MAX_STATES = 300;
/** Typing within this time is one state. */
const BURST = 1_200;

/** The open project with its history, and how it stands with its keeping. */
export interface ProjectState {
  readonly history: History | undefined;
  /** Every state of the query since the project was opened; going back forgets none. */
  readonly sitting: readonly SittingState[];
  /** The state that is known to be on disk. */
  readonly saved: Project | undefined;
  readonly revision: number;
  readonly saveProblem: Problem | undefined;
  /** A change that could not be made. */
  readonly notice: Problem | undefined;
  /** Where that went which was here when another window had saved. */
  readonly copy: KeptCopy | undefined;
}

const NOTHING: ProjectState = {
  history: undefined,
  sitting: [],
  saved: undefined,
  revision: 0,
  saveProblem: undefined,
  notice: undefined,
  copy: undefined,
};

export const projectFeature = createFeature({
  name: 'project',
  reducer: createReducer(
    NOTHING,
    on(ProjectActions.opened, (_, { project, revision, history }): ProjectState => ({
      ...NOTHING,
      history: history ?? createHistory(project),
      sitting: [{ working: project.working, kind: 'opened', moment: 0 }],
      saved: project,
      revision,
    })),
    on(ProjectActions.closed, (): ProjectState => NOTHING),
    on(ProjectActions.changeMade, (state, { change, moment }): ProjectState => {
      if (!state.history) return state;
      const made = makeChange(state.history, change, moment);
      return made.ok
        ? {
            ...state,
            history: made.value,
            sitting: addState(state.sitting, made.value.project.working, findStepKind(change), moment),
            notice: undefined,
          }
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
    on(ProjectActions.joined, (state, { history, saved, revision }): ProjectState => ({
      ...state,
      history,
      saved,
      revision,
      saveProblem: undefined,
    })),
    on(ProjectActions.keptAsCopy, (state, { copy }): ProjectState => ({ ...state, copy })),
    on(ProjectActions.noticeClosed, (state): ProjectState => ({
      ...state,
      notice: undefined,
      copy: undefined,
    })),
  ),
  extraSelectors: ({ selectHistory, selectSaved }) => ({
    selectProject: createSelector(selectHistory, (history) => history?.project),
    selectIsSaved: createSelector(selectHistory, selectSaved, (history, saved) => history?.project === saved),
  }),
});

/** The states with a new one, unless it asks for the same as the last; typing on makes one state. */
/** Steps that come letter by letter. */
const TYPED: ReadonlySet<Change['kind']> = new Set<Change['kind']>(['set-draft', 'edit-term']);

function addState(
  sitting: readonly SittingState[],
  working: Working,
  kind: Change['kind'],
  moment: number,
): readonly SittingState[] {
  const last = sitting.at(-1);
  if (last && asksTheSame(last.working, working)) return sitting;
  const since = moment - (last?.moment ?? moment);
  const goesOn = TYPED.has(kind) && last?.kind === kind && since >= 0 && since < BURST;
  const before = goesOn ? sitting.slice(0, -1) : sitting;
  return [...before, { working, kind, moment }].slice(-MAX_STATES);
}

/** True if two states search the same by the same pieces. */
export function asksTheSame(a: Working, b: Working): boolean {
  return (
    a.draft === b.draft && a.concepts === b.concepts && a.blocks === b.blocks && a.limiters === b.limiters
  );
}
