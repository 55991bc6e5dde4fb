import type { Outcome } from '../problem';
import type { BibliographicRecord } from '../record';
import type { CitationStyle } from './citation-style';
import type { ReferenceList, WrittenCitation } from './write-citations';

/** What is asked of the worker that writes citations. */
export type CitationTask =
  | { readonly kind: 'list'; readonly records: readonly BibliographicRecord[] }
  | {
      readonly kind: 'one';
      readonly record: BibliographicRecord;
      readonly others: readonly BibliographicRecord[];
      readonly page: string;
    }
  /** Says what a file of a style is, or why it is none. */
  | { readonly kind: 'check'; readonly id: string };

/** A task with the texts that it needs: the style, and the words of languages by their codes. */
export interface CitationRequest {
  readonly turn: number;
  readonly task: CitationTask;
  readonly style: string;
  readonly locales: Readonly<Record<string, string>>;
}

/** What came of a task. */
export interface CitationResults {
  readonly list: ReferenceList;
  readonly one: WrittenCitation;
  readonly check: CitationStyle;
}

export interface CitationAnswer {
  readonly turn: number;
  readonly outcome: Outcome<CitationResults[keyof CitationResults]>;
}
