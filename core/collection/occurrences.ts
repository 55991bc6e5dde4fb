import {
  FREQUENCY_BITS,
  FREQUENCY_ESCAPE,
  findField,
  type CollectionIndex,
  type Segment,
} from './collection-index';
import { ALL_FIELDS, type FieldMask } from './document';
import { NEVER, findTerms, type Deadline } from './dictionary';
import type { Slot } from './expression';
import { findPositions } from './positions';
import { findNearWords } from './near-words';

/** Places of one segment as `record * 65536 + position`, growing. */
export type Places = Float64Array;

const RECORD = 65_536;

/** The places where a phrase of one or more words begins, in the given fields; once the deadline has passed, anything. */
export function findPhrasePlaces(
  index: CollectionIndex,
  segment: Segment,
  slots: readonly Slot[],
  fields: FieldMask,
  deadline: Deadline = NEVER,
): Places {
  const terms = slots.map((slot) => findTerms(index, slot.pattern, slot.cap, deadline));
  const sizes = terms.map((list) =>
    list.reduce((sum, term) => sum + segment.starts[term + 1]! - segment.starts[term]!, 0),
  );
  const rarest = sizes.indexOf(Math.min(...sizes));
  let places = listPlaces(segment, terms[rarest]!, fields, rarest, undefined, deadline);
  const rest = slots.map((_, at) => at).filter((at) => at !== rarest);
  for (const at of rest.sort((a, b) => sizes[a]! - sizes[b]!)) {
    if (places.length === 0) break;
    places = listPlaces(segment, terms[at]!, fields, at, places, deadline);
  }
  return fields === ALL_FIELDS ? places : places.filter((place) => isInFields(segment, place, fields));
}

/** True if the place lies in one of the fields. */
function isInFields(segment: Segment, place: number, fields: FieldMask): boolean {
  const doc = Math.floor(place / RECORD);
  return (findField(segment, doc, place - doc * RECORD) & fields) !== 0;
}

/**
 * The starts of the phrase (position less `offset`) at which one of the terms stands; only those
 * among `within` if given.
 */
function listPlaces(
  segment: Segment,
  terms: readonly number[],
  fields: FieldMask,
  offset: number,
  within: Places | undefined,
  deadline: Deadline,
): Places {
  const parts: Places[] = [];
  for (const term of terms) {
    if (deadline()) break;
    parts.push(walkTerm(segment, term, fields, offset, within));
  }
  return joinSorted(parts);
}

function walkTerm(
  segment: Segment,
  term: number,
  fields: FieldMask,
  offset: number,
  within: Places | undefined,
): Places {
  const { docs, meta, positions } = segment;
  const end = segment.starts[term + 1]!;
  let posting = segment.starts[term]!;
  let at = findPositions(segment, posting);
  let found = new Float64Array(within ? Math.min(within.length, 64) : (end - posting) * 2);
  let count = 0;
  let mark = 0;
  for (; posting < end; posting++) {
    const number = meta[posting]!;
    let frequency = number & FREQUENCY_ESCAPE;
    if (frequency === FREQUENCY_ESCAPE) frequency = positions[at++]!;
    const base = docs[posting]! * RECORD;
    if (within) {
      while (mark < within.length && within[mark]! < base) mark++;
      if (mark === within.length) break;
      if (within[mark]! >= base + RECORD) {
        at += frequency;
        continue;
      }
    }
    if (((number >>> FREQUENCY_BITS) & fields) === 0) {
      at += frequency;
      continue;
    }
    let inRecord = mark;
    for (const last = at + frequency; at < last; at++) {
      const start = positions[at]! - offset;
      if (start < 0) continue;
      const place = base + start;
      if (within) {
        while (inRecord < within.length && within[inRecord]! < place) inRecord++;
        if (within[inRecord] !== place) continue;
      }
      if (count === found.length) {
        const wider = new Float64Array(count * 2 + 16);
        wider.set(found);
        found = wider;
      }
      found[count++] = place;
    }
  }
  return found.subarray(0, count);
}

/**
 * Occurrences of operands in one segment, growing: `place * LENGTHS + length`, the place as in `Places`,
 * the length in words. Plain numbers sort far faster than objects, and there may be millions.
 */
type Stretches = Float64Array;

/** Operands are shorter than so many words; longer ones end where so many would. */
const LENGTHS = 4_096;
/** So many occurrences are looked at between two looks at the clock. */
const STRETCHES_BETWEEN = 1_024;

/**
 * The records (numbers within the segment) where the two sides stand near each other; once the deadline
 * has passed, some of them.
 */
export function findNearRecords(
  index: CollectionIndex,
  segment: Segment,
  near: {
    left: readonly (readonly Slot[])[];
    right: readonly (readonly Slot[])[];
    distance: number;
    ordered: boolean;
  },
  fields: FieldMask,
  deadline: Deadline = NEVER,
): number[] {
  const leftWords = listSingleWords(index, near.left, deadline);
  const rightWords = leftWords && listSingleWords(index, near.right, deadline);
  if (leftWords && rightWords)
    return findNearWords(segment, { ...near, left: leftWords, right: rightWords }, fields, deadline);
  const left = listStretches(index, segment, near.left, fields, deadline);
  const right = listStretches(index, segment, near.right, fields, deadline);
  const records: number[] = [];
  let from = 0;
  let looked = 0;
  for (const a of left) {
    const start = Math.floor(a / LENGTHS);
    const end = start + (a % LENGTHS) - 1;
    const record = Math.floor(start / RECORD);
    if (records.at(-1) === record) continue;
    while (from < right.length && right[from]! < record * RECORD * LENGTHS) from++;
    const last = (record + 1) * RECORD * LENGTHS;
    for (let at = from; at < right.length && right[at]! < last; at++) {
      if (++looked % STRETCHES_BETWEEN === 0 && deadline()) return records;
      const place = Math.floor(right[at]! / LENGTHS);
      const after = place - end;
      const before = start - (place + (right[at]! % LENGTHS) - 1);
      if (
        (after >= 1 && after <= near.distance) ||
        (!near.ordered && before >= 1 && before <= near.distance)
      ) {
        records.push(record);
        break;
      }
    }
  }
  return records;
}

/** The terms of operands that are single words; nothing if one of them is a phrase. */
function listSingleWords(
  index: CollectionIndex,
  operands: readonly (readonly Slot[])[],
  deadline: Deadline,
): readonly number[] | undefined {
  const terms = new Set<number>();
  for (const slots of operands) {
    const [slot] = slots;
    if (!slot || slots.length > 1) return undefined;
    for (const term of findTerms(index, slot.pattern, slot.cap, deadline)) terms.add(term);
  }
  return [...terms];
}

function listStretches(
  index: CollectionIndex,
  segment: Segment,
  operands: readonly (readonly Slot[])[],
  fields: FieldMask,
  deadline: Deadline,
): Stretches {
  const parts = operands.map((slots) => {
    const length = Math.min(slots.length, LENGTHS - 1);
    return findPhrasePlaces(index, segment, slots, fields, deadline).map((place) => place * LENGTHS + length);
  });
  return joinSorted(parts);
}

/** Several growing lists as one. */
function joinSorted(parts: readonly Float64Array[]): Float64Array {
  const [only] = parts;
  if (only && parts.length === 1) return only;
  const all = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all.sort();
}
