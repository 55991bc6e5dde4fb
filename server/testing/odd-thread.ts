import { parentPort } from 'node:worker_threads';
import { succeed } from '#core/problem/index';
import type { ThreadOrder } from '../threads/pool';

/** A thread that goes wrong as it is told, in place of searching: for tests of the pool. */
parentPort?.on('message', ({ turn, job }: ThreadOrder) => {
  const what = job.kind === 'count-neutral' ? job.query : '';
  if (what === 'hang') for (;;);
  if (what === 'die') process.exit(1);
  if (what === 'throw') parentPort?.postMessage({ kind: 'failed', turn, fault: 'a stack' });
  else parentPort?.postMessage({ kind: 'answer', turn, outcome: succeed(what) });
});
parentPort?.postMessage({ kind: 'ready' });
