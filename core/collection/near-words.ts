import {
  FIELD_COUNT,
  FREQUENCY_BITS,
  FREQUENCY_ESCAPE,
  SEGMENT_SIZE,
  SKIP,
  VALUE_GAP,
  findField,
  type Segment,
} from './collection-index';
import { ALL_FIELDS, type FieldMask } from './document';
import { NEVER, type Deadline } from './dictionary';
import { findPositions, skipPositions } from './positions';

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
  const [one, ...moreLeft] = near.left;
  const [other, ...moreRight] = near.right;
  if (one === undefined || other === undefined) return [];
  if (moreLeft.length === 0 && moreRight.length === 0) return findNearPair(segment, one, other, near, fields);
  const shared = markRecords(segment, near.left, fields, deadline);
  const marked = markRecords(segment, near.right, fields, deadline);
  let isAny = false;
  for (let at = 0; at < shared.length; at++) {
    shared[at]! &= marked[at]!;
    isAny ||= shared[at] !== 0;
  }
  if (!isAny) return [];
  const isChainLeft = countPostings(segment, near.left) <= countPostings(segment, near.right);
  const [chainedTerms, others] = isChainLeft ? [near.left, near.right] : [near.right, near.left];
  const chained = chainPlaces(segment, chainedTerms, fields, shared, deadline);
  return findNearChained(segment, others, chained, { ...near, isChainLeft }, fields, shared, deadline);
}

/** A list so many times as long as another is looked into; else both are read whole. */
const MUCH_LONGER = 32;
/**
 * The posting of each record of a segment. Entries of an earlier query are known by their record, so nothing
 * is cleared.
 */
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
    // Words that share no field are farther apart than that.
    if (distance < VALUE_GAP && (meta[posting]! & meta[other]! & wanted) === 0) continue;
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

/** The postings of some terms together. */
function countPostings({ starts }: Segment, terms: readonly number[]): number {
  return terms.reduce((sum, term) => sum + starts[term + 1]! - starts[term]!, 0);
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

/** The last place of each record in the chain of places that is being made; it is filled anew for each chain. */
const lastPlaceOf = new Int32Array(SEGMENT_SIZE);

/** The places of words, chained by record: from the last one of a record to the first. */
interface ChainedPlaces {
  readonly positions: Uint16Array;
  /** The place before in the same record; -1 for none. */
  readonly before: Int32Array;
}

/** Chains the places of some terms in the records that are marked; `lastPlaceOf` has where each chain begins. */
function chainPlaces(
  segment: Segment,
  terms: readonly number[],
  fields: FieldMask,
  marked: Uint32Array,
  deadline: Deadline,
): ChainedPlaces {
  const { starts, docs, meta, positions } = segment;
  const wanted = fields << FREQUENCY_BITS;
  lastPlaceOf.fill(-1, 0, countRecords(segment));
  let chained: ChainedPlaces = { positions: new Uint16Array(1_024), before: new Int32Array(1_024) };
  let count = 0;
  for (const term of terms) {
    if (deadline()) break;
    const end = starts[term + 1]!;
    // Most records are marked: positions are read on and on. A function for each posting would cost as much again.
    let at = findPositions(segment, starts[term]!);
    for (let posting = starts[term]!; posting < end; posting++) {
      const number = meta[posting]!;
      let frequency = number & FREQUENCY_ESCAPE;
      if (frequency === FREQUENCY_ESCAPE) frequency = positions[at++]!;
      const first = at;
      at += frequency;
      const doc = docs[posting]!;
      if ((marked[doc >>> 5]! & (1 << (doc & 31))) === 0 || (number & wanted) === 0) continue;
      if (count + frequency > chained.before.length) chained = widen(chained, 2 * (count + frequency));
      let last = lastPlaceOf[doc]!;
      for (let next = first; next < at; next++) {
        chained.positions[count] = positions[next]!;
        chained.before[count] = last;
        last = count++;
      }
      lastPlaceOf[doc] = last;
    }
  }
  return chained;
}

function widen({ positions, before }: ChainedPlaces, length: number): ChainedPlaces {
  const wider = { positions: new Uint16Array(length), before: new Int32Array(length) };
  wider.positions.set(positions);
  wider.before.set(before);
  return wider;
}

/**
 * The records in which one of some terms stands near a chained place; a record that was found is unmarked,
 * so that nothing more of it is read.
 */
function findNearChained(
  segment: Segment,
  terms: readonly number[],
  chained: ChainedPlaces,
  { isChainLeft, distance, ordered }: { isChainLeft: boolean; distance: number; ordered: boolean },
  fields: FieldMask,
  marked: Uint32Array,
  deadline: Deadline,
): number[] {
  const { starts, docs, meta, positions } = segment;
  const wanted = fields << FREQUENCY_BITS;
  const records: number[] = [];
  // How far behind and before a chained place the other one may stand.
  const behind = ordered && !isChainLeft ? 0 : distance;
  const ahead = ordered && isChainLeft ? 0 : distance;
  for (const term of terms) {
    if (deadline()) break;
    const end = starts[term + 1]!;
    let at = findPositions(segment, starts[term]!);
    for (let posting = starts[term]!; posting < end; posting++) {
      const number = meta[posting]!;
      let frequency = number & FREQUENCY_ESCAPE;
      if (frequency === FREQUENCY_ESCAPE) frequency = positions[at++]!;
      const first = at;
      at += frequency;
      const doc = docs[posting]!;
      if ((marked[doc >>> 5]! & (1 << (doc & 31))) === 0 || (number & wanted) === 0) continue;
      if (!isNearChain(segment, doc, first, at, chained, behind, ahead, fields)) continue;
      records.push(doc);
      marked[doc >>> 5]! &= ~(1 << (doc & 31));
    }
  }
  return records;
}

/** Whether one of some positions of a record is near a place of its chain, both in the fields. */
function isNearChain(
  segment: Segment,
  doc: number,
  first: number,
  end: number,
  chained: ChainedPlaces,
  behind: number,
  ahead: number,
  fields: FieldMask,
): boolean {
  for (let next = first; next < end; next++) {
    const position = segment.positions[next]!;
    for (let place = lastPlaceOf[doc]!; place >= 0; place = chained.before[place]!) {
      const away = position - chained.positions[place]!;
      if (away === 0 || away > behind || away < -ahead) continue;
      if (isInFields(segment, doc, position, chained.positions[place]!, fields)) return true;
    }
  }
  return false;
}
