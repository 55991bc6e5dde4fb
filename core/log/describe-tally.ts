import { getGreatest, getLeast, isEstimated, readKeptAmount, type Amount } from '../count';
import type { KeptAmount } from '../count';

/** Made once: a format is dear to make. */
const GROUPED = new Intl.NumberFormat('en');

/** A whole number with grouped digits. */
export function writeNumber(number: number): string {
  return GROUPED.format(number);
}

/** An amount as it is told in the log and in documents: `225`, `about 225`, `7 to 14`. */
export function writeAmount(amount: Amount): string {
  const about = isEstimated(amount) ? 'about ' : '';
  const least = writeNumber(getLeast(amount));
  return amount.kind === 'bounds'
    ? `${about}${least} to ${writeNumber(getGreatest(amount))}`
    : `${about}${least}`;
}

/** A count that was kept, in the same words. */
export function writeTally(tally: KeptAmount): string {
  return writeAmount(readKeptAmount(tally));
}
