import { parentPort, workerData } from 'node:worker_threads';
import { ALL_FIELDS, TIME_LIMIT_SECONDS } from '#core/collection/index';
import { openCollectionFiles } from '../collections/index';
import { doJob, listDone } from './do-job';
import type { ThreadMessage, ThreadOrder, ThreadStart } from './pool';
import { Signals } from './signals';
import { lowerThreadPriority } from './thread-priority';
import { Turn } from './turn';
import { createWorkClock } from './work-clock';

/** A thread that does one job after the other: where all searching of the made-up databases happens. */
const start = workerData as ThreadStart;
if (start.lane === 'slow') lowerThreadPriority();
const signals = new Signals(start.signals);
const ground = { collections: openCollectionFiles(start.files) };
const clock = createWorkClock();
const work = TIME_LIMIT_SECONDS * 1_000;
/** On a machine that is busy with other things, the computing of a request may take so much longer: milliseconds. */
const WALL = 4 * work;

const say = (message: ThreadMessage): void => parentPort?.postMessage(message);

parentPort?.on('message', ({ turn, job, slice }: ThreadOrder) => {
  const time = new Turn(
    clock,
    { work, wall: WALL, slice },
    {
      isGivenUp: () => signals.isGivenUp(start.place, turn),
      doOthersWait: () => signals.doOthersWait(start.lane),
    },
  );
  doJob(job, time, ground)
    .then((outcome) => {
      if (time.end === 'yielded') say({ kind: 'yielded', turn, done: listDone(job, outcome) });
      else say({ kind: 'answer', turn, outcome });
    })
    .catch((error: unknown) => {
      say({
        kind: 'failed',
        turn,
        fault: error instanceof Error ? (error.stack ?? error.message) : String(error),
      });
    });
});
// What an index makes when it is first asked is made before the first person asks.
for (const { evaluator } of ground.collections.values())
  evaluator.count({ kind: 'word', slot: { pattern: [{ kind: 'letters', text: 'a' }] }, fields: ALL_FIELDS });
say({ kind: 'ready' });
