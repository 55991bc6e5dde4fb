import {
  build,
  dropInactive,
  expandBlocks,
  parseQuery,
  withIds,
  type Blocks,
  type ParsedQuery,
  type QueryNode,
} from '../query';
import type { Problem } from '../problem';
import type { Concept, Term, Working } from './project';

/** The tree of a term. */
export function createTermQuery(term: Term): QueryNode {
  return parseQuery(term.text).root;
}

/** A concept as a query: any of its terms. Terms that are off stay in it and take no part. */
export function createConceptQuery(concept: Concept): QueryNode {
  const items = concept.terms.map((term) =>
    term.off ? build.off(createTermQuery(term)) : createTermQuery(term),
  );
  const [first] = items;
  const group = items.length > 1 ? build.or(...items) : (first ?? build.empty());
  return withIds(concept.off ? build.off(group) : group);
}

/** The blocks that a draft can use. */
export function createBlocks(concepts: readonly Concept[]): Blocks {
  return new Map(concepts.map((concept) => [concept.block, createConceptQuery(concept)]));
}

/** The draft as people typed it and as it is meant. */
export interface DraftQuery {
  readonly parsed: ParsedQuery;
  /** With blocks expanded; to be written and counted. */
  readonly root: QueryNode;
  readonly problems: readonly Problem[];
}

/** Reads a draft with its concepts. */
export function createDraftQuery(
  { draft, concepts }: Pick<Working, 'draft' | 'concepts'>,
  databases: readonly string[],
): DraftQuery {
  const blocks = createBlocks(concepts);
  const parsed = parseQuery(draft, { blocks: new Set(blocks.keys()), databases: new Set(databases) });
  const { root, problems } = expandBlocks(parsed.root, blocks);
  const circles = problems.filter((problem) => problem.code === 'block-circle');
  return { parsed, root, problems: [...parsed.problems, ...circles] };
}

/** What has to be counted to know what a term brings: the term, and its concept without it. */
export interface TermQueries {
  readonly term: QueryNode;
  /** Absent if nothing would be left. */
  readonly without: QueryNode | undefined;
}

/** The queries behind the numbers of one term. */
export function createTermQueries(concept: Concept, term: Term): TermQueries {
  const rest = { ...concept, off: false, terms: concept.terms.filter((other) => other.id !== term.id) };
  return { term: createTermQuery(term), without: dropInactive(createConceptQuery(rest)) };
}
