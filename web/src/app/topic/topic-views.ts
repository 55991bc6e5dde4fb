import type { Concept, Term, TermKind } from '#core/project/index';
import type { QueryNode } from '#core/query/index';
import type { Counted } from '../counting/count-store';

/** A term with its numbers in the database looked at. */
export interface TermView {
  readonly term: Term;
  readonly kind: TermKind;
  readonly counted: Counted | undefined;
  readonly without: Counted | undefined;
  /** What only it finds in its concept, as shown. */
  readonly only: string;
}

/** The queries behind the numbers of a concept and its terms. */
export interface ConceptQueries {
  readonly root: QueryNode;
  readonly terms: readonly {
    readonly term: Term;
    readonly root: QueryNode;
    /** The concept without the term. */
    readonly without: QueryNode;
    readonly kind: TermKind;
  }[];
}

/** A concept with its numbers. */
export interface ConceptView {
  readonly concept: Concept;
  readonly place: number;
  readonly counted: Counted | undefined;
  readonly terms: readonly TermView[];
}

/** A term to be moved by keyboard. */
export interface TermMove {
  readonly term: Term;
  readonly concept: Concept;
  readonly direction: 'up' | 'down' | 'left' | 'right';
}
