import type { RichText } from '../text';
import type { Flow } from './flow';

/** A piece of a document, in an order in which it is read; each format writes them in its own way. */
export type Block =
  | { readonly kind: 'heading'; readonly text: string }
  | { readonly kind: 'paragraph'; readonly text: RichText }
  | { readonly kind: 'list'; readonly items: readonly RichText[] }
  | {
      readonly kind: 'table';
      readonly head: readonly string[];
      readonly rows: readonly (readonly RichText[])[];
      /** The columns that hold numbers, by their places. */
      readonly numeric: readonly number[];
    }
  /** Strings exactly as they were sent: no sign of them is ever changed. */
  | { readonly kind: 'strings'; readonly about: RichText; readonly strings: readonly string[] }
  | { readonly kind: 'flow'; readonly flow: Flow };

/** The documented search at one length. */
export interface SearchDocument {
  readonly title: string;
  readonly subtitle: RichText;
  readonly blocks: readonly Block[];
}

/** How long a document is. */
export const LENGTHS = ['appendix', 'one-page', 'assignment'] as const;
export type DocumentLength = (typeof LENGTHS)[number];
