import { visitWords } from '../text';
import {
  FIELD_COUNT,
  FREQUENCY_BITS,
  FREQUENCY_ESCAPE,
  GREATEST_POSITION,
  NEUTRAL_ANALYSIS,
  SEGMENT_SIZE,
  SKIP,
  VALUE_GAP,
  markStem,
  splitKey,
  type Analysis,
  type CollectionIndex,
  type Segment,
  type Stem,
} from './collection-index';
import { createKeyTable } from './key-table';
import { INDEX_FIELDS, type IndexDocument } from './document';
import { EMPTY_HASH, TermTable, addToHash } from './term-table';
import { toWellFormed } from './utf8';

/** Longer words are cut. */
const LONGEST_WORD = 1_000;
/** Times cited fit 16 bits. */
const MAX_TIMES_CITED = 65_535;

/** Takes records one by one, in the order of their numbers, and gives the index. */
export interface IndexBuilder {
  add(document: IndexDocument): void;
  finish(): CollectionIndex;
}

/** Starts an index; with `stem`, an analysis with stems takes them from it. Memory while building is about 10 bytes a word of the open segment. */
export function createIndexBuilder(analysis: Analysis = NEUTRAL_ANALYSIS, stem?: Stem): IndexBuilder {
  return new Builder(analysis, stem);
}

/** An index over some documents. */
export function buildIndex(
  documents: Iterable<IndexDocument>,
  analysis: Analysis = NEUTRAL_ANALYSIS,
  stem?: Stem,
): CollectionIndex {
  const builder = createIndexBuilder(analysis, stem);
  for (const document of documents) builder.add(document);
  return builder.finish();
}

/** The places of texts in their order, from 1; the same for the same text, 0 for an empty one. */
function rankTexts(texts: readonly string[]): Uint32Array {
  const sorted = [...new Set(texts)].filter((text) => text !== '').sort();
  const ranks = new Map(sorted.map((text, at) => [text, at + 1]));
  return Uint32Array.from(texts, (text) => ranks.get(text) ?? 0);
}

class Builder implements IndexBuilder {
  private readonly table = new TermTable();
  private readonly terms = this.table.terms;
  /** The letters of the word at hand. */
  private readonly buffer = new Uint16Array(LONGEST_WORD);
  private readonly isNeutral: boolean;
  private readonly stopWords: ReadonlySet<string>;
  private readonly segments: PendingSegment[] = [];
  private readonly keys = new Map<string, number[]>();
  private readonly years: number[] = [];
  private readonly entered: number[] = [];
  private readonly identifiers: number[] = [];
  private readonly titles: string[] = [];
  private readonly authors: string[] = [];
  private readonly timesCited: number[] = [];
  private open = new PendingSegment();

  private readonly stems = new Map<string, number>();

  constructor(
    private readonly analysis: Analysis,
    private readonly stem: Stem | undefined,
  ) {
    this.stopWords = new Set(analysis.stopWords);
    this.isNeutral = analysis.stopWords.length === 0 && !analysis.joinHyphens && !analysis.stems;
  }

  add(document: IndexDocument): void {
    const record = this.years.length;
    if (this.open.docCount === SEGMENT_SIZE) this.closeSegment();
    this.years.push(document.year ?? 0);
    this.entered.push(document.entered ?? 0);
    this.identifiers.push(...splitKey(document.identifier ?? 0));
    this.titles.push(document.titleOrder ?? '');
    this.authors.push(document.authorOrder ?? '');
    this.timesCited.push(Math.min(document.timesCited ?? 0, MAX_TIMES_CITED));
    for (const key of new Set(document.keys.map(toWellFormed))) {
      const records = this.keys.get(key);
      if (records) records.push(record);
      else this.keys.set(key, [record]);
    }
    this.addValues(document);
  }

