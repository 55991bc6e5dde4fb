import { writeQuery, type Dialect } from '#core/dialect/index';
import type { Limiters } from '#core/limiter/index';
import type { QueryNode } from '#core/query/index';
import type { BibliographicRecord } from '#core/record/index';
import type { StandinClient } from './standin-client';

const PAGE = 100;

/** The first records of a query in a database, best matches first (of a query in parts, of the first one); as many as could be had. */
export async function fetchRecords(
  client: StandinClient,
  root: QueryNode,
  dialect: Dialect,
  limiters: Limiters,
  most: number,
): Promise<readonly BibliographicRecord[]> {
  const { parts, boxes, problems } = writeQuery(root, dialect, { limiters });
  const [first] = parts;
  if (problems.length > 0 || !first) return [];
  const records: BibliographicRecord[] = [];
  while (records.length < most) {
    const page = await client.search(dialect.id, first.text, boxes, PAGE, records.length);
    if (!page.ok) break;
    records.push(...page.value.records);
    if (page.value.records.length < PAGE) break;
  }
  return records;
}
