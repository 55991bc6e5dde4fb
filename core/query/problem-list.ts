import type { Problem } from '../problem';

/** More than this no person reads; the rest of a hostile text is parsed without words about it. */
export const MAX_PROBLEMS = 500;
/** The most NOTs of one text. */
export const MAX_EXCLUSIONS = 1_000;

/** The problems of one parse, bounded, with the count of NOTs that were made into levels of the tree. */
export class ProblemList {
  readonly items: Problem[] = [];
  exclusions = 0;

  get isFull(): boolean {
    return this.items.length >= MAX_PROBLEMS;
  }

  push(...problems: readonly Problem[]): void {
    for (const problem of problems) if (!this.isFull) this.items.push(problem);
  }

  has(code: Problem['code']): boolean {
    return this.items.some((problem) => problem.code === code);
  }
}
