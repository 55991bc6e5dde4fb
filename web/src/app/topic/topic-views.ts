import type { TermMark } from '#core/compare/index';
import type { Comparison } from '#core/count/index';
import type { Concept, Term, TermKind } from '#core/project/index';
import type { Dialect } from '#core/dialect/index';
import type { Counted } from '../counting/count-state';

/** What is shown beside the terms. */
export const MEASURES = ['finds', 'only', 'draft'] as const;
/** `finds`: what a term finds; `only`: what only it finds in its concept; `draft`: what only it brings to the draft. */
export type Measure = (typeof MEASURES)[number];

/** How the terms of a column are ordered. */
export const SORTINGS = ['hand', 'finds', 'only', 'draft', 'text', 'kind'] as const;
export type Sorting = (typeof SORTINGS)[number];
export const SORTING_NAMES: Readonly<Record<Sorting, string>> = {
  hand: 'by hand',
  finds: 'by what they find',
  only: 'by what only they find',
  draft: 'by what they bring to the draft',
  text: 'by the alphabet',
  kind: 'by kind',
};

/** The numbers of one term in one database. Differences are absent while a part of them is. */
export interface TermNumbers {
  readonly dialect: Dialect;
  readonly finds: Counted | undefined;
  readonly only: Comparison | undefined;
  readonly draft: Comparison | undefined;
}

/** A term with its numbers in the databases that are shown, in their order. */
export interface TermView {
  readonly term: Term;
  readonly kind: TermKind;
  readonly numbers: readonly TermNumbers[];
  readonly marks: readonly TermMark[];
}

/** A concept with its numbers. */
export interface ConceptView {
  readonly concept: Concept;
  /** Its turn among the concepts: gives the letter and the hue. */
  readonly turn: number;
  readonly isExcluded: boolean;
  /** Its place in the query, as a few words. */
  readonly placeWords: string;
  /** For which of the chosen databases with a thesaurus it has a heading. */
  readonly headingWords: string;
  readonly whole: readonly { readonly dialect: Dialect; readonly counted: Counted | undefined }[];
  readonly terms: readonly TermView[];
}

/** A term to be moved by keyboard. */
export interface TermMove {
  readonly term: Term;
  readonly concept: Concept;
  readonly direction: 'up' | 'down' | 'left' | 'right';
}

/** The way from one cell of the table of terms to the concept beside it. */
export interface CellStep {
  readonly concept: Concept;
  /** The line in its column; the line for a new term comes after the last. */
  readonly line: number;
  readonly by: 1 | -1;
}
