import { findContainer, findPublisher, type RecordWriter } from '../../file/record-writer';
import type { Author, BibliographicRecord, DocumentType } from '../../record';

/** The type of the Citation Style Language for each kind of document. */
const TYPES: Readonly<Record<DocumentType, string>> = {
  article: 'article-journal',
  review: 'article-journal',
  'conference paper': 'paper-conference',
  book: 'book',
  thesis: 'thesis',
  report: 'report',
  news: 'article-newspaper',
};

/** A person or an organisation as the standard has it. */
type CslName = { readonly family: string; readonly given: string } | { readonly literal: string };

/** An item of csl-data.json (Citation Style Language 1.0.2), as far as records fill it. */
export interface CslItem {
  readonly id: string;
  readonly type: string;
  readonly title: string;
  readonly author?: readonly CslName[];
  readonly issued?: { readonly 'date-parts': readonly (readonly number[])[] };
  readonly 'container-title'?: string;
  readonly volume?: string;
  readonly issue?: string;
  readonly page?: string;
  readonly publisher?: string;
  readonly genre?: string;
  readonly DOI?: string;
  readonly language?: string;
  readonly abstract?: string;
  readonly keyword?: string;
}

/** A record as an item that citations are made of. */
export function createCslItem(record: BibliographicRecord, id: string): CslItem {
  const container = findContainer(record);
  const publisher = findPublisher(record);
  const isChapter = record.type === 'book' && container !== '';
  return {
    id,
    type: isChapter ? 'chapter' : TYPES[record.type],
    title: record.title,
    ...(record.authors.length > 0 && { author: record.authors.map(writeName) }),
    ...(record.year !== undefined && { issued: { 'date-parts': [[record.year]] } }),
    ...(container !== '' && { 'container-title': container }),
    ...(record.volume !== undefined && { volume: record.volume }),
    ...(record.issue !== undefined && { issue: record.issue }),
    ...(record.pages !== undefined && { page: record.pages }),
    ...(publisher !== '' && { publisher }),
    ...(record.doi !== undefined && { DOI: record.doi }),
    ...(record.language !== '' && { language: record.language }),
  };
}

function writeName({ given, family }: Author): CslName {
  return given === '' ? { literal: family } : { family, given };
}

/** Lists of items in CSL-JSON. */
export const CSL_JSON_WRITER: RecordWriter = {
  id: 'csl-json',
  name: 'CSL-JSON',
  ending: 'json',
  mediaType: 'application/vnd.citationstyles.csl+json',
  lacks: 'subject headings and places of work',
  head: '[\n',
  separator: ',\n',
  foot: '\n]\n',
  write: (record, place) =>
    JSON.stringify({
      ...createCslItem(record, String(place + 1)),
      ...(record.type === 'review' && { genre: 'review' }),
      ...(record.abstract !== '' && { abstract: record.abstract }),
      ...(record.keywords.length > 0 && { keyword: record.keywords.join('; ') }),
    } satisfies CslItem),
};
