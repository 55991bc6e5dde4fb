import { joinTerms, readTermQuery, type Concept, type QueryState, type Term } from '../../project';
import { build, listChildren, mapChildren, parseQuery, type QueryNode } from '../../query';

/**
 * What has to be counted to know what a term brings, all in the fields of its concept. What only it finds in its concept is `concept`
 * less `conceptWithout`; what only it brings to the draft is `draft` less `draftWithout`. An empty
 * tree stands where nothing would be left: it finds nothing.
 */
export interface TermQueries {
  readonly term: Term;
  readonly finds: QueryNode;
  readonly conceptWithout: QueryNode;
  readonly draftWithout: QueryNode;
}

/** A concept with the questions of its terms, in their order. */
export interface ConceptQueries {
  readonly concept: Concept;
  /** Any of its terms, though the concept may be switched off. */
  readonly whole: QueryNode;
  readonly terms: readonly TermQueries[];
}

/**
 * The questions of all terms of a draft. Trees share equal nodes, so that a writer or an evaluator does each
 * piece only once.
 */
export function createTermQueries(state: QueryState): ConceptQueries[] {
  const { concepts, draft } = state;
  const root = readDraft(draft);
  const blocks = readBlocks(state);
  return concepts.map((concept) => {
    const { whole, finds, rests } = readConcept(concept);
    const terms = concept.terms.map((term, place): TermQueries => {
      const rest = rests[place] ?? build.empty();
      const others = new Map(blocks).set(concept.block, switchConcept(concept, rest));
      return {
        term,
        finds: finds[place] ?? build.empty(),
        conceptWithout: rest,
        draftWithout: putBlocksIn(root, others),
      };
    });
    return { concept, whole, terms };
  });
}

/** The whole draft on the same shared trees. */
export function createSharedDraft(state: QueryState): QueryNode {
  return putBlocksIn(readDraft(state.draft), readBlocks(state));
}

function readBlocks({ concepts, blocks }: Pick<QueryState, 'concepts' | 'blocks'>): Map<string, QueryNode> {
  return new Map([
    ...concepts.map(
      (concept) => [concept.block, switchConcept(concept, readConcept(concept).whole)] as const,
    ),
    ...blocks.map((block) => [block.name, readDraft(block.text)] as const),
  ]);
}

/** A concept as a whole and without each of its terms, in their order. */
interface ConceptTrees {
  readonly whole: QueryNode;
  /** Each term alone, in the fields of the concept. */
  readonly finds: readonly QueryNode[];
  readonly rests: readonly QueryNode[];
}

const CONCEPT_TREES = new WeakMap<Concept, ConceptTrees>();

function readConcept(concept: Concept): ConceptTrees {
  const known = CONCEPT_TREES.get(concept);
  if (known) return known;
  const trees = {
    whole: joinConcept(concept, concept.terms),
    finds: concept.terms.map((term) => joinTerms(concept, [readTermQuery(term)])),
    rests: concept.terms.map((term) =>
      joinConcept(
        concept,
        concept.terms.filter((other) => other !== term),
      ),
    ),
  };
  CONCEPT_TREES.set(concept, trees);
  return trees;
}

function readDraft(draft: string): QueryNode {
  return parseQuery(draft).root;
}

function joinConcept(concept: Concept, terms: readonly Term[]): QueryNode {
  return joinTerms(concept, terms.filter((term) => !term.off).map(readTermQuery));
}

function switchConcept(concept: Concept, whole: QueryNode): QueryNode {
  return concept.off ? build.off(whole) : whole;
}

/** Pieces that use no blocks stay the same values; a block that uses itself finds nothing there. */
function putBlocksIn(
  node: QueryNode,
  blocks: ReadonlyMap<string, QueryNode>,
  open: readonly string[] = [],
): QueryNode {
  if (node.kind === 'block') {
    const content = open.includes(node.name) ? undefined : blocks.get(node.name);
    return content ? putBlocksIn(content, blocks, [...open, node.name]) : build.empty();
  }
  return usesBlocks(node) ? mapChildren(node, (child) => putBlocksIn(child, blocks, open)) : node;
}

const USES_BLOCKS = new WeakMap<QueryNode, boolean>();

function usesBlocks(node: QueryNode): boolean {
  const known = USES_BLOCKS.get(node);
  if (known !== undefined) return known;
  const uses = node.kind === 'block' || listChildren(node).some(usesBlocks);
  USES_BLOCKS.set(node, uses);
  return uses;
}
