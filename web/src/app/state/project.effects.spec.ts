import '@angular/compiler';
import type { Action, Store } from '@ngrx/store';
import { BehaviorSubject, distinctUntilChanged, map, type Subscription } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import { createProject, type Project } from '#core/project/index';
import type { ProjectRepository } from '../data/project-repository';
import { ProjectActions } from './project.actions';
import { autosave, leaveBehind } from './project.effects';
import { projectFeature, type ProjectState } from './project.feature';

const project = createProject('p', 'P', '2026-10-01T08:00:00.000Z', ['gantry']);
const clockAndIds = { now: () => Date.parse('2026-10-01T09:00:00.000Z'), createId: () => 'id' };

/** The two effects on a store, a page and a disk of the test's own. */
class Sitting {
  private readonly state = new BehaviorSubject<{ project: ProjectState }>({
    project: projectFeature.reducer(undefined, ProjectActions.opened({ project, revision: 4 })),
  });
  private readonly page = Object.assign(new EventTarget(), { visibilityState: 'visible' });
  private readonly running: Subscription[] = [];
  readonly save = vi.fn((_project: Project, revision: number): Promise<Outcome<number>> =>
    Promise.resolve(succeed(revision + 1)),
  );
  readonly leave = vi.fn();
  readonly stay = vi.fn();

  constructor() {
    vi.stubGlobal('document', this.page);
    vi.stubGlobal('window', new EventTarget());
    const repository = this as unknown as ProjectRepository;
    const store = {
      select: (selector: (state: object) => unknown) =>
        this.state.pipe(map(selector), distinctUntilChanged()),
    } as unknown as Store;
    this.running.push(
      leaveBehind(store, repository, clockAndIds).subscribe(),
      autosave(store, repository, clockAndIds).subscribe((action) => this.dispatch(action)),
    );
  }

  dispatch(action: Action): void {
    this.state.next({ project: projectFeature.reducer(this.state.value.project, action) });
  }

  ask(question: string): void {
    this.dispatch(ProjectActions.changeMade({ change: { kind: 'set-question', question }, moment: 0 }));
  }

  show(visibilityState: 'visible' | 'hidden'): void {
    this.page.visibilityState = visibilityState;
    this.page.dispatchEvent(new Event('visibilitychange'));
  }

  get questions(): string[] {
    return this.save.mock.calls.map(([saved]) => saved.working.question);
  }

  get isSaved(): boolean {
    return projectFeature.selectIsSaved(this.state.value);
  }

  end(): void {
    for (const one of this.running) one.unsubscribe();
  }
}

let sitting: Sitting;

beforeEach(() => {
  vi.useFakeTimers();
  sitting = new Sitting();
});

afterEach(() => {
  sitting.end();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('keeping the open project', () => {
  it('saves once after a burst of changes, and follows the revision', async () => {
    sitting.ask('W');
    sitting.ask('Why');
    await vi.advanceTimersByTimeAsync(300);
    sitting.ask('Why?');
    await vi.advanceTimersByTimeAsync(300);
    expect(sitting.questions).toEqual(['Why', 'Why?']);
    expect(sitting.save.mock.calls.map(([, revision]) => revision)).toEqual([4, 5]);
    expect(sitting.isSaved).toBe(true);
  });

  it('saves while somebody goes on typing: nothing waits longer than 700 ms', async () => {
    let [typed, oldest, longest] = ['', 0, 0];
    for (let at = 0; at < 140; at++) {
      typed += 'x';
      sitting.ask(typed);
      await vi.advanceTimersByTimeAsync(120);
      const kept = sitting.questions.at(-1)?.length ?? 0;
      // The first letter that is not saved was typed so long ago.
      oldest = kept < typed.length ? (typed.length - kept) * 120 : 0;
      longest = Math.max(longest, oldest);
    }
    expect(longest).toBeGreaterThan(120);
    expect(longest).toBeLessThanOrEqual(840);
    await vi.advanceTimersByTimeAsync(300);
    expect(sitting.questions.at(-1)).toBe(typed);
    // Not a save a letter all the same.
    expect(sitting.questions.length).toBeLessThan(40);
  });

  it('saves what was typed while a slow save was under way within 700 ms, too', async () => {
    sitting.save.mockImplementation(
      (_project, revision) => new Promise((resolve) => setTimeout(() => resolve(succeed(revision + 1)), 500)),
    );
    let typed = '';
    for (let at = 0; at < 40; at++) {
      typed += 'x';
      sitting.ask(typed);
      await vi.advanceTimersByTimeAsync(100);
    }
    const lengths = sitting.questions.map(({ length }) => length);
    expect(lengths.length).toBeGreaterThanOrEqual(5);
    for (let at = 1; at < lengths.length; at++)
      expect(lengths[at]! - lengths[at - 1]!).toBeLessThanOrEqual(8);
  });

  it('saves at once when the page is hidden', async () => {
    sitting.ask('Why?');
    sitting.show('hidden');
    await vi.advanceTimersByTimeAsync(0);
    expect(sitting.questions).toEqual(['Why?']);
  });

  it('tries again by itself after a failure, and not when another window saved', async () => {
    sitting.save.mockResolvedValueOnce(fail(createProblem('storage-failed', 'error', { detail: 'full' })));
    sitting.ask('Why?');
    await vi.advanceTimersByTimeAsync(300);
    expect(sitting.isSaved).toBe(false);
    await vi.advanceTimersByTimeAsync(5_000);
    expect(sitting.isSaved).toBe(true);
    sitting.save.mockResolvedValue(fail(createProblem('saved-elsewhere', 'error')));
    sitting.ask('When?');
    await vi.advanceTimersByTimeAsync(60_000);
    expect(sitting.questions).toEqual(['Why?', 'Why?', 'When?']);
  });
});

describe('a page that is left', () => {
  it('notes what is not saved, with the revision that it follows', () => {
    sitting.show('hidden');
    expect(sitting.leave).not.toHaveBeenCalled();
    sitting.ask('Why?');
    const [left, revision] = sitting.leave.mock.lastCall as [Project, number];
    expect(left.working.question).toBe('Why?');
    expect(revision).toBe(4);
  });

  it('needs the note no longer when it, or something later, is saved', async () => {
    sitting.save.mockResolvedValueOnce(fail(createProblem('storage-failed', 'error', { detail: 'full' })));
    sitting.ask('Why?');
    sitting.show('hidden');
    await vi.advanceTimersByTimeAsync(0);
    expect(sitting.leave).toHaveBeenCalled();
    sitting.show('visible');
    sitting.stay.mockClear();
    sitting.ask('Why not?');
    await vi.advanceTimersByTimeAsync(4_000);
    expect(sitting.stay).not.toHaveBeenCalled();
    await vi.advanceTimersByTimeAsync(2_000);
    expect(sitting.questions).toEqual(['Why?', 'Why not?']);
    expect(sitting.stay).toHaveBeenCalledWith('p');
  });
});
