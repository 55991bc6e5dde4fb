import { readlinkSync } from 'node:fs';
import { constants, setPriority } from 'node:os';

/**
 * Lets this thread have what the others leave of the processors: so a long search is done when there is
 * time, and never makes a quick one wait. Only Linux has priorities for threads; elsewhere all are equal.
 */
export function lowerThreadPriority(): void {
  try {
    const thread = Number(readlinkSync('/proc/thread-self').split('/').at(-1));
    setPriority(thread, constants.priority.PRIORITY_BELOW_NORMAL);
  } catch {
    // Without priorities, the lanes alone keep quick questions quick.
  }
}
