import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import { findDoi } from '../../doi';
import type { BibliographicRecord, DocumentType } from '../../record';
import { writeExcerpt, type RawRecord, type RecordFormat } from '../../file/raw-record';
import { readAuthors, readLanguage, readPlace, readYear, splitKeywords, tidyText } from '../loose-values';
import { PART_TAGS, TAGS, TYPES } from './tags';

/** A tag of two signs, blanks, a hyphen; programs differ in the blanks and the capitals. */
const TAG_LINE = /^\s*([A-Za-z][A-Za-z0-9])(\s*)-(?:\s(.*)|)$/;
/** So far into a file the first record may begin. */
const LOOKED_AT = 1_000_000;

/** The tagged format of reference managers: a tag of two signs, a line each, `ER` at the end. */
export const RIS: RecordFormat = {
  id: 'ris',
  name: 'RIS',
  endings: ['ris'],
  isLike: (text) => /^\s*TY\s{0,4}-(?:\s|$)/im.test(text.slice(0, LOOKED_AT)),
  split: (text) => succeed(splitRecords(text)),
};

/** A line of a record: its tag in capitals, and its value. */
interface TagLine {
  readonly tag: string;
  readonly value: string;
}

/** A tag with its value and the lines that go on with it. */
interface RecordLine {
  readonly tag: string;
  readonly parts: string[];
}

function readLine(line: string): TagLine | undefined {
  const [, written = '', blanks = '', value = ''] = TAG_LINE.exec(line) ?? [];
  const tag = written.toUpperCase();
  if (!TAGS.has(tag)) return undefined;
  // `as -` in a sentence is no tag: a tag in small letters has two blanks behind it.
  return written === tag || blanks.length >= 2 ? { tag, value: value.trim() } : undefined;
}

/** The lines of a text from the first sign on, whatever ends them, each with the place behind it. */
function* listLines(text: string): Iterable<{ readonly line: string; readonly end: number }> {
  const ending = /\r\n?|\n/g;
  for (let start = text.startsWith('\uFEFF') ? 1 : 0; start <= text.length;) {
    ending.lastIndex = start;
    const end = ending.exec(text);
    yield { line: text.slice(start, end?.index), end: end ? ending.lastIndex : text.length };
    if (!end) return;
    start = ending.lastIndex;
  }
}

/**
 * Records reach from `TY` to `ER`, or to the next `TY` where the end is missing. Lines without a tag go on with the
 * one before; what stands above the first tag is no record.
 */
function* splitRecords(text: string): Iterable<RawRecord> {
  let record: RecordLine[] = [];
  let start = 1;
  const close = (end: number): RawRecord[] => {
    const lines = record;
    record = [];
    if (lines.length === 0) return [];
    const begin = lines.map(({ tag, parts }) => `${tag}  - ${parts[0]}`).slice(0, 3);
    return [
      { line: start, excerpt: writeExcerpt(begin.join(' ')), end, read: (id) => readRecord(lines, id) },
    ];
  };
  let at = 0;
  for (const { line, end } of listLines(text)) {
    at++;
    const read = readLine(line);
    if (read?.tag === 'ER') yield* close(end);
    else if (read) {
      if (read.tag === 'TY') yield* close(end);
      if (record.length === 0) start = at;
      record.push({ tag: read.tag, parts: [read.value] });
    } else if (line.trim() !== '') record.at(-1)?.parts.push(line.trim());
  }
  yield* close(text.length);
}

/** The values of each tag, in the order of the record. */
function listValues(lines: readonly RecordLine[]): ReadonlyMap<string, readonly string[]> {
  const values = new Map<string, string[]>();
  for (const { tag, parts } of lines) {
    const value = parts.join(' ').trim();
    const known = values.get(tag);
    if (known) known.push(value);
    else values.set(tag, [value]);
  }
  return values;
}

function readRecord(lines: readonly RecordLine[], id: string): Outcome<BibliographicRecord> {
  const values = listValues(lines);
  const all = (part: keyof typeof PART_TAGS): string[] =>
    PART_TAGS[part].flatMap((tag) => values.get(tag) ?? []).filter((value) => value !== '');
  /** All values of the first tag that has any: two lines of one tag are one text. */
  const first = (part: keyof typeof PART_TAGS): string =>
    tidyText(
      PART_TAGS[part]
        .map((tag) => (values.get(tag) ?? []).filter((value) => value !== '').join(' '))
        .find((value) => value !== ''),
    );
  const title = first('title');
  if (title === '') return fail(createProblem('record-without-title', 'warning'));
  const type = (values.get('TY')?.[0] ?? '').toUpperCase();
  const authors = readAuthors(all('authors'));
  const year = PART_TAGS.year
    .flatMap((tag) => values.get(tag) ?? [])
    .map(readYear)
    .find((one) => one !== undefined);
  const doi = findDoi(all('doi'));
  const named = first('source');
  const source = named === '' || named === title ? first('publisher') : named;
  return succeed({
    id,
    title,
    abstract: first('abstract'),
    keywords: readKeywords(all('keywords')),
    headings: [],
    authors: authors.length > 0 ? authors : readAuthors(all('editors')),
    source,
    ...readPlace(source, {
      volume: first('volume'),
      issue: first('issue'),
      pages: [first('firstPage'), first('lastPage')].filter(Boolean).join('-'),
      publisher: first('publisher'),
    }),
    ...(year !== undefined && { year }),
    type: readKind(type, all('kind')),
    language: readLanguage(first('language')),
    peerReviewed: 'unknown',
    hasFullText: false,
    ...(doi !== undefined && { doi }),
    entered: '',
    references: [],
  });
}

/** One keyword a line; a single line with semicolons has several. */
function readKeywords(lines: readonly string[]): string[] {
  return lines.flatMap((line) => (line.includes(';') ? splitKeywords(line) : tidyText(line)));
}

/** The kind of document; an article whose further tag says so is a review. */
function readKind(type: string, further: readonly string[]): DocumentType {
  const kind = TYPES[type] ?? 'article';
  return kind === 'article' && further.some((text) => /\breview\b/i.test(text)) ? 'review' : kind;
}
