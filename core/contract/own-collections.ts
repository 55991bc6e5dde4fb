import type { SentLimiters } from '../dialect';
import type { Outcome, Problem } from '../problem';
import type { CountEntry, WordsAnswer } from './counting';
import type { ProofAnswer, ProofRequest } from './proof';
import type {
  IdsAnswer,
  IdsRequest,
  LookupAnswer,
  RecordsAnswer,
  RecordsRequest,
  SearchAnswer,
  SearchRequest,
  SetWordsAnswer,
  SetWordsRequest,
} from './reading';

/** A collection of imported records as lists show it. */
export interface OwnCollection {
  readonly id: string;
  readonly name: string;
  /** ISO 8601, UTC. */
  readonly imported: string;
  readonly files: readonly string[];
  readonly records: number;
}

/** How far an import is. */
export interface ImportProgress {
  readonly stage: 'reading' | 'indexing' | 'keeping';
  readonly file: string;
  readonly done: number;
  readonly all: number;
}

/** A record that was left out, as it is listed; its problem apart from the record's text. */
export interface SkippedLine {
  readonly file: string;
  readonly line: number;
  readonly excerpt: string;
  readonly problem: Problem;
}

/** What came of an import. */
export interface ImportReport {
  readonly collection: OwnCollection;
  /** Records of these files that were taken. */
  readonly added: number;
  /** How many were left out, and the first of them. */
  readonly skipped: number;
  readonly skippedFirst: readonly SkippedLine[];
  /** Files that held nothing that could be read. */
  readonly refused: readonly { readonly file: string; readonly problem: Problem }[];
  /** Files with so many signs that could not be read in their encoding. */
  readonly garbled: readonly { readonly file: string; readonly signs: number }[];
}

/** A file as it was chosen. */
export interface ImportFile {
  readonly name: string;
  readonly content: ArrayBuffer;
}

/** What the page asks of the worker that keeps collections. `collection` is the id. */
export type CollectionAsked =
  | {
      readonly kind: 'import';
      readonly collection: string;
      readonly name: string;
      readonly moment: string;
      readonly files: readonly ImportFile[];
    }
  | {
      readonly kind: 'count';
      readonly collection: string;
      readonly strings: readonly string[];
      readonly sentLimiters: SentLimiters;
    }
  | {
      readonly kind: 'unions';
      readonly collection: string;
      readonly unions: readonly (readonly string[])[];
      readonly sentLimiters: SentLimiters;
    }
  | { readonly kind: 'search'; readonly collection: string; readonly request: SearchRequest }
  | { readonly kind: 'ids'; readonly collection: string; readonly request: IdsRequest }
  | { readonly kind: 'lookup'; readonly collection: string; readonly identifiers: readonly string[] }
  | { readonly kind: 'records'; readonly collection: string; readonly request: RecordsRequest }
  | { readonly kind: 'set-words'; readonly collection: string; readonly request: SetWordsRequest }
  | {
      readonly kind: 'words';
      readonly collection: string;
      readonly prefix: string;
      readonly suffix: string;
      readonly most: number;
    }
  | { readonly kind: 'proof'; readonly collection: string; readonly request: ProofRequest };

/** What each question is answered with. */
export interface CollectionAnswers {
  readonly import: ImportReport;
  readonly count: CountEntry[];
  readonly unions: CountEntry[];
  readonly search: SearchAnswer;
  readonly records: RecordsAnswer;
  readonly 'set-words': SetWordsAnswer;
  readonly ids: IdsAnswer;
  readonly lookup: LookupAnswer;
  readonly words: WordsAnswer;
  readonly proof: ProofAnswer;
}

/** A question with a number that its answer repeats. */
export interface CollectionRequest {
  readonly turn: number;
  readonly asked: CollectionAsked;
}

/** What the worker sends: how far an import is, now and then, and one answer a question. */
export type CollectionMessage =
  | { readonly turn: number; readonly kind: 'progress'; readonly progress: ImportProgress }
  | {
      readonly turn: number;
      readonly kind: 'answer';
      readonly outcome: Outcome<CollectionAnswers[keyof CollectionAnswers]>;
    };
