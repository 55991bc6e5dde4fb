import { build, createPattern, readProperty, type QueryNode } from '../query';
import { normaliseIdentifier, normaliseTitle } from '../record';
import type { MustFind, Project } from '../project';

/** The longest title phrase that is searched, in words: longer ones are as sure and may be too long to send. */
const MAX_WORDS = 8;

/** The query that finds a must-find by the first words of its title, else by its DOI; nothing if it has neither. */
export function createMustFindQuery({ title, identifier }: WantedWork): QueryNode | undefined {
  const words = normaliseTitle(title).slice(0, MAX_WORDS).map(createPattern);
  const [first] = words;
  if (!first) return identifier === undefined ? undefined : readProperty('doi', identifier);
  return build.fielded(['title'], words.length > 1 ? build.phrase(...words) : build.term(first));
}

/** Any of some works. */
export function createWantedQuery(works: readonly WantedWork[]): QueryNode {
  const queries = works.flatMap((one) => createMustFindQuery(one) ?? []);
  return queries.length === 0 ? build.empty() : build.any(queries);
}

/** All of some works that are within a query. */
export function createRecallQuery(root: QueryNode, works: readonly WantedWork[]): QueryNode {
  const any = createWantedQuery(works);
  return any.kind === 'empty' ? any : build.and(root, any);
}

/** A work that a query should find. */
export type WantedWork = Pick<MustFind, 'title' | 'identifier'>;

/** So many good works are looked for: more make a string that databases do not take. */
export const MAX_GOOD_WORKS = 100;

/**
 * The works that are known to be good: must-finds, then those judged on topic, each once. What is put aside is not
 * among them, and no more than `MAX_GOOD_WORKS`.
 */
export function listGoodWorks({
  mustFinds,
  judgements,
}: Pick<Project, 'mustFinds' | 'judgements'>): WantedWork[] {
  const nameWork = ({ title }: WantedWork): string => normaliseTitle(title).join(' ');
  const seen = new Set(['', ...mustFinds.filter(({ isAside }) => isAside).map(nameWork)]);
  const onTopic = Object.values(judgements).flatMap(({ verdict, title }) =>
    verdict === 'on' ? [{ title }] : [],
  );
  return [...mustFinds, ...onTopic]
    .filter((work) => {
      const name = nameWork(work);
      return !seen.has(name) && seen.add(name);
    })
    .slice(0, MAX_GOOD_WORKS);
}

/** The same for must-finds that are of one work: the identifier, else the words of the title. */
export function createMustFindKey({ title, identifier }: Omit<MustFind, 'id'>): string {
  return identifier === undefined ? normaliseTitle(title).join(' ') : normaliseIdentifier(identifier);
}

/** Where a must-find stands with a query in one database. */
export type MustFindStanding =
  | 'found'
  | 'missed'
  | 'not-there'
  /** It is found, or not there: which of both was not asked (`tellByGroups`). */
  | 'not-missed'
  | 'unknown';

/** From how many records with its title there are in the database, and how many of these the query finds. */
export function judgeMustFind(there: number | undefined, found: number | undefined): MustFindStanding {
  if (there === 0) return 'not-there';
  if (there === undefined || found === undefined) return 'unknown';
  return found > 0 ? 'found' : 'missed';
}
