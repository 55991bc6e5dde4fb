import { parseQuery, printQuery } from '../query';
import rows from './ready-filters.json' with { type: 'json' };

/**
 * A tried piece of a query: for a kind of study, an age group, a region … Some databases have a text of their
 * own.
 */
export interface ReadyFilter {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  /** What it narrows a search to: a kind of study, an age group, a region … */
  readonly kind: string;
  /** Who made it. */
  readonly source: string;
  /** When it was last looked over: ISO 8601. */
  readonly date: string;
  /** Query text for every database without a text of its own. */
  readonly text: string;
  readonly texts: Readonly<Record<string, string>>;
}

/** The filters that ship: made-up ones, to show what they are. */
export const READY_FILTERS: readonly ReadyFilter[] = rows;

/**
 * The text of a block that is the filter in some databases: in each its own text, in the others the
 * common one. With one text for all it stands by itself.
 */
export function writeFilterText(filter: ReadyFilter, databases: readonly string[]): string {
  const own = databases.filter((database) => filter.texts[database] !== undefined);
  const others = databases.filter((database) => !own.includes(database));
  if (own.length === 0) return filter.text;
  const parts = own.map((database) => `IN(${database}: ${filter.texts[database] ?? ''})`);
  if (others.length > 0) parts.unshift(`IN(${others.join(', ')}: ${filter.text})`);
  return printQuery(parseQuery(parts.join(' OR ')).root);
}
