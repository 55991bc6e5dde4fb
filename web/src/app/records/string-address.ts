import type { Params } from '@angular/router';
import type { CountKey } from '../counting/count-state';

/** The address of the records of one string, for a link or the router. Strings are long: they stand behind the `#`. */
export function createStringAddress(
  countKey: CountKey,
  label: string,
): { readonly queryParams: Params; readonly fragment: string } {
  const { database, string, sentLimiters } = countKey;
  return {
    queryParams: { of: 'string', db: database },
    fragment: JSON.stringify({ label, database, string, sent: sentLimiters }),
  };
}
