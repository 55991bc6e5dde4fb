import type { CheckPoint } from './checklist';
import type { DocumentLength, SearchDocument } from './document';
import type { DocumentInput } from './facts';
import type { Flow } from './flow';

/** The kinds of files that a documented search is saved as. */
export const DOCUMENT_FORMATS = ['docx', 'md', 'html', 'csv', 'json', 'svg', 'flow-csv'] as const;
export type DocumentFormat = (typeof DOCUMENT_FORMATS)[number];

/** What the screen shows of a run. */
export interface ShownSearch {
  readonly document: SearchDocument;
  readonly points: readonly CheckPoint[];
  /** The paragraph for the methods section as it would be proposed now. */
  readonly methods: string;
  readonly flow: Flow | undefined;
}

/** What a worker is asked for. */
export type DocumentTask =
  | { readonly kind: 'show'; readonly length: DocumentLength }
  | { readonly kind: 'write'; readonly length: DocumentLength; readonly format: DocumentFormat };

export interface DocumentRequest {
  readonly turn: number;
  readonly input: DocumentInput;
  readonly task: DocumentTask;
}

/** What came of each kind of task; nothing to write where a run has no flow. */
export interface DocumentResults {
  readonly show: ShownSearch;
  readonly write: { readonly content: string | ArrayBuffer; readonly type: string } | undefined;
}

export type DocumentAnswer =
  | { readonly turn: number; readonly result: DocumentResults[keyof DocumentResults] }
  | { readonly turn: number; readonly fault: string };
