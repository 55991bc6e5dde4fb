import Papa from 'papaparse';
import type { RecordWriter } from '../../file/record-writer';
import { nameAuthor, type BibliographicRecord } from '../../record';
import type { ColumnRole } from './columns';

/** The columns in their order, and what stands in them. */
const COLUMNS: readonly (readonly [role: ColumnRole, cell: (record: BibliographicRecord) => string])[] = [
  ['title', ({ title }) => title],
  // A semicolon behind the last tells that one name alone is one, too.
  ['authors', ({ authors }) => authors.map((author) => `${nameAuthor(author)};`).join(' ')],
  ['year', ({ year }) => String(year ?? '')],
  ['source', ({ source }) => source],
  ['volume', ({ volume }) => volume ?? ''],
  ['issue', ({ issue }) => issue ?? ''],
  ['pages', ({ pages }) => pages ?? ''],
  ['publisher', ({ publisher }) => publisher ?? ''],
  ['type', ({ type }) => type],
  ['language', ({ language }) => language],
  ['doi', ({ doi }) => doi ?? ''],
  ['keywords', ({ keywords }) => keywords.join('; ')],
  ['headings', ({ headings }) => headings.map(({ label }) => label).join('; ')],
  ['abstract', ({ abstract }) => abstract],
];

const writeRow = (cells: readonly string[]): string =>
  Papa.unparse([cells.map((cell) => cell.replace(/\s+/g, ' ').trim())], {
    newline: '\r\n',
    escapeFormulae: /^[=+\-@\t\r]/,
  });

/** A table with commas between (RFC 4180), with a mark that it is UTF-8, so that every program reads its letters. */
export const CSV_WRITER: RecordWriter = {
  id: 'csv',
  name: 'a table (CSV)',
  ending: 'csv',
  mediaType: 'text/csv',
  lacks: 'qualifiers of subject headings and places of work',
  head: `\uFEFF${writeRow(COLUMNS.map(([role]) => role))}\r\n`,
  separator: '\r\n',
  foot: '\r\n',
  write: (record) => writeRow(COLUMNS.map(([, cell]) => cell(record))),
};
