import { Worker } from 'node:worker_threads';
import type { CountEntry } from '#core/contract/index';
import { createProblem, fail, type Outcome, type Problem } from '#core/problem/index';
import type { CollectionFiles } from '../collections/index';
import type { Log } from '../log';
import { FairQueue } from './fair-queue';
import type { AnswerTo, Asker, Job, Work } from './jobs';
import { LANES, createSignals, type Lane, type Signals } from './signals';

/** What a thread is started with. */
export interface ThreadStart {
  readonly files: readonly CollectionFiles[];
  readonly signals: Int32Array;
  readonly place: number;
  readonly lane: Lane;
}

/** What a thread is told to do: one job at a time. */
export interface ThreadOrder {
  readonly turn: number;
  readonly job: Job;
  /** Milliseconds of computing after which it lets others have their turn. */
  readonly slice: number;
}

/** What a thread says. */
export type ThreadMessage =
  | { readonly kind: 'ready' }
  | { readonly kind: 'answer'; readonly turn: number; readonly outcome: Outcome<AnswerTo<Job>> }
  /** Others have to have their turn; what is done need not be done again. */
  | {
      readonly kind: 'yielded';
      readonly turn: number;
      readonly done: readonly (CountEntry | undefined)[] | undefined;
    }
  | { readonly kind: 'failed'; readonly turn: number; readonly fault: string };

export interface PoolParts {
  /** The script of a thread. */
  readonly script: URL;
  readonly files: readonly CollectionFiles[];
  /** Threads for questions that are quick, and for those that turned out to take longer. */
  readonly threads: Readonly<Record<Lane, number>>;
  readonly log: Log;
  readonly limits?: PoolLimits;
}

/** What the pool is held to. */
export interface PoolLimits {
  /** Questions that wait, and the bytes of their requests together. */
  readonly waiting: number;
  readonly bytes: number;
  /** Milliseconds by the clock on the wall after which a thread that does not stop is ended. */
  readonly hang: number;
  /** The memory of one thread beside the indexes, in MB. */
  readonly memory: number;
  /** Milliseconds until the threads for longer questions start, once those for quick ones have. */
  readonly othersAfter: number;
}

export const USUAL_POOL: PoolLimits = {
  waiting: 2_000,
  bytes: 64 * 1024 * 1024,
  hang: 12_000,
  memory: 512,
  othersAfter: 3_000,
};

/** Milliseconds of computing after which a question leaves its lane if others wait in it. */
const SLICES: Readonly<Record<Lane, number>> = { quick: 50, middle: 250, slow: Infinity };
/** Memory for what is new in a thread, in MB: quick questions are many at a time, the others one. */
const YOUNG_MEMORY: Readonly<Record<Lane, number>> = { quick: 24, middle: 8, slow: 8 };
/** Jobs that cannot stop halfway or are seldom short begin among those that are not quick. */
const SLOW_KINDS: readonly Job['kind'][] = ['citations', 'vocabulary', 'lookup', 'records', 'set-words'];
/** Requests, and answers of servers outside, of more bytes take a while to read. */
const LONG_REQUEST = 100 * 1024;
/** What somebody is told to wait when there is too much to do: seconds. */
const PAUSE = 2;
const MAX_TURNS = 2 ** 31 - 1;
/** A thread that does not even start so often in a row is not started again. */
const MAX_FAILED_STARTS = 5;

interface Task {
  job: Job;
  readonly asker: Asker;
  readonly bytes: number;
  readonly turn: number;
  readonly resolve: (outcome: Outcome<AnswerTo<Job>>) => void;
  lane: Lane;
}

interface Thread {
  readonly place: number;
  readonly lane: Lane;
  worker: Worker;
  /** It takes orders. */
  isReady: boolean;
  /** It once took orders. */
  hasStarted: boolean;
  failedStarts: number;
  task?: Task | undefined;
  hang?: NodeJS.Timeout | undefined;
}

/**
 * Does jobs in threads, so that the thread that answers requests is never kept busy. A question begins in the
 * lane of quick ones; if it takes long while others wait, it goes on in the next lane. Within a lane those who
 * ask take turns. A thread that does not stop when its time is up is ended and replaced.
 */
export class WorkPool implements Work {
  /** Resolves when quick questions can be answered. */
  readonly whenReady: Promise<void>;
  private tellReady: () => void = () => undefined;
  /** The lane of each thread, by its place; those of quick questions come first. */
  private readonly lanes: readonly Lane[];
  private readonly threads: Thread[];
  private readonly queues: Readonly<Record<Lane, FairQueue<Task>>> = {
    quick: new FairQueue(),
    middle: new FairQueue(),
    slow: new FairQueue(),
  };
  private readonly signals: Signals;
  private readonly limits: PoolLimits;
  private turns = 0;
  private bytes = 0;
  private isClosed = false;

