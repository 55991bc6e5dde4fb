import type { Dialect } from '../dialect';
import { createBlocks, isInUse, type Working } from '../project';
import { expandBlocks, parseQuery, printQuery, type QueryNode } from '../query';
import type { Vocabulary } from '../vocabulary';
import { CHECKS } from './checks';
import type { Check, CheckSubject, Finding } from './finding';

/** A number that checks need and do not have yet. */
export interface AskedCount {
  readonly key: string;
  readonly database: string;
  readonly query: QueryNode;
}

/** What checks found, and the numbers that would let them find more. */
export interface CheckedQuery {
  readonly findings: readonly Finding[];
  readonly asked: readonly AskedCount[];
}

/** What is known beyond the project. */
export interface CheckFacts {
  readonly dialects: readonly Dialect[];
  readonly findVocabulary?: (database: string) => Vocabulary | undefined;
  readonly findMeanings?: (acronym: string) => readonly string[] | undefined;
  /** Records by the keys of `AskedCount`. */
  readonly known: ReadonlyMap<string, number>;
}

/** Looks a project's draft through with all checks. The same project and facts give the same findings. */
export function runChecks(
  working: Working,
  facts: CheckFacts,
  checks: readonly Check[] = CHECKS,
): CheckedQuery {
  const asked = new Map<string, AskedCount>();
  const createKey = createKeys();
  const blocks = createBlocks(working);
  const names = { blocks: new Set(blocks.keys()), databases: new Set(working.databases) };
  const parsed = parseQuery(working.draft, names);
  const subject: CheckSubject = {
    working,
    parsed,
    blocks,
    root: expandBlocks(parsed.root, blocks).root,
    dialects: facts.dialects,
    used: working.concepts.filter((concept) => !concept.off && isInUse(working, concept.block)),
    findVocabulary: (database) => facts.findVocabulary?.(database),
    findMeanings: (acronym) => facts.findMeanings?.(acronym),
    count: (query, database) => {
      const key = `${database}\n${createKey(query)}`;
      const total = facts.known.get(key);
      if (total === undefined && !asked.has(key)) asked.set(key, { key, database, query });
      return total;
    },
  };
  const findings = checks.flatMap((check) => nameFindings(check, subject));
  return { findings, asked: [...asked.values()] };
}

/**
 * Keys of queries by what they ask for: the same in every run. Groups are put together of the keys of
 * their members, since the same members stand in many of the queries.
 */
function createKeys(): (query: QueryNode) => string {
  const known = new WeakMap<QueryNode, string>();
  const createKey = (query: QueryNode): string => {
    const made = known.get(query);
    if (made !== undefined) return made;
    const isGroup = query.kind === 'and' || query.kind === 'or';
    const key = isGroup
      ? `${query.kind}(${query.items.map(createKey).join(' ')})`
      : printQuery({ ...query, comments: [] });
    known.set(query, key);
    return key;
  };
  return createKey;
}

/**
 * A key names what was found by its check, its concept and its particulars: so it outlives edits elsewhere. How
 * many there are and what a term is called in a sentence take no part: remarks are kept under the key.
 */
function nameFindings(check: Check, subject: CheckSubject): Finding[] {
  const occurrences = new Map<string, number>();
  return check.find(subject).map((found) => {
    const { count: _, named: __, ...data } = found.problem.data;
    const base = [check.id, found.problem.code, found.concept ?? '', ...Object.values(data)]
      .join(' ')
      .slice(0, 200);
    const occurrence = (occurrences.get(base) ?? 0) + 1;
    occurrences.set(base, occurrence);
    const key = occurrence === 1 ? base : `${base} ${occurrence}`;
    return { remarks: [], fixes: [], ...found, key, element: check.element };
  });
}
