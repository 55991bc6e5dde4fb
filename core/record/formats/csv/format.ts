import Papa from 'papaparse';
import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import type { BibliographicRecord } from '../../record';
import { readAuthor, readDoi, readLanguage, readType, readYear, splitKeywords } from '../loose-values';
import type { RawRecord, RecordFormat } from '../../file/raw-record';
import { COLUMN_NAMES, findColumns, type ColumnRole } from './columns';

/** Tables with the names of their columns in the first row; commas, semicolons or tabs between (RFC 4180). */
export const CSV: RecordFormat = {
  id: 'csv',
  name: 'a table (CSV)',
  endings: ['csv', 'tsv'],
  isLike: (text) => /^[^\n]*[,;\t]|^\W*title\W*$/im.test(text.slice(0, text.indexOf('\n') + 1 || undefined)),
  split: splitRows,
  read: readRow,
};

type Row = Partial<Record<ColumnRole, string>>;

/** Rows are counted, not lines: a cell may hold several lines. */
function splitRows(text: string): Outcome<readonly RawRecord[]> {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [names = [], ...rows] = data;
  const columns = findColumns(names);
  if (!columns.has('title'))
    return fail(createProblem('table-without-title', 'error', { names: COLUMN_NAMES.title.join(', ') }));
  return succeed(
    rows.map((cells, at) => {
      const row = Object.fromEntries([...columns].map(([role, column]) => [role, cells[column] ?? '']));
      return { line: at + 2, content: JSON.stringify(row), excerpt: cells.join(' | ') };
    }),
  );
}

function readRow({ content }: RawRecord, id: string): Outcome<BibliographicRecord> {
  const row = JSON.parse(content) as Row;
  const title = row.title?.trim() ?? '';
  if (title === '') return fail(createProblem('record-without-title', 'warning'));
  const year = readYear(row.year);
  const doi = readDoi([row.doi ?? '']);
  return succeed({
    id,
    title,
    abstract: row.abstract?.trim() ?? '',
    keywords: splitKeywords(row.keywords ?? ''),
    headings: splitKeywords(row.headings ?? '').map((label) => ({ label })),
    authors: splitAuthors(row.authors ?? '').map(readAuthor),
    source: row.source?.trim() ?? '',
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

/** By semicolons, bars or “and”; commas only where each piece between them is a whole name. */
function splitAuthors(text: string): string[] {
  const split = text.split(/\s*(?:;|\||\band\b)\s*/).filter((name) => name.trim() !== '');
  const [only = ''] = split;
  if (split.length > 1 || !only.includes(',')) return split;
  const pieces = only.split(/\s*,\s*/).filter((name) => name !== '');
  return pieces.length > 2 || pieces.every((piece) => piece.includes(' ')) ? pieces : [only];
}
