import type { Change, Term } from '../project';

/** Where what was learnt goes: to the end of a concept, in place of a term, or into a concept of its own. */
export type TakeWay =
  | { readonly kind: 'beside'; readonly concept: string }
  | { readonly kind: 'instead'; readonly term: string }
  | { readonly kind: 'concept'; readonly id: string; readonly name: string };

/** The change that takes terms into a project: one step, however many there are. */
export function createTakeChange(way: TakeWay, terms: readonly Term[]): Change {
  switch (way.kind) {
    case 'beside':
      return { kind: 'add-terms', concept: way.concept, terms };
    case 'instead':
      return { kind: 'replace-term', id: way.term, terms };
    case 'concept':
      return { kind: 'add-concept', id: way.id, name: way.name, terms };
  }
}
