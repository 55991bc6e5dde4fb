import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import type { DocumentFormat, DocumentInput, DocumentLength, ShownSearch } from '#core/document/index';
import { DIALECTS } from '#core/dialect/index';
import type { Outcome, Problem } from '#core/problem/index';
import type { Run } from '#core/project/index';
import { DocumentWorker } from '../data/document-worker';
import { OpenProject } from '../state/open-project';

/** The documented search of the chosen run, made anew in a worker when the project changes. */
@Injectable()
export class ShownSearchOfRun {
  private readonly open = inject(OpenProject);
  private readonly worker = new DocumentWorker();
  /** The run that is chosen, by its id; the latest one if it is not there. */
  readonly chosen = signal<string | undefined>(undefined);
  readonly length = signal<DocumentLength>('appendix');

  readonly run = computed<Run | undefined>(() => {
    const { runs } = this.open.project();
    return runs.find(({ id }) => id === this.chosen()) ?? runs.at(-1);
  });
  private readonly input = computed<DocumentInput | undefined>(() => {
    const run = this.run();
    if (!run) return undefined;
    const project = this.open.project();
    const own = project.working.ownDatabases.map(({ dialect }) => dialect);
    const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
    return { project, run, dialects: [...DIALECTS, ...own], timeZone };
  });
  private readonly made = signal<{ readonly run: string; readonly shown: ShownSearch } | undefined>(
    undefined,
  );
  readonly problem = signal<Problem | undefined>(undefined);
  /** While it is made anew, what was made of the same run stays. */
  readonly shown = computed(() => {
    const made = this.made();
    return made && made.run === this.run()?.id ? made.shown : undefined;
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.worker.stop());
    effect((onCleanup) => {
      const input = this.input();
      const length = this.length();
      const turn = { isOver: false };
      onCleanup(() => (turn.isOver = true));
      if (input) untracked(() => void this.make(input, length, turn));
    });
  }

  /** The document as a file; nothing in it if the run has no such file. */
  async write(
    format: DocumentFormat,
  ): Promise<
    Outcome<{ readonly content: string | ArrayBuffer; readonly type: string } | undefined> | undefined
  > {
    const input = this.input();
    return input && this.worker.ask({ kind: 'write', length: this.length(), format }, input);
  }

  private async make(
    input: DocumentInput,
    length: DocumentLength,
    turn: { readonly isOver: boolean },
  ): Promise<void> {
    const answer = await this.worker.ask({ kind: 'show', length }, input);
    if (turn.isOver) return;
    this.problem.set(answer.ok ? undefined : answer.problem);
    if (answer.ok) this.made.set({ run: input.run.id, shown: answer.value });
  }
}
