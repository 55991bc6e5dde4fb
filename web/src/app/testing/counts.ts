import { createAmount, getAmount, getExact, type Total } from '#core/count/index';
import type { CountState, Counted } from '../counting/count-state';
import { readCount } from '../counting/read-count';

/** The number of a count that is exact, whatever it is a count of. */
export function readExact(counted: Counted | undefined): Total | undefined {
  return getExact(getAmount(readCount(counted)));
}

/** True if a part of what was asked is left out of a count. */
export function omitsPart(counted: Counted | undefined): boolean {
  return counted?.rendering.omitted !== undefined;
}

/** A count that is there. */
export function createState(total: number, estimated = false, upTo?: number): CountState {
  return { status: 'counted', amount: createAmount(total, estimated, upTo) };
}
