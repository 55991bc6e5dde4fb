import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import { findDoi } from '../../doi';
import type { BibliographicRecord } from '../../record';
import type { RawRecord, RecordFormat } from '../../file/raw-record';
import { readAuthors, readLanguage, readYear, splitKeywords, tidyText } from '../loose-values';
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
  read: readRecord,
};

/** A line of a record: its tag in capitals, and its value. */
interface TagLine {
  readonly tag: string;
  readonly value: string;
}

function readLine(line: string): TagLine | undefined {
  const [, written = '', blanks = '', value = ''] = TAG_LINE.exec(line) ?? [];
  const tag = written.toUpperCase();
  if (!TAGS.has(tag)) return undefined;
  // `as -` in a sentence is no tag: a tag in small letters has two blanks behind it.
  return written === tag || blanks.length >= 2 ? { tag, value: value.trim() } : undefined;
}

/**
 * Records reach from `TY` to `ER`, or to the next `TY` where the end is missing. Lines without a tag go on with the
 * one before; what stands above the first tag is no record.
 */
function splitRecords(text: string): RawRecord[] {
  const records: RawRecord[] = [];
  /** The lines of the record at hand, each tag with the lines that go on with it. */
  let lines: string[] = [];
  let start = 1;
  const close = (): void => {
    if (lines.length > 0) records.push({ line: start, content: lines.join('\n') });
    lines = [];
  };
  for (const [at, line] of text.split(/\r\n?|\n/).entries()) {
    const read = readLine(at === 0 ? line.replace(/^\uFEFF/, '') : line);
    if (read?.tag === 'ER') close();
    else if (read) {
      if (read.tag === 'TY') close();
      if (lines.length === 0) start = at + 1;
      lines.push(`${read.tag}  - ${read.value}`);
    } else if (line.trim() !== '' && lines.length > 0) lines.push(`    ${line.trim()}`);
  }
  close();
  return records;
}

/** The values of each tag, in the order of the record. */
function listValues(content: string): ReadonlyMap<string, readonly string[]> {
  const values = new Map<string, string[][]>();
  let open: string[] | undefined;
  for (const line of content.split('\n')) {
    if (line.startsWith('    ')) {
      open?.push(line.trim());
      continue;
    }
    open = [line.slice(6).trim()];
    const tag = line.slice(0, 2);
    values.set(tag, [...(values.get(tag) ?? []), open]);
  }
  return new Map([...values].map(([tag, lists]) => [tag, lists.map((list) => list.join(' ').trim())]));
}

function readRecord({ content }: RawRecord, id: string): Outcome<BibliographicRecord> {
  const values = listValues(content);
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
  const source = first('source');
  return succeed({
    id,
    title,
    abstract: first('abstract'),
    keywords: readKeywords(all('keywords')),
    headings: [],
    authors: authors.length > 0 ? authors : readAuthors(all('editors')),
    source: source === '' || source === title ? first('publisher') : source,
    ...(year !== undefined && { year }),
    type: TYPES[type] ?? 'article',
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
