import type { RecordSet } from './bitset';
import type { CollectionIndex } from './collection-index';
import { NEVER, type Deadline } from './dictionary';

/** A value with the number of records of a set that have it. */
export interface CountedValue {
  readonly value: string;
  readonly records: number;
}

/** The values of one kind of key: for each record the places of those that it has, one record behind the other. */
interface ValueTable {
  /** The keys in the order of their letters; the index has the same texts, so they take no room. */
  readonly keys: readonly string[];
  /** Where the places of each record begin; one more than there are records. */
  readonly starts: Uint32Array;
  readonly places: Uint32Array;
}

/** The keys of an index of which there is no table yet, by what stands before their `=`, and the tables. */
interface Tables {
  readonly keys: Map<string, string[]>;
  readonly made: Map<string, ValueTable>;
}

/** An index never changes, so each table is made once, when it is first counted. */
const TABLES = new WeakMap<CollectionIndex, Tables>();

function findTable(index: CollectionIndex, name: string): ValueTable {
  let tables = TABLES.get(index);
  if (!tables) {
    tables = { keys: sortOutKeys(index), made: new Map() };
    TABLES.set(index, tables);
  }
  let table = tables.made.get(name);
  if (!table) {
    table = createTable(index, tables.keys.get(name) ?? []);
    tables.made.set(name, table);
    tables.keys.delete(name);
  }
  return table;
}

function sortOutKeys(index: CollectionIndex): Map<string, string[]> {
  const keys = new Map<string, string[]>();
  for (const key of index.keys.keys()) {
    const name = key.slice(0, key.indexOf('='));
    const known = keys.get(name);
    if (known) known.push(key);
    else keys.set(name, [key]);
  }
  return keys;
}

function createTable(index: CollectionIndex, keys: string[]): ValueTable {
  keys.sort();
  const starts = new Uint32Array(index.size + 1);
  for (const key of keys) for (const record of index.keys.get(key)!) starts[record + 1]!++;
  for (let record = 0; record < index.size; record++) starts[record + 1]! += starts[record]!;
  const places = new Uint32Array(starts[index.size]!);
  const filled = starts.slice();
  keys.forEach((key, place) => {
    for (const record of index.keys.get(key)!) places[filled[record]!++] = place;
  });
  return { keys, starts, places };
}

/** Records looked at between two looks at the clock. */
const RECORDS_BETWEEN = 2_048;

/**
 * The values of keys such as `type=review` that most records of a set have, for the name `type`: the most frequent
 * first, equally frequent ones in the order of their letters, so many at most.
 */
export function countKeys(
  index: CollectionIndex,
  set: RecordSet,
  name: string,
  deadline: Deadline = NEVER,
  most = Infinity,
): CountedValue[] {
  const { keys, starts, places } = findTable(index, name);
  const counts = new Uint32Array(keys.length);
  let looked = 0;
  for (const record of set.list()) {
    if (++looked % RECORDS_BETWEEN === 0 && deadline()) break;
    for (let at = starts[record]!; at < starts[record + 1]!; at++) counts[places[at]!]!++;
  }
  return takeMost(keys, counts, most).map(({ value, records }) => ({
    value: value.slice(name.length + 1),
    records,
  }));
}

/** The keys with the greatest counts; the many that are met once are not sorted for the few that are shown. */
function takeMost(keys: readonly string[], counts: Uint32Array, most: number): CountedValue[] {
  const least = findLeast(counts, most);
  const taken: CountedValue[] = [];
  const ties: CountedValue[] = [];
  keys.forEach((value, place) => {
    const records = counts[place]!;
    if (records > least) taken.push({ value, records });
    else if (records === least && records > 0) ties.push({ value, records });
  });
  return [...sortCounted(taken), ...ties.slice(0, Math.max(0, most - taken.length))];
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
export function countKey(index: CollectionIndex, set: RecordSet, key: string): number {
  let records = 0;
  for (const number of index.keys.get(key) ?? []) if (set.has(number)) records++;
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
