import { boundGoodOnes } from '../compare';
import type { Verdict } from '../project';

/** How reading down a list went: after so many records, so many of them on topic, so many not sure. */
export interface ReadSoFar {
  readonly read: number;
  readonly good: number;
  readonly unsure: number;
}

/**
 * Follows the verdicts of a list from its top to the first record without one: what was judged further down was
 * not read in this order.
 */
export function traceReading(verdicts: Iterable<Verdict | undefined>): ReadSoFar[] {
  const steps: ReadSoFar[] = [{ read: 0, good: 0, unsure: 0 }];
  let [read, good, unsure] = [0, 0, 0];
  for (const verdict of verdicts) {
    if (!verdict) break;
    read++;
    if (verdict === 'on') good++;
    if (verdict === 'unsure') unsure++;
    steps.push({ read, good, unsure });
  }
  return steps;
}

/** The beginning of a random sample that was judged without a gap: only that is a random sample, too. */
export function countJudgedInOrder(verdicts: readonly (Verdict | undefined)[]): ReadSoFar {
  return traceReading(verdicts).at(-1)!;
}

/** Good ones among the records that were not read. */
export interface GoodOnesLeft {
  readonly middle: number;
  readonly least: number;
  readonly greatest: number;
}

/**
 * The good ones among the `size` records that were not read, by a random sample of them: exact bounds
 * (`boundGoodOnes`, 95 %); records that are not sure widen them. Nothing while none of the sample is judged.
 */
export function estimateGoodOnesLeft(
  size: number,
  { read, good, unsure }: ReadSoFar,
): GoodOnesLeft | undefined {
  if (read === 0) return undefined;
  return {
    middle: Math.round((size * (good + unsure / 2)) / read),
    least: boundGoodOnes(size, read, good).least,
    greatest: boundGoodOnes(size, read, good + unsure).greatest,
  };
}
