import { getLeast, isEstimated, type Amount } from '#core/count/index';

/** Made once: a format is dear to make, and a page shows hundreds of numbers. */
const GROUPED = new Intl.NumberFormat('en');

/** A whole number with grouped digits. */
export function formatNumber(number: number): string {
  return GROUPED.format(number);
}

/** A count as it is shown: grouped digits, `≈` before an estimate, both bounds where only they are known. */
export function formatAmount(amount: Amount): string {
  const about = isEstimated(amount) ? '≈' : '';
  if (amount.kind === 'bounds')
    return `${about}${formatNumber(amount.least)}–${formatNumber(amount.greatest)}`;
  return `${about}${formatNumber(amount.total)}`;
}

/** A difference with its sign: `+41`, `−9`, `0`. */
export function formatDifference(difference: number): string {
  if (difference === 0) return '0';
  return `${difference > 0 ? '+' : '−'}${formatNumber(Math.abs(difference))}`;
}

const TOP = 5;

/** Where a number stands on a log scale from 1 to 100,000, from 0 to 1; nothing stands at 0. */
export function placeOnLogScale(total: number): number {
  return total <= 0 ? 0 : Math.min(1, (Math.log10(total) + 0.15) / (TOP + 0.15));
}

/** Where an amount stands on the same scale; of bounds the lower one. */
export function placeAmount(amount: Amount | undefined): number {
  return amount ? placeOnLogScale(getLeast(amount)) : 0;
}
