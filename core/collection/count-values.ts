import type { RecordSet } from './bitset';
import type { CollectionIndex } from './collection-index';
import { NEVER, type Deadline } from './dictionary';
import { findKeyRange, findKeyRecords, readKey, readKeyRecords } from './key-table';

/** A value with the number of records of a set that have it. */
export interface CountedValue {
  readonly value: string;
  readonly records: number;
}

/** Keys looked at between two looks at the clock. */
const KEYS_BETWEEN = 256;

/**
 * The values of keys such as `type=review` that most records of a set have, for the name `type`: the most frequent
 * first, equally frequent ones in the order of their letters, so many at most.
 */
export function countKeys(
  { keys }: CollectionIndex,
  set: RecordSet,
  name: string,
  deadline: Deadline = NEVER,
  most = Infinity,
): CountedValue[] {
  const [from, to] = findKeyRange(keys, name);
  const counts = new Uint32Array(to - from);
  for (let at = 0; at < counts.length; at++) {
    if (at % KEYS_BETWEEN === KEYS_BETWEEN - 1 && deadline()) break;
    counts[at] = countIn(set, readKeyRecords(keys, from + at));
  }
  return takeMost(counts, most).map((at) => ({
    value: readKey(keys, from + at).slice(name.length + 1),
    records: counts[at]!,
  }));
}

/** The places of the greatest counts, equal ones in their order; the many ones are not sorted for the few that are shown. */
function takeMost(counts: Uint32Array, most: number): number[] {
  const least = findLeast(counts, most);
  const taken: number[] = [];
  const ties: number[] = [];
  counts.forEach((count, at) => {
    if (count > least) taken.push(at);
    else if (count === least && count > 0) ties.push(at);
  });
  taken.sort((a, b) => counts[b]! - counts[a]! || a - b);
  return [...taken, ...ties.slice(0, Math.max(0, most - taken.length))];
}

/** The count that the last of so many of the greatest has; 0 if all that occur are taken. */
function findLeast(counts: Uint32Array, most: number): number {
  const times = new Map<number, number>();
  for (const count of counts) if (count > 0) times.set(count, (times.get(count) ?? 0) + 1);
  let taken = 0;
  for (const count of [...times.keys()].sort((a, b) => b - a)) {
    taken += times.get(count)!;
    if (taken >= most) return count;
  }
  return 0;
}

/** How many records of a set stand under one key. */
export function countKey({ keys }: CollectionIndex, set: RecordSet, key: string): number {
  return countIn(set, findKeyRecords(keys, key));
}

function countIn(set: RecordSet, records: Uint32Array): number {
  let count = 0;
  for (const record of records) if (set.has(record)) count++;
  return count;
}

/** How many records of a set are of each year; records without a year are in none. */
export function countYears(index: CollectionIndex, set: RecordSet): CountedValue[] {
  const years = new Map<number, number>();
  for (const number of set.list()) {
    const year = index.years[number] ?? 0;
    if (year !== 0) years.set(year, (years.get(year) ?? 0) + 1);
  }
  return sortCounted([...years].map(([year, records]) => ({ value: String(year), records })));
}

/** The most frequent first; equally frequent ones in the order of their letters. */
function sortCounted(counted: readonly CountedValue[]): CountedValue[] {
  return [...counted].sort((a, b) => b.records - a.records || (a.value < b.value ? -1 : 1));
}
