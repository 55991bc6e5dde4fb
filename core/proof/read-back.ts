import { compareQueries } from '../algebra';
import { readString, writeQuery, type Dialect, type Rendering } from '../dialect';
import { build, dropInactive, printQuery, type QueryNode } from '../query';

/** What a rendering is read back as, and what is known of it. */
export interface ReadBack {
  /** In Ewer's own query text. */
  readonly text: string;
  /**
   * `same`: shown to be the query that was written; `same-string`: read and written again it is the
   * same string, though the query is not shown to be the same; `not-shown`: neither.
   */
  readonly verdict: 'same' | 'same-string' | 'not-shown';
  /** What in the string the dialect's own reader does not take: a fault of its profile. */
  readonly faults: number;
}

/** Reads the strings of a rendering by their dialect and compares that with the query, limiters apart. */
export function readBack(root: QueryNode, rendering: Rendering, dialect: Dialect): ReadBack | undefined {
  const active = dropInactive(root, dialect.id);
  if (!active || rendering.problems.length > 0) return undefined;
  const read = rendering.parts.map(({ text }) => readString(text, dialect));
  const [only] = read;
  if (!only) return undefined;
  const back = read.length > 1 ? build.or(...read.map((one) => one.root)) : only.root;
  const faults = read
    .flatMap(({ problems }) => problems)
    .filter(({ severity }) => severity === 'error').length;
  const isSame = faults === 0 && compareQueries(active, back) === 'the same';
  const again = read.map((one) => writeQuery(one.root, dialect, { limiters: one.limiters }));
  const isSameString = faults === 0 && again.every(({ text }, at) => text === rendering.parts[at]?.text);
  return {
    text: printQuery(back),
    verdict: isSame ? 'same' : isSameString ? 'same-string' : 'not-shown',
    faults,
  };
}
