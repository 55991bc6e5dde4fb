import { decodeText, encodeText, toWellFormed } from './utf8';

/**
 * The whole values by which records are found exactly, such as `type=review`, in the order of their letters
 * (UTF-16), each with its records. There are tens of thousands of names of authors, so nothing is a text or an
 * array of its own: all of it stands in four arrays that threads share.
 */
export interface KeyTable {
  /** The keys in UTF-8, one behind the other. */
  readonly bytes: Uint8Array;
  /** Where each key begins in `bytes`; one more than there are keys. */
  readonly textStarts: Uint32Array;
  /** Where the records of each key begin in `records`; one more than there are keys. */
  readonly recordStarts: Uint32Array;
  readonly records: Uint32Array;
}

/** Makes a table of keys (well-formed texts) with their records. */
export function createKeyTable(keys: ReadonlyMap<string, readonly number[]>): KeyTable {
  const sorted = [...keys].map(([key, records]) => ({ key, bytes: encodeText(key), records }));
  sorted.sort((a, b) => (a.key < b.key ? -1 : 1));
  const textStarts = new Uint32Array(sorted.length + 1);
  const recordStarts = new Uint32Array(sorted.length + 1);
  sorted.forEach(({ bytes, records }, at) => {
    textStarts[at + 1] = textStarts[at]! + bytes.length;
    recordStarts[at + 1] = recordStarts[at]! + records.length;
  });
  const bytes = new Uint8Array(textStarts[sorted.length]!);
  const records = new Uint32Array(recordStarts[sorted.length]!);
  sorted.forEach((one, at) => {
    bytes.set(one.bytes, textStarts[at]);
    records.set(one.records, recordStarts[at]);
  });
  return { bytes, textStarts, recordStarts, records };
}

/** The key at a place. */
export function readKey({ bytes, textStarts }: KeyTable, place: number): string {
  return decodeText(bytes.subarray(textStarts[place], textStarts[place + 1]));
}

/** The records of a key; none if there is no such key. */
export function findKeyRecords(table: KeyTable, text: string): Uint32Array {
  const key = toWellFormed(text);
  const place = findPlace(table, key);
  const isThere = place < countPlaces(table) && readKey(table, place) === key;
  return isThere ? readKeyRecords(table, place) : NO_RECORDS;
}

/** The records of the key at a place. */
export function readKeyRecords({ records, recordStarts }: KeyTable, place: number): Uint32Array {
  return records.subarray(recordStarts[place], recordStarts[place + 1]);
}

/** The places of all keys of a name, such as `type`: from the first to before the last number. */
export function findKeyRange(table: KeyTable, name: string): readonly [number, number] {
  // The sign behind `=` ends the stretch.
  return [findPlace(table, `${name}=`), findPlace(table, `${name}>`)];
}

/** The values of all keys of a name. */
export function listKeyValues(table: KeyTable, name: string): string[] {
  const [from, to] = findKeyRange(table, name);
  return Array.from({ length: to - from }, (_, at) => readKey(table, from + at).slice(name.length + 1));
}

/** The bytes that a table takes. */
export function measureKeyTable({ bytes, textStarts, recordStarts, records }: KeyTable): number {
  return bytes.byteLength + textStarts.byteLength + recordStarts.byteLength + records.byteLength;
}

const NO_RECORDS = new Uint32Array();

function countPlaces({ textStarts }: KeyTable): number {
  return textStarts.length - 1;
}

/** The place of the first key that is not before a text. */
function findPlace(table: KeyTable, text: string): number {
  let [from, to] = [0, countPlaces(table)];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (readKey(table, middle) < text) from = middle + 1;
    else to = middle;
  }
  return from;
}
