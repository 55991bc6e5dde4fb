import type { CitationAnswer, CitationRequest, CitationResults, CitationTask } from '#core/citation/index';
import { createProblem, fail, type Outcome } from '#core/problem/index';

/** The worker that writes citations. What is given up ends at once; the next request begins a new one. */
export class CitationWorker {
  private worker: Worker | undefined;
  private turn = 0;
  private readonly waiting = new Map<number, (answer: CitationAnswer['outcome'] | undefined) => void>();

  /** What came of a task; nothing if it was given up. */
  ask<Kind extends CitationTask['kind']>(
    task: Extract<CitationTask, { kind: Kind }>,
    style: string,
    locales: CitationRequest['locales'],
  ): Promise<Outcome<CitationResults[Kind]> | undefined> {
    return new Promise((resolve) => {
      const turn = ++this.turn;
      // The worker answers a task with what its kind gives.
      this.waiting.set(turn, (outcome) => resolve(outcome as Outcome<CitationResults[Kind]> | undefined));
      const request: CitationRequest = { turn, task, style, locales };
      this.start().postMessage(request);
    });
  }

  /** Ends all that is asked for. */
  stop(): void {
    this.worker?.terminate();
    this.worker = undefined;
    for (const give of this.waiting.values()) give(undefined);
    this.waiting.clear();
  }

  private start(): Worker {
    if (this.worker) return this.worker;
    const worker = new Worker(new URL('../workers/citation.worker', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<CitationAnswer>) => {
      this.waiting.get(data.turn)?.(data.outcome);
      this.waiting.delete(data.turn);
    });
    worker.addEventListener('error', ({ message }) => {
      const reason = message || 'the writer stopped';
      for (const give of this.waiting.values())
        give(fail(createProblem('style-unreadable', 'error', { reason })));
      this.waiting.clear();
      this.stop();
    });
    this.worker = worker;
    return worker;
  }
}
