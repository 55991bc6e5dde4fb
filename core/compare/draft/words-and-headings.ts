import { createTermQuery, joinTerms, type Concept } from '../../project';
import type { QueryNode } from '../../query';

/** What a concept finds by words and what it finds by subject headings, as queries of their own. */
export interface WordsAndHeadings {
  readonly words: QueryNode | undefined;
  readonly headings: QueryNode | undefined;
}

/** The terms of a concept that are on, parted by whether they are headings. */
export function splitByHeadings(concept: Concept): WordsAndHeadings {
  const trees = concept.terms
    .filter((term) => !term.off)
    .map((term) => ({
      tree: createTermQuery(term),
      isHeading: isHeading(createTermQuery({ text: term.text })),
    }));
  const join = (wanted: boolean): QueryNode | undefined => {
    const items = trees.filter((entry) => entry.isHeading === wanted).map((entry) => entry.tree);
    return items.length > 0 ? joinTerms(concept, items) : undefined;
  };
  return { words: join(false), headings: join(true) };
}

function isHeading(node: QueryNode): boolean {
  return node.kind === 'heading' || (node.kind === 'or' && node.items.every(isHeading));
}
