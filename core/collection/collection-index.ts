import { INDEX_FIELDS, type FieldMask } from './document';
import { measureKeyTable, type KeyTable } from './key-table';

/** Records a segment: their numbers within it fit 16 bits. */
export const SEGMENT_SIZE = 65_536;
/** Words between two values of a field, and two fields, so that no phrase or proximity spans them. */
export const VALUE_GAP = 100;
/** Positions fit 16 bits; words of a record beyond that are not indexed. */
export const GREATEST_POSITION = 65_000;
/** One entry into the positions every so many postings. */
export const SKIP = 16;
/** The meta number of a posting has 16 bits: the field mask above (`MostIndexFields`), the frequency below. */
export const FREQUENCY_BITS = 6;
/** A frequency that does not fit stands before the positions instead. */
export const FREQUENCY_ESCAPE = (1 << FREQUENCY_BITS) - 1;
export const FIELD_COUNT = INDEX_FIELDS.length;

/** The postings of up to 65,536 records. The postings of term t are `starts[t]` to `starts[t + 1]`. */
export interface Segment {
  readonly starts: Uint32Array;
  /** Record numbers within the segment, growing within a term. */
  readonly docs: Uint16Array;
  /** `mask << FREQUENCY_BITS | frequency`. */
  readonly meta: Uint16Array;
  /** The positions of all postings, one after the other. */
  readonly positions: Uint16Array;
  /** Where the positions of every 16th posting of the segment begin. */
  readonly skips: Uint32Array;
  /** First position of each field of each record; `FIELD_COUNT` numbers a record. */
  readonly fieldStarts: Uint16Array;
}

/** How texts become index words. */
export interface Analysis {
  /** Words that are not indexed; the words round them move together. */
  readonly stopWords: readonly string[];
  /** Hyphenated words are indexed joined, too, at the place of their first part. */
  readonly joinHyphens: boolean;
  /** Words are indexed by their stems, too, at the same place: see `markStem`. */
  readonly stems?: boolean;
}

/** Gives the stem of a folded word. */
export type Stem = (word: string) => string;

/** A stem as it stands in the index beside the words: no word looks like it. */
export function markStem(stem: string): string {
  return `=${stem}=`;
}

/** The analysis of the neutral query language. */
export const NEUTRAL_ANALYSIS: Analysis = { stopWords: [], joinHyphens: false };

/** A read-only index over records that are numbered from 0. */
export interface CollectionIndex {
  readonly size: number;
  readonly analysis: Analysis;
  /** The words by term number, in the order of first appearance. */
  readonly terms: readonly string[];
  /** Term numbers in the order of the alphabet (UTF-16). */
  readonly sorted: Uint32Array;
  /** Term numbers in the order of the words read backwards. */
  readonly reversed: Uint32Array;
  readonly segments: readonly Segment[];
  /** Records for each exact key. */
  readonly keys: KeyTable;
  /** 0 for a record without a year. */
  readonly years: Uint16Array;
  /** Months since year 0; 0 for none. */
  readonly entered: Uint16Array;
  /** The key of the identifier of each record in two halves (`splitKey`); zeros for none. */
  readonly identifiers: Uint32Array;
  /** The place of each record in the order of titles, from 1; the same for the same title, 0 for none. */
  readonly titleRanks: Uint32Array;
  /** The same by the names of first authors. */
  readonly authorRanks: Uint32Array;
  /** 0 where it is not known. */
  readonly timesCited: Uint16Array;
}

/** A key of up to 53 bits as two numbers, the upper one first. */
export function splitKey(key: number): readonly [number, number] {
  return [Math.floor(key / 2 ** 32), key >>> 0];
}

/** The field that a position lies in, as a mask of one bit. */
export function findField(segment: Segment, doc: number, position: number): FieldMask {
  const base = doc * FIELD_COUNT;
  const { fieldStarts } = segment;
  // Most places are in the first fields.
  let field = 0;
  while (field < FIELD_COUNT - 1 && fieldStarts[base + field + 1]! <= position) field++;
  return 1 << field;
}

/** The bytes that the index keeps for its records: postings, positions, columns and keys. */
export function measureBytes(index: CollectionIndex): number {
  let bytes =
    index.years.byteLength +
    index.entered.byteLength +
    index.identifiers.byteLength +
    index.titleRanks.byteLength +
    index.authorRanks.byteLength +
    index.timesCited.byteLength +
    index.sorted.byteLength +
    index.reversed.byteLength;
  for (const segment of index.segments) {
    bytes += segment.starts.byteLength + segment.docs.byteLength + segment.meta.byteLength;
    bytes += segment.positions.byteLength + segment.skips.byteLength + segment.fieldStarts.byteLength;
  }
  bytes += measureKeyTable(index.keys);
  for (const term of index.terms) bytes += term.length + 16;
  return bytes;
}
