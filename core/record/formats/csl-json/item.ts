import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import { findDoi } from '../../doi';
import { readName } from '../../names';
import type { Author, BibliographicRecord, DocumentType } from '../../record';
import { readLanguage, readPlace, readYear, splitKeywords, tidyText } from '../loose-values';

/** The kinds of the Citation Style Language and what they are here; the others are articles. */
const TYPES: Readonly<Record<string, DocumentType>> = {
  book: 'book',
  chapter: 'book',
  'paper-conference': 'conference paper',
  thesis: 'thesis',
  report: 'report',
  'article-newspaper': 'news',
  review: 'review',
  'review-book': 'review',
};

type Fields = Readonly<Record<string, unknown>>;

/**
 * An item in CSL-JSON (Citation Style Language 1.0.2, csl-data.json) as a bibliographic record. Programs write fields
 * in other shapes than the standard has, so each is read by itself: what cannot be read of one is left out, never the
 * record. `keywords` are those that are known apart from each other.
 */
export function createRecordFromItem(
  item: unknown,
  id: string,
  keywords?: readonly string[],
): Outcome<BibliographicRecord> {
  if (!isObject(item))
    return fail(createProblem('record-unreadable', 'warning', { detail: 'it is no item' }));
  const title = tidyText(readText(item['title']));
  if (title === '') return fail(createProblem('record-without-title', 'warning'));
  const year = readIssued(item['issued']);
  const doi = findDoi([item['DOI'], item['URL'], item['note'], item['id']].map(readText));
  const authors = readNames(item['author']);
  const field = (name: string): string => tidyText(readText(item[name]));
  const source =
    ['container-title', 'publisher', 'event-title', 'event'].map(field).find((one) => one !== '') ?? '';
  const kind = TYPES[readText(item['type'])] ?? 'article';
  return succeed({
    id,
    title,
    abstract: tidyText(readText(item['abstract'])),
    keywords: keywords ?? readKeywords(item['keyword']),
    headings: [],
    authors: authors.length > 0 ? authors : readNames(item['editor']),
    source,
    ...readPlace(source, {
      volume: field('volume'),
      issue: field('issue'),
      pages: field('page') || field('number'),
      publisher: field('publisher'),
    }),
    ...(year !== undefined && { year }),
    type: kind === 'article' && /\breview\b/i.test(field('genre')) ? 'review' : kind,
    language: readLanguage(readText(item['language'])),
    peerReviewed: 'unknown',
    hasFullText: false,
    ...(doi !== undefined && { doi }),
    entered: '',
    references: [],
  });
}

function isObject(value: unknown): value is Fields {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** A text, a number, or the texts of a list; empty for anything else. */
function readText(value: unknown): string {
  if (typeof value === 'string') return value;
  if (typeof value === 'number') return String(value);
  return Array.isArray(value) ? value.map(readText).filter(Boolean).join(' ') : '';
}

function readKeywords(value: unknown): string[] {
  return Array.isArray(value)
    ? value.map(readText).map(tidyText).filter(Boolean)
    : splitKeywords(readText(value));
}

function readNames(value: unknown): Author[] {
  const list: readonly unknown[] = Array.isArray(value)
    ? value
    : value === undefined || value === null
      ? []
      : [value];
  return list.flatMap((name) =>
    isObject(name) ? readCslName(name) : (readName(tidyText(readText(name))) ?? []),
  );
}

function readCslName(name: Fields): Author | readonly [] {
  const part = (field: string): string => tidyText(readText(name[field])).replace(/[{}]/g, '');
  const literal = part('literal') || part('name');
  const family = [part('dropping-particle'), part('non-dropping-particle'), part('family')]
    .filter(Boolean)
    .join(' ');
  if (family === '') return literal === '' ? [] : { given: '', family: literal };
  return { given: [part('given'), part('suffix')].filter(Boolean).join(', '), family };
}

/** The year of a date: its parts, a text, or a number. */
function readIssued(value: unknown): number | undefined {
  if (!isObject(value)) return readYear(readText(value));
  const parts: unknown = value['date-parts'];
  const first: unknown = Array.isArray(parts) ? parts[0] : undefined;
  return (
    readYear(readText(Array.isArray(first) ? first[0] : first)) ??
    readYear(readText(value['raw'])) ??
    readYear(readText(value['literal'])) ??
    readYear(readText(value['year']))
  );
}
