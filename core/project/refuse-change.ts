import { createProblem, fail, type Outcome } from '../problem';

/** A change that cannot be made, and why, as a sentence for the person. */
export function refuseChange<T>(detail: string): Outcome<T> {
  return fail<T>(createProblem('change-refused', 'error', { detail }));
}
