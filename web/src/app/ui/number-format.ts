/** A count as it is shown: grouped digits, `≈` before an estimate, both bounds where only they are known. */
export function formatCount(total: number, estimated = false, upTo?: number): string {
  if (upTo !== undefined) return `${total.toLocaleString('en')}–${upTo.toLocaleString('en')}`;
  return `${estimated ? '≈' : ''}${total.toLocaleString('en')}`;
}

/** A difference with its sign: `+41`, `−9`, `0`. */
export function formatDifference(difference: number): string {
  if (difference === 0) return '0';
  return `${difference > 0 ? '+' : '−'}${Math.abs(difference).toLocaleString('en')}`;
}

const TOP = 5;

/** Where a count stands on a log scale from 1 to 100,000, from 0 to 1; nothing stands at 0. */
export function placeOnLogScale(total: number): number {
  return total <= 0 ? 0 : Math.min(1, (Math.log10(total) + 0.15) / (TOP + 0.15));
}
