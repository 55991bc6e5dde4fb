import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import type { MarkFix, TermMark } from '#core/compare/draft/index';
import type { Comparison } from '#core/count/index';
import type { Concept, Term, TermKind } from '#core/project/index';
import type { Dialect } from '#core/dialect/index';
import type { Counted } from '../counting/count-state';
import { say } from '../words/say';

/** What is shown beside the terms. */
export const MEASURES = ['finds', 'only', 'draft'] as const;
/** `finds`: what a term finds; `only`: what only it finds in its concept; `draft`: what only it brings to the draft. */
export type Measure = (typeof MEASURES)[number];

/** How the terms of a column are ordered. */
export const SORTINGS = ['hand', 'finds', 'only', 'draft', 'text', 'kind'] as const;
export type Sorting = (typeof SORTINGS)[number];
export const SORTING_NAMES: Readonly<Record<Sorting, string>> = {
  get hand() {
    return say('shared.byHand');
  },
  get finds() {
    return say('topic.byWhatTheyFind');
  },
  get only() {
    return say('topic.byWhatOnlyTheyFind');
  },
  get draft() {
    return say('topic.byWhatTheyBring');
  },
  get text() {
    return say('topic.byTheAlphabet');
  },
  get kind() {
    return say('topic.byKind');
  },
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
  /** Its place among the concepts: gives the letter and the hue. */
  readonly index: number;
  readonly isExcluded: boolean;
  /** Its place in the query, as a few words. */
  readonly placeWords: string;
  /** For which of the chosen databases with a thesaurus it has a heading. */
  readonly headingWords: string;
  readonly whole: readonly { readonly dialect: Dialect; readonly counted: Counted | undefined }[];
  readonly terms: readonly TermView[];
}

/** Where a term goes by keyboard. */
export type MoveDirection = 'up' | 'down' | 'left' | 'right';

/** What a person does to a concept and its terms, in its column. */
export type ColumnAction =
  | { readonly kind: 'rename'; readonly name: string }
  | { readonly kind: 'remove' }
  | { readonly kind: 'switch'; readonly off: boolean }
  /** By how many places to the right. */
  | { readonly kind: 'move'; readonly by: number }
  | { readonly kind: 'open-settings' }
  | { readonly kind: 'split' }
  | { readonly kind: 'copy' }
  | { readonly kind: 'add'; readonly text: string }
  | { readonly kind: 'paste'; readonly text: string }
  | { readonly kind: 'edit-term'; readonly term: Term; readonly text: string }
  /** Typing rests: what stands there is counted. */
  | { readonly kind: 'type-term'; readonly term: Term; readonly text: string }
  | { readonly kind: 'switch-term'; readonly term: Term }
  | { readonly kind: 'remove-term'; readonly term: Term }
  | { readonly kind: 'move-term'; readonly term: Term; readonly direction: MoveDirection }
  | { readonly kind: 'send-term'; readonly term: Term; readonly to: Concept }
  | { readonly kind: 'open-term'; readonly term: Term }
  | { readonly kind: 'open-endings'; readonly term: Term }
  | { readonly kind: 'fix'; readonly fix: MarkFix }
  /** To the cell beside one in the table of terms. */
  | { readonly kind: 'step'; readonly line: number; readonly by: 1 | -1; readonly event: Event }
  /** `first` is the number of the first line that was drawn. */
  | {
      readonly kind: 'drop';
      readonly event: CdkDragDrop<Concept, Concept, Term>;
      readonly first: number;
    };
