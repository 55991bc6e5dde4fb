import type { QueryNode } from '../query';
import type { Limiters } from '../limiter';

/** A query under limiters: what a comparison asks to be counted in each database. */
export interface LimitedQuery {
  readonly root: QueryNode;
  readonly limiters: Limiters;
}
