import Papa from 'papaparse';
import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import { findDoi } from '../../doi';
import type { BibliographicRecord } from '../../record';
import { splitNames } from '../../names';
import {
  readAuthors,
  readLanguage,
  readPlace,
  readType,
  readYear,
  splitKeywords,
  tidyText,
} from '../loose-values';
import { writeExcerpt, type RawRecord, type RecordFormat } from '../../file/raw-record';
import { COLUMN_NAMES, findColumns, type ColumnRole } from './columns';

/** Tables with the names of their columns in the first row; commas, semicolons or tabs between (RFC 4180). */
export const CSV: RecordFormat = {
  id: 'csv',
  name: 'a table (CSV)',
  endings: ['csv', 'tsv'],
  isLike: (text) => text.split('\n', MAX_LINES_ABOVE).some((line) => /[,;\t]|^\W*title\W*$/i.test(line)),
  split: splitRecords,
};

type Row = Partial<Record<ColumnRole, string>>;

/** Above the names of the columns may stand so many lines of other things. */
const MAX_LINES_ABOVE = 20;
/** A table with more rows whose quotation marks are not closed is read no further behind them. */
const MAX_UNCLOSED = 50;
/** So much of a table tells the sign between its cells. */
const LOOKED_AT = 100_000;

/** So many rows are read in one go. */
const ROWS_AT_ONCE = 1_000;

/** A row of a table: its cells, or the line in which a quotation mark is opened and never closed. */
interface TableRow {
  readonly cells: readonly string[] | string;
  /** The place behind it, or behind rows that were read with it. */
  readonly end: number;
}

/**
 * The rows of a table that are not empty. A quotation mark that is never closed would take all rows behind it into
 * one cell: its own line stands alone, and reading goes on with the next.
 */
function* listRows(text: string): Iterable<TableRow> {
  const [above = '', written] = /^\uFEFF?sep=(.)\r?\n/i.exec(text) ?? /^\uFEFF/.exec(text) ?? [];
  const delimiter =
    written ??
    Papa.parse(text.slice(above.length, LOOKED_AT), { preview: 10, skipEmptyLines: 'greedy' }).meta.delimiter;
  const parse = (from: number, preview: number) =>
    Papa.parse<string[]>(text.slice(from), { delimiter, preview });
  let unclosed = 0;
  for (let at = above.length; at < text.length;) {
    const { data, errors, meta } = parse(at, ROWS_AT_ONCE);
    const open = errors.find(({ code }) => code === 'MissingQuotes')?.row;
    const isOpen = open !== undefined && unclosed++ < MAX_UNCLOSED;
    const start = isOpen ? at + (open > 0 ? parse(at, open).meta.cursor : 0) : at;
    const end = isOpen ? endOfLine(text, start) : meta.cursor > 0 ? at + meta.cursor : text.length;
    for (const cells of isOpen ? data.slice(0, open) : data)
      if (cells.some((cell) => cell.trim() !== '')) yield { cells, end: isOpen ? start : end };
    if (isOpen) yield { cells: text.slice(start, end).trim(), end };
    at = end;
  }
}

function endOfLine(text: string, from: number): number {
  const end = text.indexOf('\n', from);
  return end < 0 ? text.length : end + 1;
}

/** Rows are counted, not lines: a cell may hold several lines. */
function splitRecords(text: string): Outcome<Iterable<RawRecord>> {
  const above: TableRow[] = [];
  for (const row of listRows(text)) {
    const columns = typeof row.cells === 'string' ? new Map<ColumnRole, number>() : findColumns(row.cells);
    if (columns.has('title')) return succeed(readRows(text, above.length + 1, columns));
    if (above.push(row) === MAX_LINES_ABOVE) break;
  }
  return fail(createProblem('table-without-title', 'error', { names: COLUMN_NAMES.title.join(', ') }));
}

function* readRows(
  text: string,
  above: number,
  columns: ReadonlyMap<ColumnRole, number>,
): Iterable<RawRecord> {
  let line = 0;
  for (const { cells, end } of listRows(text)) {
    if (++line <= above) continue;
    if (typeof cells === 'string')
      yield { line, excerpt: writeExcerpt(cells), end, read: () => fail(QUOTATION_MARK_OPEN) };
    else {
      const row = Object.fromEntries([...columns].map(([role, column]) => [role, cells[column] ?? '']));
      yield { line, excerpt: writeExcerpt(cells.join(' | ')), end, read: (id) => readRow(row, id) };
    }
  }
}

const QUOTATION_MARK_OPEN = createProblem('quotation-mark-open', 'warning');

function readRow(row: Row, id: string): Outcome<BibliographicRecord> {
  const title = tidyText(row.title);
  if (title === '') return fail(createProblem('record-without-title', 'warning'));
  const year = readYear(row.year);
  const doi = findDoi([row.doi ?? '', row.address ?? '']);
  const { volume = '', issue = '', pages = '', publisher = '' } = row;
  const source = tidyText(row.source);
  return succeed({
    id,
    title,
    abstract: tidyText(row.abstract),
    keywords: splitKeywords(row.keywords ?? ''),
    headings: splitKeywords(row.headings ?? '').map((label) => ({ label })),
    authors: readAuthors(splitNames(row.authors ?? '')),
    source,
    ...readPlace(source, { volume, issue, pages, publisher }),
    ...(year !== undefined && { year }),
    type: readType([row.type ?? '']),
    language: readLanguage(row.language),
    peerReviewed: 'unknown',
    hasFullText: false,
    ...(doi !== undefined && { doi }),
    entered: '',
    references: [],
  });
}
