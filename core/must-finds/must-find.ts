import { build, createPattern, type QueryNode } from '../query';
import { normaliseIdentifier, normaliseTitle } from '../record';
import type { MustFind } from '../project';

/** The longest title phrase that is searched, in words: longer ones are as sure and may be too long to send. */
const MAX_WORDS = 8;

/** The query that finds a must-find by the first words of its title; nothing if it has none. */
export function createMustFindQuery({ title }: Pick<MustFind, 'title'>): QueryNode | undefined {
  const words = normaliseTitle(title).slice(0, MAX_WORDS).map(createPattern);
  const [first] = words;
  if (!first) return undefined;
  return build.fielded(['title'], words.length > 1 ? build.phrase(...words) : build.term(first));
}

/** All must-finds that are within a query. */
export function createRecallQuery(root: QueryNode, mustFinds: readonly Pick<MustFind, 'title'>[]): QueryNode {
  const queries = mustFinds.flatMap((one) => createMustFindQuery(one) ?? []);
  return queries.length === 0 ? build.empty() : build.and(root, build.any(queries));
}

/** The same for must-finds that are of one work: the identifier, else the words of the title. */
export function createMustFindKey({ title, identifier }: Omit<MustFind, 'id'>): string {
  return identifier === undefined ? normaliseTitle(title).join(' ') : normaliseIdentifier(identifier);
}

/** Where a must-find stands with a query in one database. */
export type MustFindStanding = 'found' | 'missed' | 'not-there' | 'unknown';

/** From how many records with its title there are in the database, and how many of these the query finds. */
export function judgeMustFind(there: number | undefined, found: number | undefined): MustFindStanding {
  if (there === 0) return 'not-there';
  if (there === undefined || found === undefined) return 'unknown';
  return found > 0 ? 'found' : 'missed';
}
