import type { DocumentAnswer, DocumentRequest, DocumentResults, DocumentTask } from '#core/document/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';

/** The worker that makes documents. */
export class DocumentWorker {
  private worker: Worker | undefined;
  private turn = 0;
  private readonly waiting = new Map<
    number,
    (answer: Outcome<DocumentResults[keyof DocumentResults]>) => void
  >();

  /** What came of a task. */
  ask<Kind extends DocumentTask['kind']>(
    task: Extract<DocumentTask, { kind: Kind }>,
    input: DocumentRequest['input'],
  ): Promise<Outcome<DocumentResults[Kind]>> {
    return new Promise((resolve) => {
      const turn = ++this.turn;
      // The worker answers a task with what its kind gives.
      this.waiting.set(turn, (answer) => resolve(answer as Outcome<DocumentResults[Kind]>));
      const request: DocumentRequest = { turn, task, input };
      this.start().postMessage(request);
    });
  }

  /** Ends the worker; nobody waits for it any more. */
  stop(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.waiting.clear();
  }

  private start(): Worker {
    if (this.worker) return this.worker;
    const worker = new Worker(new URL('../workers/document.worker', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<DocumentAnswer>) => {
      this.waiting.get(data.turn)?.('fault' in data ? refuse(data.fault) : succeed(data.result));
      this.waiting.delete(data.turn);
    });
    const giveUp = (reason: string): void => {
      const waiting = [...this.waiting.values()];
      this.stop();
      for (const give of waiting) give(refuse(reason));
    };
    worker.addEventListener('error', ({ message }) => giveUp(message || 'the writer stopped'));
    worker.addEventListener('messageerror', () => giveUp('it could not be read'));
    this.worker = worker;
    return worker;
  }
}

function refuse(reason: string): Outcome<never> {
  return fail(createProblem('document-failed', 'error', { reason }));
}
