import type { NumberFilter, SearchFilter } from '#core/contract/index';
import { succeed, type Outcome } from '#core/problem/index';
import type { FindJudgement } from '#core/reading/index';
import { listRecords, type AskedSet } from './found-works';
import { JUDGED, type Judged } from './read-address';

/** A record by its number, with what was said of its work. */
export interface JudgedRecord {
  readonly number: number;
  readonly judged: Judged;
}

/** How many records of a set were judged, each way and not at all. */
export type JudgedCounts = Readonly<Record<Judged, number>>;

/** All records of a set that pass filters, with what was said of their works. */
export async function listByVerdict(
  set: AskedSet,
  filters: readonly SearchFilter[] | undefined,
  find: FindJudgement,
  stop: AbortSignal,
): Promise<Outcome<readonly JudgedRecord[]>> {
  const listed = await listRecords(set, filters ? { filters } : {}, stop);
  if (!listed.ok) return listed;
  return succeed(
    listed.value.map(({ number, keys }) => ({ number, judged: find('', keys)?.verdict ?? 'none' })),
  );
}

export function countVerdicts(records: readonly JudgedRecord[]): JudgedCounts {
  const counts = Object.fromEntries(JUDGED.map((judged) => [judged, 0])) as Record<Judged, number>;
  for (const { judged } of records) counts[judged]++;
  return counts;
}

/**
 * The numbers of those that were judged so. Of those that were not judged there may be more than a request takes, so
 * the others are left out in their place, unless the set is narrowed to numbers anyway.
 */
export function pickJudged(
  records: readonly JudgedRecord[],
  wanted: readonly Judged[],
  isNarrowed: boolean,
): NumberFilter {
  const list = (isIn: boolean): readonly number[] =>
    records.filter(({ judged }) => wanted.includes(judged) === isIn).map(({ number }) => number);
  return wanted.includes('none') && !isNarrowed
    ? { numbers: list(false), leavesOut: true }
    : { numbers: list(true) };
}
