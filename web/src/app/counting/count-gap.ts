import { formatDifference } from '../ui/number-format';
import type { CountState } from './count-store';

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
  return now.total === then.total ? 'cannot tell' : `≈${formatDifference(now.total - then.total)}`;
}
