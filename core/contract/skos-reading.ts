import type { SkosProgress, SkosReading } from '../vocabulary/skos';

/** What the page sends to the worker that reads thesauri. */
export interface SkosRequest {
  readonly content: string;
  /** Whose labels name the headings, as ISO 639-1. */
  readonly language: string;
}

/** What the worker sends back: how far it is, now and then, and what it read, at the end. */
export type SkosMessage =
  | { readonly kind: 'progress'; readonly progress: SkosProgress }
  | { readonly kind: 'read'; readonly reading: SkosReading };
