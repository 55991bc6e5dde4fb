import type { CheckedQuery } from '../check';
import type { Working } from '../project';
import type { Heading } from '../vocabulary';

/** What the page sends to the worker that looks a query through. Thesauri go once, the rest with every run. */
export type ChecksRequest =
  | { readonly kind: 'vocabulary'; readonly id: string; readonly headings: readonly Heading[] }
  | {
      readonly kind: 'run';
      readonly turn: number;
      readonly working: Working;
      /** Records by the keys of what was asked. */
      readonly known: readonly (readonly [key: string, total: number])[];
      readonly meanings: readonly (readonly [acronym: string, forms: readonly string[]])[];
    };

/** What the worker sends back; `took` in milliseconds. */
export interface ChecksAnswer {
  readonly turn: number;
  readonly checked: CheckedQuery;
  readonly took: number;
}
