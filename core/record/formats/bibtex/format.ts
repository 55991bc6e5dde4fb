import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import { findDoi } from '../../doi';
import { readName } from '../../names';
import type { Author, BibliographicRecord, DocumentType } from '../../record';
import { writeExcerpt, type RawRecord, type RecordFormat } from '../../file/raw-record';
import { readLanguage, readPlace, readType, readYear, splitKeywords, tidyText } from '../loose-values';
import { readEntries, type Entry } from './entries';
import { readLatex } from './latex';

/** The files of the BibTeX program and its successors. */
export const BIBTEX: RecordFormat = {
  id: 'bibtex',
  name: 'BibTeX',
  endings: ['bib', 'bibtex'],
  isLike: (text) => /@\w+\s*[{(]/.test(text.slice(0, 20_000)),
  split: (text) => succeed(splitEntries(text)),
};

const TYPES: Readonly<Record<string, DocumentType>> = {
  book: 'book',
  mvbook: 'book',
  inbook: 'book',
  incollection: 'book',
  collection: 'book',
  booklet: 'book',
  proceedings: 'book',
  inproceedings: 'conference paper',
  conference: 'conference paper',
  phdthesis: 'thesis',
  mastersthesis: 'thesis',
  thesis: 'thesis',
  techreport: 'report',
  report: 'report',
  manual: 'report',
};

/** What an entry takes from the one that it stands in, by the names that fields have there. */
const INHERITED: readonly (readonly [field: string, from: string])[] = [
  ['booktitle', 'booktitle'],
  ['booktitle', 'title'],
  ...['year', 'date', 'editor', 'publisher', 'series', 'language', 'langid'].map(
    (field) => [field, field] as const,
  ),
];

function* splitEntries(text: string): Iterable<RawRecord> {
  const parents = findParents(text);
  for (const entry of readEntries(text)) {
    const parent = parents.get(readParentKey(entry));
    const whole = parent && parent.text !== entry.text ? { ...entry, fields: inherit(entry, parent) } : entry;
    const { line, end } = entry;
    yield { line, excerpt: writeExcerpt(entry.text), end, read: (id) => readEntry(whole, id) };
  }
}

/** The entries that others stand in, by their keys: they may come later than those. */
function findParents(text: string): ReadonlyMap<string, Entry> {
  if (!/\b(?:crossref|xdata)\s*=/i.test(text)) return new Map();
  const named = new Set<string>();
  for (const entry of readEntries(text)) named.add(readParentKey(entry));
  const parents = new Map<string, Entry>();
  for (const entry of readEntries(text)) {
    const key = entry.key.toLowerCase();
    if (named.has(key)) parents.set(key, entry);
  }
  return parents;
}

/** The key of the entry that this one stands in; a blank, which no key is, for none. */
function readParentKey({ fields }: Entry): string {
  return (fields.get('crossref') ?? fields.get('xdata') ?? '').trim().toLowerCase() || ' ';
}

function inherit(entry: Entry, parent: Entry): Map<string, string> {
  const fields = new Map(entry.fields);
  for (const [field, from] of INHERITED) {
    const value = parent.fields.get(from);
    if (value !== undefined && !fields.has(field)) fields.set(field, value);
  }
  return fields;
}

function readEntry({ type, fields, isBroken }: Entry, id: string): Outcome<BibliographicRecord> {
  // A brace that is not closed takes fields into the one before it: nothing of such an entry is sure.
  if (isBroken)
    return fail(
      createProblem('record-unreadable', 'warning', { detail: 'a brace or a quotation mark is not closed' }),
    );
  const field = (...names: readonly string[]): string =>
    names.map((name) => tidyText(readLatex(fields.get(name) ?? ''))).find((text) => text !== '') ?? '';
  const title = [field('title'), field('subtitle')].filter(Boolean).join(': ');
  if (title === '') return fail(createProblem('record-without-title', 'warning'));
  const authors = readPeople(fields.get('author'));
  const year = readYear(field('year')) ?? readYear(field('date'));
  const doi = findDoi(['doi', 'url', 'note', 'ee', 'eprint', 'howpublished'].map((name) => field(name)));
  const source = field(
    'journaltitle',
    'journal',
    'booktitle',
    'maintitle',
    'school',
    'institution',
    'publisher',
    'organization',
    'series',
  );
  const kind = TYPES[type] ?? 'article';
  return succeed({
    id,
    title,
    abstract: field('abstract'),
    keywords: splitKeywords(field('keywords', 'keyword')),
    headings: [],
    authors: authors.length > 0 ? authors : readPeople(fields.get('editor')),
    source,
    ...readPlace(source, {
      volume: field('volume'),
      issue: field('number', 'issue'),
      pages: field('pages', 'eid'),
      publisher: field('publisher', 'school', 'institution'),
    }),
    ...(year !== undefined && { year }),
    type: kind === 'article' ? readType([field('entrysubtype')]) : kind,
    language: readLanguage(field('langid', 'language', 'hyphenation')),
    peerReviewed: 'unknown',
    hasFullText: false,
    ...(doi !== undefined && { doi }),
    entered: '',
    references: [],
  });
}

/** People with “and” between that stands in no braces; a name in braces is one whole. */
function readPeople(text = ''): Author[] {
  const names: string[] = [];
  let depth = 0;
  let start = 0;
  for (let at = 0; at < text.length; at++) {
    const sign = text.charAt(at);
    if (sign === '{') depth++;
    if (sign === '}') depth--;
    const [and] = depth === 0 && /\s/.test(sign) ? (/^\s+and\s+/i.exec(text.slice(at, at + 40)) ?? []) : [];
    if (and === undefined) continue;
    names.push(text.slice(start, at));
    start = at + and.length;
    at = start - 1;
  }
  names.push(text.slice(start));
  return names.flatMap((name) => {
    const isWhole = /^\s*\{[^{}]*\}\s*$/.test(name);
    const plain = readLatex(name);
    return readName(isWhole ? `{${plain}}` : plain) ?? [];
  });
}
