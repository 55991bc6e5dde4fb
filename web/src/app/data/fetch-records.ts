import { writeQuery, type Dialect, type Limiters } from '#core/dialect/index';
import type { QueryNode } from '#core/query/index';
import type { BibliographicRecord } from '#core/record/index';
import type { StandinClient } from './standin-client';

const PAGE = 100;

/** The first records of a query in a database, best matches first; as many as could be had. */
export async function fetchRecords(
  client: StandinClient,
  root: QueryNode,
  dialect: Dialect,
  limiters: Limiters,
  most: number,
): Promise<readonly BibliographicRecord[]> {
  const { text, boxes, problems } = writeQuery(root, dialect, { limiters });
  if (problems.length > 0) return [];
  const records: BibliographicRecord[] = [];
  while (records.length < most) {
    const page = await client.search(dialect.id, text, boxes, PAGE, records.length);
    if (!page.ok) break;
    records.push(...page.value.records);
    if (page.value.records.length < PAGE) break;
  }
  return records;
}
