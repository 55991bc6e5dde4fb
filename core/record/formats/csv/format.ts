import Papa from 'papaparse';
import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import { findDoi } from '../../doi';
import type { BibliographicRecord } from '../../record';
import { splitNames } from '../../names';
import { readAuthors, readLanguage, readType, readYear, splitKeywords, tidyText } from '../loose-values';
import type { RawRecord, RecordFormat } from '../../file/raw-record';
import { COLUMN_NAMES, findColumns, type ColumnRole } from './columns';

/** Tables with the names of their columns in the first row; commas, semicolons or tabs between (RFC 4180). */
export const CSV: RecordFormat = {
  id: 'csv',
  name: 'a table (CSV)',
  endings: ['csv', 'tsv'],
  isLike: (text) => text.split('\n', MAX_LINES_ABOVE).some((line) => /[,;\t]|^\W*title\W*$/i.test(line)),
  split: splitRows,
  read: readRow,
};

type Row = Partial<Record<ColumnRole, string>>;

/** Above the names of the columns may stand so many lines of other things. */
const MAX_LINES_ABOVE = 20;
/** A table with more rows whose quotation marks are not closed is read no further behind them. */
const MAX_UNCLOSED = 50;

/**
 * Rows are counted, not lines: a cell may hold several lines. A quotation mark that is never closed would take all
 * rows behind it into one cell: its own line is listed as unreadable, and reading goes on with the next.
 */
function splitRows(text: string): Outcome<readonly RawRecord[]> {
  const whole = text.replace(/^\uFEFF/, '');
  const [, delimiter] = /^sep=(.)\r?\n/i.exec(whole) ?? [];
  const options = { skipEmptyLines: 'greedy', ...(delimiter !== undefined && { delimiter }) } as const;
  const rows: (readonly string[] | string)[] = [];
  let rest = delimiter === undefined ? whole : whole.slice(whole.indexOf('\n') + 1);
  for (let unclosed = 0; rest !== ''; unclosed++) {
    const { data, errors } = Papa.parse<string[]>(rest, options);
    const open = errors.find(({ code }) => code === 'MissingQuotes');
    if (open?.row === undefined || unclosed > MAX_UNCLOSED) {
      rows.push(...data);
      break;
    }
    rows.push(...data.slice(0, open.row));
    const start = findLineOf(rest, data, open.row, options);
    const end = rest.indexOf('\n', start);
    rows.push(rest.slice(start, end < 0 ? undefined : end).trim());
    rest = end < 0 ? '' : rest.slice(end + 1);
  }
  const above = rows
    .slice(0, MAX_LINES_ABOVE)
    .findIndex((row) => typeof row !== 'string' && findColumns(row).has('title'));
  const names = rows[above];
  if (above < 0 || names === undefined || typeof names === 'string')
    return fail(createProblem('table-without-title', 'error', { names: COLUMN_NAMES.title.join(', ') }));
  const columns = findColumns(names);
  return succeed(
    rows.slice(above + 1).map((cells, at) => {
      const line = above + at + 2;
      if (typeof cells === 'string') return { line, content: UNCLOSED, excerpt: cells };
      const row = Object.fromEntries([...columns].map(([role, column]) => [role, cells[column] ?? '']));
      return { line, content: JSON.stringify(row), excerpt: cells.join(' | ') };
    }),
  );
}

/** Stands in the place of a row whose quotation mark is never closed. */
const UNCLOSED = '';

/** Where the line begins that a row stands in: the rows before it are taken off again. */
function findLineOf(
  text: string,
  data: readonly (readonly string[])[],
  row: number,
  options: Papa.ParseConfig<string[]> & { readonly skipEmptyLines: 'greedy' },
): number {
  if (row === 0) return 0;
  let start = 0;
  let at = 0;
  Papa.parse<string[]>(text, {
    ...options,
    step: ({ meta }, parser) => {
      start = meta.cursor;
      if (++at === row) parser.abort();
    },
  });
  return at === row && data.length >= row ? start : text.length;
}

function readRow({ content }: RawRecord, id: string): Outcome<BibliographicRecord> {
  if (content === UNCLOSED) return fail(createProblem('quotation-mark-open', 'warning'));
  const row = JSON.parse(content) as Row;
  const title = tidyText(row.title);
  if (title === '') return fail(createProblem('record-without-title', 'warning'));
  const year = readYear(row.year);
  const doi = findDoi([row.doi ?? '', row.address ?? '']);
  return succeed({
    id,
    title,
    abstract: tidyText(row.abstract),
    keywords: splitKeywords(row.keywords ?? ''),
    headings: splitKeywords(row.headings ?? '').map((label) => ({ label })),
    authors: readAuthors(splitNames(row.authors ?? '')),
    source: tidyText(row.source),
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
