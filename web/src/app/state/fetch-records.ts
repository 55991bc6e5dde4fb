import { MAX_ROWS } from '#core/contract/index';
import { writeQuery, type Dialect } from '#core/dialect/index';
import type { Limiters } from '#core/limiter/index';
import type { QueryNode } from '#core/query/index';
import type { BibliographicRecord } from '#core/record/index';
import type { Connection } from '../data/connections/connection';

/** The first records of a query in a database, best matches first (of a query in parts, of the first one); as many as could be had. */
export async function fetchRecords(
  connection: Connection,
  root: QueryNode,
  dialect: Dialect,
  limiters: Limiters,
  most: number,
): Promise<readonly BibliographicRecord[]> {
  const { parts, sentLimiters, problems } = writeQuery(root, dialect, { limiters });
  const [first] = parts;
  if (problems.length > 0 || !first) return [];
  const records: BibliographicRecord[] = [];
  while (records.length < most) {
    const page = await connection.ask('search', {
      string: first.text,
      sentLimiters,
      start: records.length,
      rows: MAX_ROWS,
      sort: 'relevance',
    });
    if (!page.ok) break;
    records.push(...page.value.records);
    if (page.value.records.length < MAX_ROWS) break;
  }
  return records;
}

/** Some records by their numbers, each at the place of its number; nothing at the place of one that could not be had. */
export async function fetchByNumbers(
  connection: Connection,
  numbers: readonly number[],
  signal?: AbortSignal,
): Promise<readonly (BibliographicRecord | undefined)[]> {
  const pages = Array.from({ length: Math.ceil(numbers.length / MAX_ROWS) }, (_, page) =>
    numbers.slice(page * MAX_ROWS, (page + 1) * MAX_ROWS),
  );
  const answers = await Promise.all(
    pages.map((some) => connection.ask('records', { numbers: some }, signal)),
  );
  return answers.flatMap((answer, page) =>
    (pages[page] ?? []).map((_, at) => (answer.ok ? (answer.value.records[at] ?? undefined) : undefined)),
  );
}
