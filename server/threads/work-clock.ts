import { closeSync, openSync, readSync } from 'node:fs';
import type { Clock } from '#core/holding/index';

/** What was measured a moment ago is near enough: measuring costs more than many a piece of the work. Milliseconds. */
const MOMENT = 4;
/** What the kernel of Linux tells of the thread that asks: nanoseconds of computing first. */
const THREAD_STATISTICS = '/proc/thread-self/schedstat';

/**
 * A clock of the computing that this thread has done, in milliseconds: a busy machine must not make a
 * quick search look slow. Where the system does not tell, time that passes is taken for it.
 */
export function createWorkClock(): Clock {
  if (measureThread() === undefined) return () => performance.now();
  let measured = { at: -Infinity, work: 0 };
  return () => {
    const at = performance.now();
    if (at - measured.at > MOMENT) measured = { at, work: measureThread() ?? at };
    return measured.work;
  };
}

const bytes = Buffer.alloc(64);

function measureThread(): number | undefined {
  try {
    const file = openSync(THREAD_STATISTICS, 'r');
    const length = readSync(file, bytes, 0, bytes.length, 0);
    closeSync(file);
    const nanoseconds = Number(bytes.toString('latin1', 0, length).split(' ')[0]);
    return Number.isFinite(nanoseconds) && nanoseconds > 0 ? nanoseconds / 1e6 : undefined;
  } catch {
    return undefined;
  }
}
