import type {
  CollectionAnswers,
  CollectionAsked,
  CollectionMessage,
  CollectionRequest,
  ImportFile,
  ImportProgress,
  ImportReport,
} from '#core/contract/index';
import { createProblem, fail, type Outcome } from '#core/problem/index';

type Kind = CollectionAsked['kind'];

/** A question that is not answered yet. */
interface Waiting {
  readonly asked: CollectionAsked;
  readonly resolve: (outcome: Outcome<never>) => void;
}

/** The collections of one's own, kept and searched in a worker. Nothing throws. */
export class CollectionClient {
  private worker: Worker | undefined;
  private readonly waiting = new Map<number, Waiting>();
  private turn = 0;
  /** The request that the worker has. */
  private sent: number | undefined;

  /**
   * Asks the worker that counts and searches; it starts with the first question. It has one at a time, so
   * that a request that is given up while it waits is never begun. One that is begun has its time limit.
   */
  ask<K extends Exclude<Kind, 'import'>>(
    asked: Extract<CollectionAsked, { readonly kind: K }>,
    signal?: AbortSignal,
  ): Promise<Outcome<CollectionAnswers[K]>> {
    return new Promise((resolve) => {
      const turn = ++this.turn;
      const giveUp = (): void => {
        if (this.sent !== turn) this.waiting.delete(turn);
        resolve(fail(createProblem('request-given-up', 'note')));
      };
      if (signal?.aborted) return giveUp();
      signal?.addEventListener('abort', giveUp, { once: true });
      this.waiting.set(turn, {
        asked,
        resolve: (outcome) => {
          signal?.removeEventListener('abort', giveUp);
          resolve(outcome);
        },
      });
      this.sendNext();
    });
  }

  /**
   * Imports files in a worker of its own, so that counting goes on and `signal` can end it: then
   * nothing is kept and there is no outcome.
   */
  import(
    asked: {
      readonly collection: string;
      readonly name: string;
      readonly moment: string;
      readonly files: readonly ImportFile[];
    },
    onProgress: (progress: ImportProgress) => void,
    signal: AbortSignal,
  ): Promise<Outcome<ImportReport> | undefined> {
    return new Promise((resolve) => {
      const worker = createWorker();
      const finish = (outcome: Outcome<ImportReport> | undefined): void => {
        worker.terminate();
        // What the other worker has loaded may be out of date now.
        if (outcome?.ok) this.forget();
        resolve(outcome);
      };
      signal.addEventListener('abort', () => finish(undefined), { once: true });
      worker.addEventListener('message', ({ data }: MessageEvent<CollectionMessage>) => {
        if (data.kind === 'progress') onProgress(data.progress);
        else finish(data.outcome as Outcome<ImportReport>);
      });
      worker.addEventListener('error', () => finish(fail(createProblem('worker-stopped', 'error'))));
      const request: CollectionRequest = { turn: 0, asked: { kind: 'import', ...asked } };
      worker.postMessage(
        request,
        asked.files.map(({ content }) => content),
      );
    });
  }

  /** Ends the worker; the next question starts another one. What waits is told so. */
  forget(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.sent = undefined;
    const waiting = [...this.waiting.values()];
    this.waiting.clear();
    for (const { resolve } of waiting) resolve(fail(createProblem('worker-stopped', 'error')));
  }

  private sendNext(): void {
    const [next] = this.waiting;
    if (this.sent !== undefined || !next) return;
    const [turn, { asked }] = next;
    this.sent = turn;
    this.worker ??= this.start();
    this.worker.postMessage({ turn, asked } satisfies CollectionRequest);
  }

  private start(): Worker {
    const worker = createWorker();
    worker.addEventListener('message', ({ data }: MessageEvent<CollectionMessage>) => {
      if (data.kind !== 'answer') return;
      const answered = this.waiting.get(data.turn);
      this.waiting.delete(data.turn);
      this.sent = undefined;
      answered?.resolve(data.outcome as Outcome<never>);
      this.sendNext();
    });
    worker.addEventListener('error', () => this.forget());
    return worker;
  }
}

function createWorker(): Worker {
  return new Worker(new URL('../../../workers/collections.worker', import.meta.url), { type: 'module' });
}
