import type { Params } from '@angular/router';
import type { CountKey } from '../counting/count-state';

/** Longer lists of numbers do not go into an address. */
export const MAX_NUMBERS_IN_ADDRESS = 5_000;

/**
 * The address of the records of one string, or of some of them by their numbers, for a link or the router. Strings
 * are long: they stand behind the `#`.
 */
export function createStringAddress(
  countKey: CountKey,
  label: string,
  { numbers, total }: { readonly numbers?: readonly number[]; readonly total?: number } = {},
): { readonly queryParams: Params; readonly fragment: string } {
  const { database, string, sentLimiters } = countKey;
  return {
    queryParams: { of: 'string', db: database },
    fragment: JSON.stringify({
      label,
      database,
      string,
      sent: sentLimiters,
      ...(numbers && { numbers }),
      ...(total !== undefined && { total }),
    }),
  };
}
