import type { Dialect } from '#core/dialect/index';
import type { SearchState, Variant } from '#core/project/index';
import type { Comparison } from '#core/count/index';
import type { Counted } from '../../counting/count-state';

/** One cell of the table: a count, how it differs from the one compared with, and whether it may be compared. */
export interface VariantCell {
  readonly dialect: Dialect;
  readonly counted: Counted | undefined;
  /** The state searches this database. */
  readonly isSearched: boolean;
  /** Beside the same database's count of the variant compared with. */
  readonly compared: Comparison | undefined;
  readonly below: string;
  readonly ratio: string;
  readonly band: string;
  /** What the same string found when it was frozen, if that is another number. */
  readonly then: string;
}

/** One row: a variant, or the draft. */
export interface VariantRow {
  readonly id: string;
  readonly name: string;
  readonly variant: Variant | undefined;
  readonly state: SearchState;
  readonly depth: number;
  readonly from: string | undefined;
  readonly since: string;
  readonly limits: string;
  readonly isCompared: boolean;
  readonly cells: readonly VariantCell[];
  readonly recall: string;
  readonly recallCount: number;
}

/** `×1.7`; nothing where it would be said to be the same. */
export function describeRatio(ratio: number): string {
  const words = ratio.toLocaleString('en', { maximumSignificantDigits: 2 });
  return words === '1' ? '' : `×${words}`;
}
