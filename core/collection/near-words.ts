import {
  FIELD_COUNT,
  FREQUENCY_BITS,
  FREQUENCY_ESCAPE,
  SEGMENT_SIZE,
  SKIP,
  findField,
  type Segment,
} from './collection-index';
import { ALL_FIELDS, type FieldMask } from './document';
import { NEVER, type Deadline } from './dictionary';
import { findPositions, skipPositions } from './positions';

/** Places of single words in one segment as `record * 65536 + position`, growing: both fit 16 bits. */
type WordPlaces = Uint32Array;

const POSITION_BITS = 16;

/**
 * The records (numbers within the segment) where one of some words stands near one of some others: first the
 * records that have both, then the places of the words in these alone. Once the deadline has passed, some of them.
 */
export function findNearWords(
  segment: Segment,
  near: {
    readonly left: readonly number[];
    readonly right: readonly number[];
    readonly distance: number;
    readonly ordered: boolean;
  },
  fields: FieldMask,
  deadline: Deadline = NEVER,
): number[] {
  const [one, ...others] = near.left;
  const [other, ...more] = near.right;
  if (one === undefined || other === undefined) return [];
  if (others.length === 0 && more.length === 0) return findNearPair(segment, one, other, near, fields);
  const shared = markRecords(segment, near.left, fields, deadline);
  const marked = markRecords(segment, near.right, fields, deadline);
  let isAny = false;
  for (let at = 0; at < shared.length; at++) {
    shared[at]! &= marked[at]!;
    isAny ||= shared[at] !== 0;
  }
  if (!isAny) return [];
  const left = listPlaces(segment, near.left, fields, shared, deadline);
  const right = listPlaces(segment, near.right, fields, shared, deadline);
  return mergePlaces(left, right, near.distance, near.ordered);
}

/** A list so many times as long as another is looked into; else both are read whole. */
const MUCH_LONGER = 32;
/** The posting of each record of a segment, written by whoever reads it next: what is left from before is told by its record. */
const postingOf = new Uint32Array(SEGMENT_SIZE);

/**
 * As `findNearWords` for two words: the records of the rarer word are looked up among those of the other, and
 * positions are read where both stand.
 */
function findNearPair(
  segment: Segment,
  left: number,
  right: number,
  { distance, ordered }: { readonly distance: number; readonly ordered: boolean },
  fields: FieldMask,
): number[] {
  const { starts, docs, meta } = segment;
  const isLeftRarer = starts[left + 1]! - starts[left]! <= starts[right + 1]! - starts[right]!;
  const [rare, frequent] = isLeftRarer ? [left, right] : [right, left];
  const first = starts[frequent]!;
  const end = starts[frequent + 1]!;
  const rareEnd = starts[rare + 1]!;
  const isMuchLonger = end - first > MUCH_LONGER * (rareEnd - starts[rare]!);
  if (!isMuchLonger) for (let at = first; at < end; at++) postingOf[docs[at]!] = at;
  const wanted = fields << FREQUENCY_BITS;
  const records: number[] = [];
  let from = first;
  // The postings whose positions begin at `rareAt` and `otherAt`: they follow when both words stand in a record.
  let rareKnown = -1 - SKIP;
  let rareAt = 0;
  let otherKnown = -1 - SKIP;
  let otherAt = 0;
  for (let posting = starts[rare]!; posting < rareEnd; posting++) {
    const doc = docs[posting]!;
    if (isMuchLonger) from = findDoc(docs, from, end, doc);
    const other = isMuchLonger ? from : postingOf[doc]!;
    if (other < first || other >= end || docs[other] !== doc) continue;
    if ((meta[posting]! & wanted) === 0 || (meta[other]! & wanted) === 0) continue;
    rareAt =
      posting - rareKnown > SKIP
        ? findPositions(segment, posting)
        : skipPositions(segment, rareKnown, posting, rareAt);
    otherAt =
      other - otherKnown > SKIP
        ? findPositions(segment, other)
        : skipPositions(segment, otherKnown, other, otherAt);
    rareKnown = posting;
    otherKnown = other;
    const areBoth = isLeftRarer
      ? areNear(segment, doc, meta[posting]!, rareAt, meta[other]!, otherAt, distance, ordered, fields)
      : areNear(segment, doc, meta[other]!, otherAt, meta[posting]!, rareAt, distance, ordered, fields);
    if (areBoth) records.push(doc);
  }
  return records;
}

