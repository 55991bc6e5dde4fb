import type { Dialect } from '#core/dialect/index';
import type { SearchState, Variant } from '#core/project/index';
import { reachesAlike } from '../../counting/compare-counts';
import { describeGap } from '../../counting/count-gap';
import type { Counted } from '../../counting/count-state';

/** One cell of the table: a count, how it differs from the one compared with, and whether it may be compared. */
export interface VariantCell {
  readonly dialect: Dialect;
  readonly counted: Counted | undefined;
  /** The database goes without a piece: more is counted than is meant. */
  readonly isWider: boolean;
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

/** What is known of a cell before it is set beside the same database's count of the variant compared with. */
export interface BesideFacts {
  readonly counted: Counted | undefined;
  readonly base: Counted | undefined;
  /** It is the variant compared with. */
  readonly isSelf: boolean;
  /** It was counted under other limiters. */
  readonly isOther: boolean;
  /** The database goes without a piece of it. */
  readonly isWider: boolean;
  /** The database goes without a piece of the variant compared with. */
  readonly isBaseWider: boolean;
}

/** What stands under a count: how far it is from the one compared with, or why the two are not set side by side. */
export function describeBelow({ counted, base, isSelf, isOther, isWider, isBaseWider }: BesideFacts): string {
  if (!counted) return '';
  if (isSelf) return isWider ? 'compared, a part left out' : 'compared';
  if (isWider) return 'a part left out';
  if (isBaseWider) return 'a part left out there';
  return reachesAlike(counted, base) ? describeGap(counted.state, base?.state, isOther) : 'in other fields';
}
