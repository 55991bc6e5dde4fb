import type { RecordSet } from './bitset';
import type { CollectionIndex } from './collection-index';
import { NEVER, type Deadline } from './dictionary';

/** A value with the number of records of a set that have it. */
export interface CountedValue {
  readonly value: string;
  readonly records: number;
}

/** Keys looked at between two looks at the clock. */
const KEYS_BETWEEN = 256;

/** How many records of a set stand under each key that begins with a prefix; the value is the rest of the key. */
export function countKeys(
  index: CollectionIndex,
  set: RecordSet,
  prefix: string,
  deadline: Deadline = NEVER,
): CountedValue[] {
  const counted: CountedValue[] = [];
  let looked = 0;
  for (const [key, numbers] of index.keys) {
    if (!key.startsWith(prefix)) continue;
    if (++looked % KEYS_BETWEEN === 0 && deadline()) break;
    let records = 0;
    for (const number of numbers) if (set.has(number)) records++;
    if (records > 0) counted.push({ value: key.slice(prefix.length), records });
  }
  return sortCounted(counted);
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
