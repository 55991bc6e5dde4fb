import type { SkosMessage, SkosRequest } from '#core/contract/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import type { SkosProgress, SkosReading } from '#core/vocabulary/skos/index';

/** Reads a thesaurus in a worker of its own; `signal` ends it. A cancelled reading has no outcome. */
export function readSkosInWorker(
  content: string,
  {
    language = 'en',
    onProgress,
    signal,
  }: {
    readonly language?: string;
    readonly onProgress?: (progress: SkosProgress) => void;
    readonly signal?: AbortSignal;
  } = {},
): Promise<Outcome<SkosReading> | undefined> {
  return new Promise((resolve) => {
    // Given up before it has begun.
    if (signal?.aborted) return resolve(undefined);
    const worker = new Worker(new URL('../workers/skos.worker', import.meta.url), { type: 'module' });
    const finish = (outcome: Outcome<SkosReading> | undefined): void => {
      worker.terminate();
      resolve(outcome);
    };
    signal?.addEventListener('abort', () => finish(undefined), { once: true });
    worker.addEventListener('message', ({ data }: MessageEvent<SkosMessage>) => {
      if (data.kind === 'progress') onProgress?.(data.progress);
      else finish(succeed(data.reading));
    });
    worker.addEventListener('error', (event) =>
      finish(
        fail(
          createProblem('skos-syntax-somewhere', 'error', { cause: event.message || 'the reader stopped' }),
        ),
      ),
    );
    const request: SkosRequest = { content, language };
    worker.postMessage(request);
  });
}