/** The first posting from a place on whose record is not below a number: by steps that double, then by halves. */
function findDoc(docs: Uint16Array, from: number, end: number, doc: number): number {
  let step = 1;
  let low = from;
  let high = from;
  while (high < end && docs[high]! < doc) {
    low = high + 1;
    high += step;
    step *= 2;
  }
  if (high > end) high = end;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (docs[middle]! < doc) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Whether a position of one posting is near one of another, both in the fields; a posting is its meta number and where its positions begin. */
function areNear(
  segment: Segment,
  doc: number,
  metaA: number,
  atA: number,
  metaB: number,
  atB: number,
  distance: number,
  ordered: boolean,
  fields: FieldMask,
): boolean {
  const { positions } = segment;
  let a = atA;
  let count = metaA & FREQUENCY_ESCAPE;
  if (count === FREQUENCY_ESCAPE) count = positions[a++]!;
  const endA = a + count;
  let b = atB;
  count = metaB & FREQUENCY_ESCAPE;
  if (count === FREQUENCY_ESCAPE) count = positions[b++]!;
  const endB = b + count;
  for (; a < endA; a++) {
    const place = positions[a]!;
    const least = ordered ? place + 1 : place - distance;
    while (b < endB && positions[b]! < least) b++;
    if (b === endB) return false;
    for (let next = b; next < endB && positions[next]! <= place + distance; next++) {
      if (positions[next] !== place && isInFields(segment, doc, place, positions[next]!, fields)) return true;
    }
  }
  return false;
}

/** Whether two positions of a record both lie in some fields. */
function isInFields(segment: Segment, doc: number, one: number, other: number, fields: FieldMask): boolean {
  return (
    fields === ALL_FIELDS ||
    ((findField(segment, doc, one) & fields) !== 0 && (findField(segment, doc, other) & fields) !== 0)
  );
}

/** The records of a segment. */
function countRecords({ fieldStarts }: Segment): number {
  return fieldStarts.length / FIELD_COUNT;
}

/** A bit for each record of the segment that has one of some terms in one of some fields. */
function markRecords(
  segment: Segment,
  terms: readonly number[],
  fields: FieldMask,
  deadline: Deadline,
): Uint32Array {
  const { starts, docs, meta } = segment;
  const bits = new Uint32Array((countRecords(segment) + 31) >>> 5);
  const wanted = fields << FREQUENCY_BITS;
  for (const term of terms) {
    if (deadline()) break;
    const end = starts[term + 1]!;
    for (let at = starts[term]!; at < end; at++) {
      if ((meta[at]! & wanted) === 0) continue;
      const doc = docs[at]!;
      bits[doc >>> 5]! |= 1 << (doc & 31);
    }
  }
  return bits;
}

/** The places of some terms in the records that are marked. */
function listPlaces(
  segment: Segment,
  terms: readonly number[],
  fields: FieldMask,
  marked: Uint32Array,
  deadline: Deadline,
): WordPlaces {
  let places = new Uint32Array(256);
  let count = 0;
  for (const term of terms) {
    if (deadline()) break;
    const { docs, meta, positions, starts } = segment;
    const end = starts[term + 1]!;
    // The posting whose positions begin at `at`.
    let known = starts[term]!;
    let at = -1;
    for (let posting = known; posting < end; posting++) {
      const doc = docs[posting]!;
      if ((marked[doc >>> 5]! & (1 << (doc & 31))) === 0) continue;
      if (((meta[posting]! >>> FREQUENCY_BITS) & fields) === 0) continue;
      at =
        at < 0 || posting - known > SKIP
          ? findPositions(segment, posting)
          : skipPositions(segment, known, posting, at);
      known = posting;
      let first = at;
      let frequency = meta[posting]! & FREQUENCY_ESCAPE;
      if (frequency === FREQUENCY_ESCAPE) frequency = positions[first++]!;
      if (count + frequency > places.length) {
        const wider = new Uint32Array(2 * (count + frequency));
        wider.set(places);
        places = wider;
      }
      const base = doc << POSITION_BITS;
      for (let next = first; next < first + frequency; next++) {
        const position = positions[next]!;
        if (fields !== ALL_FIELDS && (findField(segment, doc, position) & fields) === 0) continue;
        places[count++] = base | position;
      }
    }
  }
  const all = places.subarray(0, count);
  return terms.length > 1 ? all.sort() : all;
}

function mergePlaces(left: WordPlaces, right: WordPlaces, distance: number, ordered: boolean): number[] {
  const records: number[] = [];
  let from = 0;
  let last = -1;
  for (const place of left) {
    const record = place >>> POSITION_BITS;
    if (record === last) continue;
    const least = ordered ? place + 1 : place - distance;
    while (from < right.length && right[from]! < least) from++;
    if (from === right.length && ordered) break;
    for (let at = from; at < right.length && right[at]! <= place + distance; at++) {
      // A word is not near itself, nor near one of another record.
      if (right[at] === place || right[at]! >>> POSITION_BITS !== record) continue;
      records.push(record);
      last = record;
      break;
    }
  }
  return records;
}