  finish(): CollectionIndex {
    this.closeSegment();
    const size = this.years.length;
    const order = this.terms.map((_, term) => term);
    const backwards = this.terms.map((term) => [...term].reverse().join(''));
    const compare = (texts: readonly string[]) => (a: number, b: number) => (texts[a]! < texts[b]! ? -1 : 1);
    return {
      size,
      analysis: this.analysis,
      terms: this.terms,
      sorted: Uint32Array.from(order.sort(compare(this.terms))),
      reversed: Uint32Array.from(order.sort(compare(backwards))),
      segments: this.segments.map((segment) => segment.invert(this.terms.length)),
      keys: createKeyTable(this.keys),
      years: Uint16Array.from(this.years),
      entered: Uint16Array.from(this.entered),
      identifiers: Uint32Array.from(this.identifiers),
      titleRanks: rankTexts(this.titles),
      authorRanks: rankTexts(this.authors),
      timesCited: Uint16Array.from(this.timesCited),
    };
  }

  private closeSegment(): void {
    if (this.open.docCount > 0) this.segments.push(this.open);
    this.open = new PendingSegment();
  }

  private addValues(document: IndexDocument): void {
    const segment = this.open;
    const doc = segment.startRecord();
    let position = 0;
    for (let field = 0; field < FIELD_COUNT; field++) {
      segment.startField(doc, field, Math.min(position, GREATEST_POSITION));
      for (const value of document.values[INDEX_FIELDS[field]!] ?? []) {
        position = this.addValue(value, doc, field, position) + VALUE_GAP;
      }
    }
  }

  private addValue(value: string, doc: number, field: number, from: number): number {
    return this.isNeutral
      ? this.addPlainValue(value, doc, field, from)
      : this.addWords(value, doc, field, from);
  }

  private addWords(value: string, doc: number, field: number, from: number): number {
    let position = from;
    let joined = '';
    let joinedAt = 0;
    let lastEnd = -2;
    const { joinHyphens } = this.analysis;
    const endJoined = (start: number): void => {
      if (joined !== '' && start >= 0) this.open.addWord(this.number(joined), doc, field, joinedAt);
      joined = '';
    };
    let parts = 0;
    visitWords(value, (text, start, end) => {
      if (this.stopWords.has(text)) return;
      if (position > GREATEST_POSITION) return;
      if (joinHyphens) {
        const hyphened = start === lastEnd + 1 && value.charAt(lastEnd) === '-';
        if (!hyphened) {
          endJoined(parts > 1 ? start : -1);
          joinedAt = position;
          parts = 0;
        }
        joined += text;
        parts++;
        lastEnd = end;
      }
      this.open.addWord(this.number(text), doc, field, position);
      if (this.analysis.stems) this.open.addWord(this.numberStem(text), doc, field, position);
      position++;
    });
    if (joinHyphens) endJoined(parts > 1 ? 0 : -1);
    return position;
  }

  private numberStem(text: string): number {
    const known = this.stems.get(text);
    if (known !== undefined) return known;
    const number = this.number(markStem(this.stem?.(text) ?? text));
    this.stems.set(text, number);
    return number;
  }

  private number(text: string): number {
    return this.table.numberText(text, this.buffer);
  }

  /**
   * The quick way for plain letters without stop words and hyphens to heed: no string a word. From
   * the first letter beyond ASCII on, the ordinary way takes over.
   */
  private addPlainValue(value: string, doc: number, field: number, from: number): number {
    const { buffer, table, open } = this;
    let position = from;
    let length = 0;
    let hash = EMPTY_HASH;
    for (let at = 0; at <= value.length; at++) {
      let code = at < value.length ? value.charCodeAt(at) : 32;
      if (code > 127) return this.addWords(value.slice(at - length), doc, field, position);
      if (code > 64 && code < 91) code |= 32;
      if ((code > 96 && code < 123) || (code > 47 && code < 58)) {
        if (length === LONGEST_WORD) continue;
        buffer[length++] = code;
        hash = addToHash(hash, code);
      } else if (length > 0) {
        if (position > GREATEST_POSITION) return position;
        open.addWord(table.number(buffer, length, hash), doc, field, position++);
        length = 0;
        hash = EMPTY_HASH;
      }
    }
    return position;
  }
}

