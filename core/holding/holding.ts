import type { Evaluator, SetExpression } from '../collection';
import type { Sort } from '../contract';
import type { LimiterName } from '../limiter';
import type { Vocabulary } from '../vocabulary';

/** What is answered to a string that is not taken: a code, the place, and a sentence. */
export interface StringProblem {
  readonly code: string;
  readonly at: readonly [number, number];
  readonly message: string;
}

/** What a string is taken for: the set it means, and what the person is told about it. */
export interface StringReading {
  readonly expression: SetExpression;
  readonly notes: readonly string[];
}

/** How counts are given that are not exact. */
export interface Rounding {
  /** Counts up to this are exact. */
  readonly exactUpTo: number;
  readonly to: 'hundreds' | 'two-figures';
  readonly note: string;
}

/** Records that can be searched by strings of one syntax: what counting and searching need to know of them. */
export interface Holding {
  readonly evaluator: Evaluator;
  /** The limiters that are ticked apart from the string. */
  readonly sentLimiters: readonly LimiterName[];
  /** Without it, every count is exact. */
  readonly rounding?: Rounding;
  /** The orders in which records can come; in any other order that is asked for they come by relevance. */
  readonly sorts: readonly Sort[];
  /** The headings of its records, where it has any. */
  readonly vocabulary?: Vocabulary;
  /** Reads a string by the holding's own syntax. */
  read(text: string): StringReading | { readonly problem: StringProblem };
}
