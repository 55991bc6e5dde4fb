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
  const isChainLeft = countPostings(segment, near.left) <= countPostings(segment, near.right);
  const [chainedTerms, others] = isChainLeft ? [near.left, near.right] : [near.right, near.left];
  const chains = chainPlaces(segment, chainedTerms, near.distance, fields, deadline);
  const reach = {
    behind: near.ordered && !isChainLeft ? 0 : near.distance,
    ahead: near.ordered && isChainLeft ? 0 : near.distance,
  };
  return findNearChained(segment, others, chains, reach, fields, deadline);
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

/** The last place of each record in the chain of places that is being made; it is filled anew for each chain. */
const lastPlaceOf = new Int32Array(SEGMENT_SIZE);

/** So many places side by side are one block: its number is the place shifted by so many bits. */
const BLOCK_BITS = 3;
/**
 * For each record of the chain that is being made, the blocks in which a place can be near a chained one: block
 * n at bit n modulo 32. Most places of other words are in none of them, and need no look into the chain.
 */
const nearBlocksOf = new Uint32Array(SEGMENT_SIZE);

/** The blocks that lie within a distance of a place, as bits. */
function findNearBlocks(place: number, distance: number): number {
  const first = (place - distance) >> BLOCK_BITS;
  const count = ((place + distance) >> BLOCK_BITS) - first + 1;
  if (count >= 32) return -1;
  const bits = (1 << count) - 1;
  const turn = first & 31;
  return (bits << turn) | (turn === 0 ? 0 : bits >>> (32 - turn));
}

/** The places of words, chained by record: from the last one of a record to the first. */
class PlaceChains {
  positions = new Uint16Array(1_024);
  /** The place before in the same record; -1 for none. */
  before = new Int32Array(1_024);
  count = 0;

  /** Makes room for so many more. */
  reserve(more: number): void {
    if (this.count + more <= this.before.length) return;
    const { positions, before } = this;
    this.positions = new Uint16Array(2 * (this.count + more));
    this.positions.set(positions);
    this.before = new Int32Array(2 * (this.count + more));
    this.before.set(before);
  }
}

/**
 * Chains the places of some terms; `lastPlaceOf` has where each chain begins,
 * `nearBlocksOf` where another place can be near it.
 */
function chainPlaces(
  segment: Segment,
  terms: readonly number[],
  distance: number,
  fields: FieldMask,
  deadline: Deadline,
): PlaceChains {
  lastPlaceOf.fill(-1, 0, countRecords(segment));
  nearBlocksOf.fill(0, 0, countRecords(segment));
  const chains = new PlaceChains();
  for (const term of terms) {
    if (deadline()) break;
    chainTerm(segment, term, distance, fields, chains);
  }
  return chains;
}

function chainTerm(
  segment: Segment,
  term: number,
  distance: number,
  fields: FieldMask,
  chains: PlaceChains,
): void {
  const { starts, docs, meta, positions } = segment;
  const wanted = fields << FREQUENCY_BITS;
  const end = starts[term + 1]!;
  let at = findPositions(segment, starts[term]!);
  chains.reserve(findPositions(segment, end) - at);
  const { positions: places, before } = chains;
  let { count } = chains;
  // Positions are read on and on: a function for each posting would cost as much again.
  for (let posting = starts[term]!; posting < end; posting++) {
    const number = meta[posting]!;
    let frequency = number & FREQUENCY_ESCAPE;
    if (frequency === FREQUENCY_ESCAPE) frequency = positions[at++]!;
    const first = at;
    at += frequency;
    if ((number & wanted) === 0) continue;
    const doc = docs[posting]!;
    let last = lastPlaceOf[doc]!;
    let blocks = nearBlocksOf[doc]!;
    for (let next = first; next < at; next++) {
      const place = positions[next]!;
      blocks |= findNearBlocks(place, distance);
      places[count] = place;
      before[count] = last;
      last = count++;
    }
    lastPlaceOf[doc] = last;
    nearBlocksOf[doc] = blocks;
  }
  chains.count = count;
}

/** How far behind and before a chained place the other one may stand. */
interface Reach {
  readonly behind: number;
  readonly ahead: number;
}

/**
 * The records in which one of some terms stands near a chained place; nothing more is read
 * of a record that was found.
 */
function findNearChained(
  segment: Segment,
  terms: readonly number[],
  chains: PlaceChains,
  reach: Reach,
  fields: FieldMask,
  deadline: Deadline,
): number[] {
  const records: number[] = [];
  for (const term of terms) {
    if (deadline()) break;
    findNearTerm(segment, term, chains, reach, fields, records);
  }
  return records;
}

function findNearTerm(
  segment: Segment,
  term: number,
  chains: PlaceChains,
  reach: Reach,
  fields: FieldMask,
  records: number[],
): void {
  const { starts, docs, meta, positions } = segment;
  const wanted = fields << FREQUENCY_BITS;
  const end = starts[term + 1]!;
  let at = findPositions(segment, starts[term]!);
  for (let posting = starts[term]!; posting < end; posting++) {
    const number = meta[posting]!;
    let frequency = number & FREQUENCY_ESCAPE;
    if (frequency === FREQUENCY_ESCAPE) frequency = positions[at++]!;
    const first = at;
    at += frequency;
    const doc = docs[posting]!;
    const nearBlocks = nearBlocksOf[doc]!;
    if (nearBlocks === 0 || (number & wanted) === 0) continue;
    for (let next = first; next < at; next++) {
      if ((nearBlocks & (1 << ((positions[next]! >> BLOCK_BITS) & 31))) === 0) continue;
      if (!isNearChain(segment, doc, positions[next]!, chains, reach, fields)) continue;
      records.push(doc);
      nearBlocksOf[doc] = 0;
      break;
    }
  }
}

/** Whether a position of a record is near a place of its chain, both in the fields. */
function isNearChain(
  segment: Segment,
  doc: number,
  position: number,
  { positions, before }: PlaceChains,
  { behind, ahead }: Reach,
  fields: FieldMask,
): boolean {
  for (let place = lastPlaceOf[doc]!; place >= 0; place = before[place]!) {
    const away = position - positions[place]!;
    if (away === 0 || away > behind || away < -ahead) continue;
    if (isInFields(segment, doc, position, positions[place]!, fields)) return true;
  }
  return false;
}
