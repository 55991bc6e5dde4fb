import '@angular/compiler';
import { describe, expect, it } from 'vitest';
import { createProblem } from '#core/problem/index';
import { createProject, type Change } from '#core/project/index';
import { ProjectActions } from './project.actions';
import { projectFeature, type ProjectState } from './project.feature';

const project = createProject('p', 'P', '2026-10-01T08:00:00.000Z', ['gantry']);
const opened = projectFeature.reducer(undefined, ProjectActions.opened({ project, revision: 4 }));
const change = (state: ProjectState, made: Change, moment = 0): ProjectState =>
  projectFeature.reducer(state, ProjectActions.changeMade({ change: made, moment }));
const root = (state: ProjectState) => ({ project: state });

describe('the open project', () => {
  it('is saved as it was opened, and not after a change', () => {
    expect(projectFeature.selectIsSaved(root(opened))).toBe(true);
    const changed = change(opened, { kind: 'set-question', question: 'Why?' });
    expect(projectFeature.selectIsSaved(root(changed))).toBe(false);
    const saved = projectFeature.reducer(
      changed,
      ProjectActions.saved({ project: changed.history!.project, revision: 5 }),
    );
    expect(projectFeature.selectIsSaved(root(saved))).toBe(true);
    expect(saved.revision).toBe(5);
  });

  it('goes back and forth', () => {
    const changed = change(opened, { kind: 'set-question', question: 'Why?' });
    const undone = projectFeature.reducer(changed, ProjectActions.undone());
    expect(projectFeature.selectProject(root(undone))?.working.question).toBe('');
    const redone = projectFeature.reducer(undone, ProjectActions.redone());
    expect(projectFeature.selectProject(root(redone))?.working.question).toBe('Why?');
  });

  it('keeps its state and a notice when a change is refused, until the next that is made', () => {
    const refused = change(opened, { kind: 'remove-concept', id: 'nobody' });
    expect(refused.notice?.code).toBe('change-refused');
    expect(refused.history).toBe(opened.history);
    expect(change(refused, { kind: 'rename-project', name: 'Q' }).notice).toBeUndefined();
  });

  it('remembers that it could not be saved, and what is saved of another project is not its own', () => {
    const failed = projectFeature.reducer(
      opened,
      ProjectActions.saveFailed({ problem: createProblem('storage-failed', 'error', { detail: 'x' }) }),
    );
    expect(failed.saveProblem?.code).toBe('storage-failed');
    const other = projectFeature.reducer(
      failed,
      ProjectActions.saved({ project: { ...project, id: 'q' }, revision: 9 }),
    );
    expect(other).toBe(failed);
    expect(projectFeature.reducer(failed, ProjectActions.closed()).history).toBeUndefined();
  });
});
