import { createTermQuery, joinTerms, type Concept, type Term, type Working } from '../project';
import { build, mapChildren, parseQuery, type QueryNode } from '../query';

/**
 * What has to be counted to know what a term brings. What only it finds in its concept is `concept`
 * less `conceptWithout`; what only it brings to the draft is `draft` less `draftWithout`. An empty
 * tree stands where nothing would be left: it finds nothing.
 */
export interface TermQuestions {
  readonly term: Term;
  readonly finds: QueryNode;
  readonly conceptWithout: QueryNode;
  readonly draftWithout: QueryNode;
}

/** A concept with the questions of its terms, in their order. */
export interface ConceptQuestions {
  readonly concept: Concept;
  /** Any of its terms, though the concept may be switched off. */
  readonly whole: QueryNode;
  readonly terms: readonly TermQuestions[];
}

/**
 * The questions of all terms of a draft. Trees share what they have in common, node by node, so that
 * whoever writes or evaluates them needs to do equal pieces only once.
 */
export function createTermQuestions({
  concepts,
  draft,
}: Pick<Working, 'concepts' | 'draft'>): ConceptQuestions[] {
  const root = readDraft(draft);
  const wholes = new Map(concepts.map((concept) => [concept, joinConcept(concept, concept.terms)]));
  const blocks = new Map(
    concepts.map((concept) => [concept.block, switchConcept(concept, wholes.get(concept) ?? build.empty())]),
  );
  return concepts.map((concept) => ({
    concept,
    whole: wholes.get(concept) ?? build.empty(),
    terms: concept.terms.map((term): TermQuestions => {
      const rest = joinConcept(
        concept,
        concept.terms.filter((other) => other !== term),
      );
      const others = new Map(blocks).set(concept.block, switchConcept(concept, rest));
      return {
        term,
        finds: readTerm(term),
        conceptWithout: rest,
        draftWithout: putBlocksIn(root, others),
      };
    }),
  }));
}

/** The whole draft on the same shared trees. */
export function createSharedDraft({ concepts, draft }: Pick<Working, 'concepts' | 'draft'>): QueryNode {
  const blocks = new Map(
    concepts.map((concept) => [concept.block, switchConcept(concept, joinConcept(concept, concept.terms))]),
  );
  return putBlocksIn(readDraft(draft), blocks);
}

/** Terms are values that never change: each is parsed once. */
const TERM_TREES = new WeakMap<Term, QueryNode>();

function readTerm(term: Term): QueryNode {
  const known = TERM_TREES.get(term);
  if (known) return known;
  const tree = createTermQuery(term);
  TERM_TREES.set(term, tree);
  return tree;
}

function readDraft(draft: string): QueryNode {
  return parseQuery(draft).root;
}

function joinConcept(concept: Concept, terms: readonly Term[]): QueryNode {
  return joinTerms(concept, terms.filter((term) => !term.off).map(readTerm));
}

function switchConcept(concept: Concept, whole: QueryNode): QueryNode {
  return concept.off ? build.off(whole) : whole;
}

function putBlocksIn(node: QueryNode, blocks: ReadonlyMap<string, QueryNode>): QueryNode {
  if (node.kind === 'block') return blocks.get(node.name) ?? build.empty();
  return mapChildren(node, (child) => putBlocksIn(child, blocks));
}
