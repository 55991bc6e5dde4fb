import type { Limiters } from '../dialect';
import type { QueryNode } from '../query';

/** A query under limiters: what a comparison asks to be counted in each database. */
export interface Question {
  readonly root: QueryNode;
  readonly limiters: Limiters;
}
