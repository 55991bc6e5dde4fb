import { formatDifference } from '../ui/number-format';
import type { CountState } from './count-state';

type Counted = CountState & { readonly status: 'counted' };

/**
 * The difference of two counts of one database in words; empty while one of them is missing. None
 * is given for counts that were not made on equal terms, and that of estimates is one itself.
 */
export function describeGap(
  now: CountState | undefined,
  then: CountState | undefined,
  hasOtherLimiters: boolean,
): string {
  if (now?.status !== 'counted' || then?.status !== 'counted') return '';
  if (hasOtherLimiters) return 'other limiters';
  if (!now.estimated && !then.estimated) return formatDifference(now.total - then.total);
  if (now.upTo !== undefined || then.upTo !== undefined) return describeRange(now, then);
  return now.total === then.total ? 'cannot tell' : `≈${formatDifference(now.total - then.total)}`;
}

/** Of counts between bounds only the least and the greatest difference are known. */
function describeRange(now: Counted, then: Counted): string {
  const least = now.total - (then.upTo ?? then.total);
  const greatest = (now.upTo ?? now.total) - then.total;
  if (least <= 0 && greatest >= 0) return 'cannot tell';
  return `${formatDifference(least)} to ${formatDifference(greatest)}`;
}
