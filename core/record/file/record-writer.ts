import type { BibliographicRecord } from '../record';

/** A kind of file that bibliographic records are written to, one record after the other. */
export interface RecordWriter {
  readonly id: 'ris' | 'bibtex' | 'csl-json' | 'csv' | 'marcxml';
  /** As people call it. */
  readonly name: string;
  /** The ending of file names, without the dot. */
  readonly ending: string;
  readonly mediaType: string;
  /** What a record has and this kind of file has no place for, in words; empty if nothing. */
  readonly lacks: string;
  /** Before the first record, between two, and behind the last. */
  readonly head: string;
  readonly separator: string;
  readonly foot: string;
  /** One record; `place` counts from 0 and makes what has to be unique in a file. */
  write(record: BibliographicRecord, place: number): string;
}

/** The first and the last page of a record; one alone where that is all it says. */
export function splitPages({ pages = '' }: Pick<BibliographicRecord, 'pages'>): readonly [string, string] {
  const [, first = pages, last = ''] = /^([^-]+)-([^-]+)$/.exec(pages) ?? [];
  return [first, last];
}

/** The publisher of a record: its own, or that of a book, a thesis or a report, which is its source. */
export function findPublisher({ publisher, source, type }: BibliographicRecord): string {
  if (publisher !== undefined) return publisher;
  return type === 'book' || type === 'thesis' || type === 'report' ? source : '';
}

/** What a record stands in: a journal, or the book of a chapter; empty for what stands alone. */
export function findContainer(record: BibliographicRecord): string {
  return findPublisher(record) === record.source ? '' : record.source;
}
