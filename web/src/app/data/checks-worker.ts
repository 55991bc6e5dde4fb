import type { CheckedQuery } from '#core/check/index';
import type { ChecksAnswer, ChecksRequest } from '#core/contract/index';
import type { Vocabulary } from '#core/vocabulary/index';

type Run = Omit<ChecksRequest & { kind: 'run' }, 'kind' | 'turn'>;

/** The worker that looks queries through. Only the answer to the newest run counts. */
export class ChecksWorker {
  private readonly worker = new Worker(new URL('../workers/checks.worker', import.meta.url), {
    type: 'module',
  });
  private readonly sent = new Set<Vocabulary>();
  private turn = 0;

  constructor(onChecked: (checked: CheckedQuery) => void) {
    this.worker.addEventListener('message', ({ data }: MessageEvent<ChecksAnswer>) => {
      performance.measure('checks', { start: performance.now() - data.took, duration: data.took });
      if (data.turn === this.turn) onChecked(data.checked);
    });
  }

  run(run: Run, vocabularies: readonly Vocabulary[]): void {
    for (const vocabulary of vocabularies) {
      if (this.sent.has(vocabulary)) continue;
      this.sent.add(vocabulary);
      this.post({ kind: 'vocabulary', id: vocabulary.id, headings: vocabulary.headings });
    }
    this.post({ kind: 'run', turn: ++this.turn, ...run });
  }

  end(): void {
    this.worker.terminate();
  }

  private post(request: ChecksRequest): void {
    this.worker.postMessage(request);
  }
}