/** The words of one segment in the order of the text, before they are turned round by counting sort. */
class PendingSegment {
  docCount = 0;
  private length = 0;
  private wordTerms = new Uint32Array(1 << 16);
  private wordDocs = new Uint16Array(1 << 16);
  private wordPositions = new Uint16Array(1 << 16);
  private wordFields = new Uint8Array(1 << 16);
  private fieldStarts = new Uint16Array(FIELD_COUNT << 8);

  startRecord(): number {
    const doc = this.docCount++;
    if (this.docCount * FIELD_COUNT > this.fieldStarts.length) {
      const wider = new Uint16Array(this.fieldStarts.length * 2);
      wider.set(this.fieldStarts);
      this.fieldStarts = wider;
    }
    return doc;
  }

  startField(doc: number, field: number, position: number): void {
    this.fieldStarts[doc * FIELD_COUNT + field] = position;
  }

  addWord(term: number, doc: number, field: number, position: number): void {
    if (this.length === this.wordTerms.length) this.grow();
    const at = this.length++;
    this.wordTerms[at] = term;
    this.wordDocs[at] = doc;
    this.wordPositions[at] = position;
    this.wordFields[at] = field;
  }

  private grow(): void {
    const double = <T extends Uint32Array | Uint16Array | Uint8Array>(old: T, wider: T): T => {
      wider.set(old);
      return wider;
    };
    const size = this.length * 2;
    this.wordTerms = double(this.wordTerms, new Uint32Array(size));
    this.wordDocs = double(this.wordDocs, new Uint16Array(size));
    this.wordPositions = double(this.wordPositions, new Uint16Array(size));
    this.wordFields = double(this.wordFields, new Uint8Array(size));
  }

  /** Counting sort by term keeps the order of records and positions within each term. */
  invert(termCount: number): Segment {
    const { length } = this;
    const ends = new Uint32Array(termCount + 1);
    for (let at = 0; at < length; at++) ends[this.wordTerms[at]! + 1]!++;
    for (let term = 0; term < termCount; term++) ends[term + 1]! += ends[term]!;
    const order = new Uint32Array(length);
    const next = ends.slice(0, termCount);
    for (let at = 0; at < length; at++) order[next[this.wordTerms[at]!]!++] = at;
    return this.writePostings(order, ends, termCount);
  }

  private writePostings(order: Uint32Array, ends: Uint32Array, termCount: number): Segment {
    const starts = new Uint32Array(termCount + 1);
    const docs = new Uint16Array(order.length);
    const meta = new Uint16Array(order.length);
    const positions = new Uint16Array(order.length * 2);
    const skips = new Uint32Array(Math.ceil(order.length / SKIP) + 1);
    let postings = 0;
    let written = 0;
    for (let term = 0; term < termCount; term++) {
      starts[term] = postings;
      let at = ends[term]!;
      const end = ends[term + 1]!;
      while (at < end) {
        const doc = this.wordDocs[order[at]!]!;
        let last = at;
        let mask = 0;
        while (last < end && this.wordDocs[order[last]!] === doc)
          mask |= 1 << this.wordFields[order[last++]!]!;
        const frequency = last - at;
        if (postings % SKIP === 0) skips[postings / SKIP] = written;
        docs[postings] = doc;
        meta[postings] = (mask << FREQUENCY_BITS) | Math.min(frequency, FREQUENCY_ESCAPE);
        postings++;
        if (frequency >= FREQUENCY_ESCAPE) positions[written++] = frequency;
        for (; at < last; at++) positions[written++] = this.wordPositions[order[at]!]!;
      }
    }
    starts[termCount] = postings;
    return {
      starts,
      docs: docs.slice(0, postings),
      meta: meta.slice(0, postings),
      positions: positions.slice(0, written),
      skips: skips.slice(0, Math.ceil(postings / SKIP) + 1),
      fieldStarts: this.fieldStarts.slice(0, this.docCount * FIELD_COUNT),
    };
  }
}
