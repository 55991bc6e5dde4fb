import {
  FREQUENCY_BITS,
  FREQUENCY_ESCAPE,
  SKIP,
  findField,
  type CollectionIndex,
  type Segment,
} from './collection-index';
import { ALL_FIELDS, type FieldMask } from './document';
import { findTerms } from './dictionary';
import type { Slot } from './expression';

/** Places of one segment as `record * 65536 + position`, growing. */
export type Places = Float64Array;

const RECORD = 65_536;

/** The places where a phrase of one or more words begins, in the given fields. */
export function findPhrasePlaces(
  index: CollectionIndex,
  segment: Segment,
  slots: readonly Slot[],
  fields: FieldMask,
): Places {
  const terms = slots.map((slot) => findTerms(index, slot.pattern, slot.cap));
  const sizes = terms.map((list) =>
    list.reduce((sum, term) => sum + segment.starts[term + 1]! - segment.starts[term]!, 0),
  );
  const rarest = sizes.indexOf(Math.min(...sizes));
  let places = listPlaces(segment, terms[rarest]!, fields, rarest, undefined);
  const rest = slots.map((_, at) => at).filter((at) => at !== rarest);
  for (const at of rest.sort((a, b) => sizes[a]! - sizes[b]!)) {
    if (places.length === 0) break;
    places = listPlaces(segment, terms[at]!, fields, at, places);
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
): Places {
  const parts = terms.map((term) => walkTerm(segment, term, fields, offset, within));
  if (parts.length === 1) return parts[0]!;
  const all = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all.sort();
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

/** Where the positions of a posting begin: from the skip entry before it on. */
function findPositions(segment: Segment, posting: number): number {
  let at = segment.skips[Math.floor(posting / SKIP)]!;
  for (let before = posting - (posting % SKIP); before < posting; before++) {
    const frequency = segment.meta[before]! & FREQUENCY_ESCAPE;
    at += frequency === FREQUENCY_ESCAPE ? segment.positions[at]! + 1 : frequency;
  }
  return at;
}

/** An occurrence of an operand: its record, its first and its last position. */
interface Stretch {
  readonly place: number;
  readonly length: number;
}

/** The records (numbers within the segment) where the two sides stand near each other. */
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
): number[] {
  const left = listStretches(index, segment, near.left, fields);
  const right = listStretches(index, segment, near.right, fields);
  const records: number[] = [];
  let from = 0;
  for (const a of left) {
    const record = Math.floor(a.place / RECORD);
    if (records.at(-1) === record) continue;
    while (from < right.length && right[from]!.place < record * RECORD) from++;
    for (let at = from; at < right.length && right[at]!.place < (record + 1) * RECORD; at++) {
      const b = right[at]!;
      const after = b.place - (a.place + a.length - 1);
      const before = a.place - (b.place + b.length - 1);
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

function listStretches(
  index: CollectionIndex,
  segment: Segment,
  operands: readonly (readonly Slot[])[],
  fields: FieldMask,
): Stretch[] {
  const stretches: Stretch[] = [];
  for (const slots of operands) {
    for (const place of findPhrasePlaces(index, segment, slots, fields))
      stretches.push({ place, length: slots.length });
  }
  return stretches.sort((a, b) => a.place - b.place);
}
