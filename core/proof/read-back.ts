import { compareQueries, type ComparisonPlace } from '../algebra';
import { type Dialect, type Rendering } from '../dialect';
import { joinLimiters, readKeepingLimiters, readString } from '../dialect/read';
import { build, dropInactive, printQuery, type QueryNode } from '../query';

/** What a rendering is read back as, and what is known of it. */
export interface ReadBack {
  /** In Ewer's own query text. */
  readonly text: string;
  /**
   * `same`: shown to be the query that was written, as far as it concerns this database; `as-said`: not
   * shown, and the rendering says why it differs; `not-shown`: not shown, though it should be the same.
   */
  readonly verdict: 'same' | 'as-said' | 'not-shown';
  /** What in the string the dialect's own reader does not take: a fault of its profile. */
  readonly faults: number;
}

/** Reads the strings of a rendering by their dialect and compares that with the query, limiters apart. */
export function readBack(root: QueryNode, rendering: Rendering, dialect: Dialect): ReadBack | undefined {
  const active = dropInactive(root, dialect.id);
  if (!active || rendering.problems.length > 0) return undefined;
  const read = rendering.parts.map(({ text }) => readKeepingLimiters(text, dialect));
  const limited = rendering.parts.map(({ text }) => readString(text, dialect));
  const [only] = limited;
  if (!only) return undefined;
  const join = (roots: readonly QueryNode[]): QueryNode =>
    roots.length > 1 ? build.or(...roots) : (roots[0] ?? build.empty());
  const back = join(limited.map((one) => one.root));
  // What limits the whole may be a part of the query or a limiter: both sides are compared with it.
  const asked = joinLimiters(active, only.limiters);
  const found = join(read.map((one) => one.root));
  const faults = read
    .flatMap(({ problems }) => problems)
    .filter(({ severity }) => severity === 'error').length;
  const isSame = faults === 0 && compareQueries(asked, found, [], describePlace(dialect)) === 'the same';
  return {
    text: printQuery(back),
    verdict: isSame ? 'same' : rendering.whole === 'same' ? 'not-shown' : 'as-said',
    faults,
  };
}

function describePlace({ fields, headings }: Dialect): ComparisonPlace {
  return {
    held: fields.held,
    ...(headings && { vocabulary: headings.vocabulary, isFlat: headings.flat }),
  };
}
