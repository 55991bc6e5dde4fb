import { FREQUENCY_BITS, FREQUENCY_ESCAPE, findField, type Segment } from './collection-index';
import { NEVER, type Deadline } from './dictionary';
import type { FieldMask } from './document';
import { findPositions } from './positions';

/** So many postings are looked at between two looks at the clock. */
const POSTINGS_BETWEEN = 20_000;

/** One word of a phrase on its way through its postings. */
interface Cursor {
  /** Its place in the phrase. */
  readonly offset: number;
  posting: number;
  readonly end: number;
  /** Where its positions of the record at hand begin and end. */
  from: number;
  to: number;
}

/**
 * Visits the records (numbers within the segment) in which plain words stand side by side in the
 * given fields. The rarest word leads; the others leap after it; positions are read only where all
 * words meet, and only for records that are wanted. Once the deadline has passed, no more are visited.
 */
export function visitPlainPhrase(
  segment: Segment,
  terms: readonly number[],
  fields: FieldMask,
  isWanted: ((doc: number) => boolean) | undefined,
  take: (doc: number) => void,
  deadline: Deadline = NEVER,
): void {
  const cursors = terms.map((term, offset): Cursor => {
    return { offset, posting: segment.starts[term]!, end: segment.starts[term + 1]!, from: 0, to: 0 };
  });
  cursors.sort((a, b) => a.end - a.posting - (b.end - b.posting));
  const lead = cursors[0]!;
  const { docs, meta } = segment;
  const wanted = fields << FREQUENCY_BITS;
  let looked = 0;
  for (; lead.posting < lead.end; lead.posting++) {
    looked += cursors.length;
    if (looked > POSTINGS_BETWEEN) {
      looked = 0;
      if (deadline()) return;
    }
    if ((meta[lead.posting]! & wanted) === 0) continue;
    const doc = docs[lead.posting]!;
    if (isWanted && !isWanted(doc)) continue;
    let meets = true;
    for (let at = 1; at < cursors.length && meets; at++) {
      const cursor = cursors[at]!;
      leapTo(docs, cursor, doc);
      if (cursor.posting === cursor.end) return;
      meets = docs[cursor.posting] === doc && (meta[cursor.posting]! & wanted) !== 0;
    }
    if (meets && standTogether(segment, cursors, doc, fields)) take(doc);
  }
}

/** Moves a cursor to the first posting whose record is not before the given one: by doubling steps, then halving. */
function leapTo(docs: Uint16Array, cursor: Cursor, doc: number): void {
  let low = cursor.posting;
  if (low >= cursor.end || docs[low]! >= doc) return;
  let step = 1;
  let high = low + 1;
  while (high < cursor.end && docs[high]! < doc) {
    low = high;
    step *= 2;
    high = low + step;
  }
  if (high > cursor.end) high = cursor.end;
  while (low + 1 < high) {
    const middle = (low + high) >>> 1;
    if (docs[middle]! < doc) low = middle;
    else high = middle;
  }
  cursor.posting = high;
}

function standTogether(
  segment: Segment,
  cursors: readonly Cursor[],
  doc: number,
  fields: FieldMask,
): boolean {
  const { meta, positions } = segment;
  let everywhere = true;
  for (const cursor of cursors) {
    readPositions(segment, cursor);
    if (((meta[cursor.posting]! >>> FREQUENCY_BITS) & ~fields) !== 0) everywhere = false;
  }
  const lead = cursors[0]!;
  for (let at = lead.from; at < lead.to; at++) {
    const start = positions[at]! - lead.offset;
    if (start < 0) continue;
    let complete = true;
    for (let other = 1; other < cursors.length && complete; other++) {
      const cursor = cursors[other]!;
      const position = start + cursor.offset;
      while (cursor.from < cursor.to && positions[cursor.from]! < position) cursor.from++;
      complete = cursor.from < cursor.to && positions[cursor.from] === position;
    }
    if (complete && (everywhere || (findField(segment, doc, start) & fields) !== 0)) return true;
  }
  return false;
}

/** Sets a cursor on the positions of the posting at hand. */
function readPositions(segment: Segment, cursor: Cursor): void {
  const { posting } = cursor;
  cursor.from = findPositions(segment, posting);
  let frequency = segment.meta[posting]! & FREQUENCY_ESCAPE;
  if (frequency === FREQUENCY_ESCAPE) frequency = segment.positions[cursor.from++]!;
  cursor.to = cursor.from + frequency;
}
