import type { RecordSet } from './bitset';
import type { CollectionIndex } from './collection-index';
import { NEVER, type Deadline } from './dictionary';

/** A value with the number of records of a set that have it. */
export interface CountedValue {
  readonly value: string;
  readonly records: number;
}

/** The keys of an index by what stands before their `=`. They never change, so they are sorted out once. */
const KEYS_BY_NAME = new WeakMap<CollectionIndex, ReadonlyMap<string, readonly Key[]>>();
interface Key {
  readonly value: string;
  readonly numbers: Uint32Array;
}

function listKeys(index: CollectionIndex, name: string): readonly Key[] {
  let byName = KEYS_BY_NAME.get(index);
  if (!byName) {
    const lists = new Map<string, Key[]>();
    for (const [key, numbers] of index.keys) {
      const end = key.indexOf('=');
      const found = lists.get(key.slice(0, end));
      const entry = { value: key.slice(end + 1), numbers };
      if (found) found.push(entry);
      else lists.set(key.slice(0, end), [entry]);
    }
    KEYS_BY_NAME.set(index, lists);
    byName = lists;
  }
  return byName.get(name) ?? [];
}

/** Keys looked at between two looks at the clock. */
const KEYS_BETWEEN = 256;

/** How many records of a set stand under each key of a name, such as `type`: the key is `type=review`. */
export function countKeys(
  index: CollectionIndex,
  set: RecordSet,
  name: string,
  deadline: Deadline = NEVER,
): CountedValue[] {
  const counted: CountedValue[] = [];
  let looked = 0;
  for (const { value, numbers } of listKeys(index, name)) {
    if (++looked % KEYS_BETWEEN === 0 && deadline()) break;
    const records = countIn(set, numbers);
    if (records > 0) counted.push({ value, records });
  }
  return sortCounted(counted);
}

/** How many records of a set stand under one key. */
export function countKey(index: CollectionIndex, set: RecordSet, key: string): number {
  return countIn(set, index.keys.get(key) ?? new Uint32Array());
}

function countIn(set: RecordSet, numbers: Uint32Array): number {
  let records = 0;
  for (const number of numbers) if (set.has(number)) records++;
  return records;
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