  constructor(private readonly parts: PoolParts) {
    this.limits = parts.limits ?? USUAL_POOL;
    this.lanes = LANES.flatMap((lane) => Array.from({ length: parts.threads[lane] }, () => lane));
    this.signals = createSignals(this.lanes.length);
    this.threads = this.lanes
      .filter((lane) => lane === 'quick')
      .map((lane, place) => this.createThread(place, lane));
    this.whenReady = new Promise((resolve) => (this.tellReady = resolve));
  }

  get isReady(): boolean {
    return !this.isClosed && this.threads.some(({ lane, isReady }) => lane === 'quick' && isReady);
  }

  do<J extends Job>(job: J, asker: Asker, bytes = 0): Promise<Outcome<AnswerTo<J>>> {
    return new Promise((resolve) => {
      const waiting = LANES.reduce((sum, one) => sum + this.queues[one].size, 0);
      const isFull = waiting >= this.limits.waiting || this.bytes + bytes > this.limits.bytes;
      if (isFull || this.isClosed) return resolve(fail(createBusyProblem(job)));
      if (asker.signal.aborted) return resolve(fail(GIVEN_UP));
      const lane = isSeldomQuick(job, bytes) ? 'middle' : 'quick';
      const task: Task = {
        job,
        asker,
        bytes,
        turn: this.nextTurn(),
        lane,
        resolve: (outcome) => {
          this.bytes -= bytes;
          asker.signal.removeEventListener('abort', giveUp);
          resolve(outcome as Outcome<AnswerTo<J>>);
        },
      };
      const giveUp = (): void => this.giveUp(task);
      asker.signal.addEventListener('abort', giveUp, { once: true });
      this.bytes += bytes;
      this.enqueue(task);
    });
  }

  /** Ends everything: what waits is answered that it cannot be done, what runs is ended. */
  async close(): Promise<void> {
    this.isClosed = true;
    for (const queue of Object.values(this.queues))
      for (const task of queue.empty()) task.resolve(fail(createBusyProblem(task.job)));
    for (const { task } of this.threads) task?.resolve(fail(createBusyProblem(task.job)));
    await Promise.all(
      this.threads.map(({ worker, hang }) => {
        clearTimeout(hang);
        return worker.terminate();
      }),
    );
  }

  /** Turns are told apart in cells of 32 bits. */
  private nextTurn(): number {
    this.turns = (this.turns % MAX_TURNS) + 1;
    return this.turns;
  }

  /** The threads of the other lanes start when those of quick questions have: a first page need not wait for them. */
  private startOthers(): void {
    if (!this.threads.every(({ isReady }) => isReady)) return;
    this.tellReady();
    setTimeout(() => this.startRest(), this.limits.othersAfter).unref();
  }

  private startRest(): void {
    if (this.isClosed) return;
    for (let place = this.threads.length; place < this.lanes.length; place++) {
      const lane = this.lanes[place];
      if (lane) this.threads.push(this.createThread(place, lane));
    }
  }

  private createThread(place: number, lane: Lane): Thread {
    const thread: Thread = {
      place,
      lane,
      isReady: false,
      hasStarted: false,
      failedStarts: 0,
      worker: this.startWorker(place, lane),
    };
    this.listen(thread);
    return thread;
  }

  private startWorker(place: number, lane: Lane): Worker {
    const start: ThreadStart = { files: this.parts.files, signals: this.signals.cells, place, lane };
    return new Worker(this.parts.script, {
      workerData: start,
      resourceLimits: {
        maxOldGenerationSizeMb: this.limits.memory,
        maxYoungGenerationSizeMb: YOUNG_MEMORY[lane],
      },
    });
  }

  private listen(thread: Thread): void {
    const { worker } = thread;
    worker.on('message', (message: ThreadMessage) => this.take(thread, message));
    worker.on('error', (error: Error) => this.parts.log({ what: 'thread-failed', detail: String(error) }));
    worker.on('exit', () => this.replace(thread));
  }

  private take(thread: Thread, message: ThreadMessage): void {
    if (message.kind === 'ready') {
      thread.isReady = true;
      thread.hasStarted = true;
      thread.failedStarts = 0;
      if (thread.lane === 'quick') this.startOthers();
    } else {
      const { task } = thread;
      clearTimeout(thread.hang);
      thread.task = undefined;
      if (task?.turn === message.turn) this.finish(task, message, thread.lane);
    }
    this.dispatch();
  }

