import type { StringProblem } from '#core/holding/index';

/** Thrown inside a reader and caught at its edge by `catchFault`. */
export class StringFault extends Error {
  constructor(readonly problem: StringProblem) {
    super(problem.message);
  }
}

/** Stops reading with a service's own words. */
export function refuse(code: string, start: number, end: number, message: string): never {
  throw new StringFault({ code, at: [start, end], message });
}

/** The value that a reader gives, or the problem with which it stopped. */
export function catchFault<T>(
  read: () => T,
): { value: T; problem?: never } | { problem: StringProblem; value?: never } {
  try {
    return { value: read() };
  } catch (fault) {
    if (fault instanceof StringFault) return { problem: fault.problem };
    throw fault;
  }
}
