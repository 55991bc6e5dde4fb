import {
  build,
  expandBlocks,
  parseQuery,
  withIds,
  type Blocks,
  type ParsedQuery,
  type QueryNode,
} from '../query';
import type { Problem } from '../problem';
import type { Concept, QueryState, Term, Working } from './project';

/** The tree of a term, for the databases that it is meant for. */
export function createTermQuery({ text, databases }: Pick<Term, 'text' | 'databases'>): QueryNode {
  const { root } = parseQuery(text);
  return databases ? build.only(databases, root) : root;
}

/** Terms are values that never change: each is read once. */
const TERM_TREES = new WeakMap<Term, QueryNode>();

/** As `createTermQuery`, always the same tree for the same term. */
export function readTermQuery(term: Term): QueryNode {
  const known = TERM_TREES.get(term);
  if (known) return known;
  const tree = createTermQuery(term);
  TERM_TREES.set(term, tree);
  return tree;
}

/** A concept as a query: any of its terms. Terms that are off stay in it and take no part. */
export function createConceptQuery(concept: Concept): QueryNode {
  // A concept without a term that is on finds nothing: that is not the same as a concept that is off.
  if (concept.terms.every((term) => term.off)) return withIds(switchOff(concept, build.empty()));
  const group = joinTerms(
    concept,
    concept.terms.map((term) => (term.off ? build.off(createTermQuery(term)) : createTermQuery(term))),
  );
  return withIds(switchOff(concept, group));
}

function switchOff(concept: Concept, query: QueryNode): QueryNode {
  return concept.off ? build.off(query) : query;
}

/** Any of some trees of terms, in the fields of their concept; headings and terms with fields of their own keep theirs. */
export function joinTerms({ fields }: Pick<Concept, 'fields'>, items: readonly QueryNode[]): QueryNode {
  if (!fields) return build.any(items);
  const bare = items.filter((item) => !hasOwnPlace(item));
  const placed = items.filter(hasOwnPlace);
  return build.any(bare.length > 0 ? [build.fielded(fields, build.any(bare)), ...placed] : placed);
}

function hasOwnPlace(node: QueryNode): boolean {
  if (node.kind === 'off' || node.kind === 'only') return hasOwnPlace(node.item);
  return node.kind === 'heading' || node.kind === 'fielded';
}

/** The blocks that a draft can use: concepts, and pieces with a name. */
export function createBlocks({ concepts, blocks }: Pick<Working, 'concepts' | 'blocks'>): Blocks {
  return new Map([
    ...concepts.map((concept) => [concept.block, createConceptQuery(concept)] as const),
    ...blocks.map((block) => [block.name, parseQuery(block.text).root] as const),
  ]);
}

/** The draft as people typed it and as it is meant. */
export interface DraftQuery {
  readonly parsed: ParsedQuery;
  /** With blocks expanded; to be written and counted. */
  readonly root: QueryNode;
  readonly problems: readonly Problem[];
}

/** Reads a draft with its concepts. */
export function createDraftQuery(state: QueryState, databases: readonly string[]): DraftQuery {
  const blocks = createBlocks(state);
  const parsed = parseQuery(state.draft, { blocks: new Set(blocks.keys()), databases: new Set(databases) });
  const { root, problems } = expandBlocks(parsed.root, blocks);
  const circles = problems.filter((problem) => problem.code === 'block-circle');
  return { parsed, root, problems: [...parsed.problems, ...circles] };
}