  private finish(task: Task, message: Exclude<ThreadMessage, { kind: 'ready' }>, lane: Lane): void {
    if (message.kind === 'answer') return task.resolve(message.outcome);
    if (message.kind === 'failed') {
      this.parts.log({ what: 'job-failed', job: task.job.kind, detail: message.fault });
      return task.resolve(fail(createProblem('server-fault', 'error')));
    }
    if (task.asker.signal.aborted) return task.resolve(fail(GIVEN_UP));
    if (this.isClosed) return task.resolve(fail(createBusyProblem(task.job)));
    const { job } = task;
    if (message.done && (job.kind === 'count' || job.kind === 'catalogue-count'))
      task.job = { ...job, done: message.done };
    if (lane === task.lane) task.lane = findNextLane(lane);
    this.enqueue(task);
  }

  private enqueue(task: Task): void {
    this.queues[task.lane].add(task.asker.name, task);
    this.dispatch();
  }

  /** Gives work to every thread that has none. */
  private dispatch(): void {
    for (const lane of LANES) this.serve(lane, lane);
    // Threads for quick questions help with longer ones as long as nobody has a quick one.
    this.serve('middle', 'quick');
    for (const lane of LANES) this.signals.setWaiting(lane, this.queues[lane].size);
  }

  private serve(waiting: Lane, serving: Lane): void {
    const queue = this.queues[waiting];
    while (queue.size > 0) {
      const free = this.threads.filter((one) => one.lane === serving && one.isReady && !one.task);
      if (free.length === 0) return;
      const task = queue.take();
      if (task) this.order(chooseThread(free, task.job), task);
    }
  }

  private order(thread: Thread, task: Task): void {
    thread.task = task;
    thread.hang = setTimeout(() => this.endHanging(thread, task), this.limits.hang);
    const { turn, job } = task;
    thread.worker.postMessage({ turn, job, slice: this.findSlice(thread, task) } satisfies ThreadOrder);
  }

  /** A question goes on in its lane if there is no thread yet that would take it over. */
  private findSlice({ lane }: Thread, task: Task): number {
    const next = lane === task.lane ? findNextLane(lane) : task.lane;
    const isServed = this.threads.some((one) => one.lane === next && one.isReady);
    return isServed ? SLICES[lane] : Infinity;
  }

  private endHanging(thread: Thread, task: Task): void {
    this.parts.log({ what: 'thread-hung', job: task.job.kind });
    thread.task = undefined;
    thread.isReady = false;
    task.resolve(fail(createProblem('query-too-slow', 'error', { seconds: this.limits.hang / 1_000 })));
    void thread.worker.terminate();
  }

  /** A thread that ended is started anew; what it was about is answered with a fault. */
  private replace(thread: Thread): void {
    clearTimeout(thread.hang);
    const { task } = thread;
    thread.task = undefined;
    if (this.isClosed) return;
    task?.resolve(fail(createProblem('server-fault', 'error')));
    if (!thread.hasStarted) thread.failedStarts++;
    thread.isReady = false;
    thread.hasStarted = false;
    if (thread.failedStarts >= MAX_FAILED_STARTS)
      return this.parts.log({ what: 'thread-failed', detail: 'It does not start and is given up.' });
    thread.worker = this.startWorker(thread.place, thread.lane);
    this.listen(thread);
  }

  private giveUp(task: Task): void {
    this.queues[task.lane].remove(task.asker.name, task);
    const thread = this.threads.find((one) => one.task === task);
    if (thread) this.signals.giveUp(thread.place, task.turn);
    else task.resolve(fail(GIVEN_UP));
    this.dispatch();
  }
}

const GIVEN_UP = createProblem('request-given-up', 'error');

function findNextLane(lane: Lane): Lane {
  return LANES[LANES.indexOf(lane) + 1] ?? lane;
}

function isSeldomQuick({ kind }: Job, bytes: number): boolean {
  return SLOW_KINDS.includes(kind) || bytes > LONG_REQUEST;
}

function createBusyProblem(job: Job): Problem {
  return createProblem('service-busy', 'error', {
    database: 'database' in job ? job.database : 'Ewer',
    seconds: PAUSE,
  });
}

/** The questions to one database go to one thread as long as all are free: it remembers what it found. */
function chooseThread(free: readonly Thread[], job: Job): Thread {
  const name = 'database' in job ? job.database : '';
  const sum = [...name].reduce((all, letter) => all + letter.charCodeAt(0), 0);
  const chosen = free[sum % free.length];
  if (!chosen) throw new Error('No thread is free.');
  return chosen;
}
