import type { CountEntry } from '#core/contract/index';
import type { LimiterName, Limiters } from '#core/limiter/index';
import { createAmount, uniteParts, type Amount } from '#core/count/index';
import type { Boxes, Rendering } from '#core/dialect/index';
import { createProblem, type Problem } from '#core/problem/index';
import type { QueryNode } from '#core/query/index';

/** One thing to count: an exact string in one database under its ticked boxes. */
export interface CountWish {
  readonly database: string;
  /** Several strings, any of which finds a record, stand on a line each. */
  readonly string: string;
  readonly boxes: Boxes;
}

/** The strings of a wish: no string holds a line's end. */
export function listParts({ string }: CountWish): string[] {
  return string.split('\n');
}

/** How a count stands. A number always belongs to the wish that it stands with. */
export type CountState =
  /** The query means nothing yet: there is nothing to send. */
  | { readonly status: 'empty' }
  | { readonly status: 'waiting' }
  | {
      readonly status: 'counted';
      readonly amount: Amount;
      /** How long its answer took; what goes together in a request takes as long as the request. */
      readonly milliseconds?: number;
    }
  | { readonly status: 'failed'; readonly problem: Problem };

/** A wish with the rendering that it came from, or the reason why there is nothing to send. */
export interface Counted {
  /** What is counted. */
  readonly root: QueryNode;
  readonly rendering: Rendering;
  readonly wish: CountWish | undefined;
  readonly state: CountState;
  /** What the query is limited to. */
  readonly limiters: Limiters;
  /** Those of the limiters that the database does not have: its count goes without them. */
  readonly missingLimiters: readonly LimiterName[];
  /** What the person would count by hand, where the database is searched so. */
  readonly byHand?: CountWish & { readonly limiters: Limiters };
}

/** A count of which is known only that another one is on its way. */
export function waitFor(counted: Counted): Counted {
  return { ...counted, wish: undefined, state: { status: 'waiting' } };
}

/** The amount of a count that is there. */
export function getAmount(state: CountState | undefined): Amount | undefined {
  return state?.status === 'counted' ? state.amount : undefined;
}

/** What a database answered for a string; `findName` gives what people call it. */
export function describeEntry(entry: CountEntry | undefined, findName: () => string): CountState {
  if (!entry)
    return {
      status: 'failed',
      problem: createProblem('answer-invalid', 'error', { database: findName() }),
    };
  if ('problem' in entry) {
    const { message } = entry.problem;
    return {
      status: 'failed',
      problem: createProblem('service-refused', 'error', { database: findName(), message }),
    };
  }
  return { status: 'counted', amount: createAmount(entry.total, entry.estimated) };
}

/** Parts overlap: what they find together lies between the greatest count and the sum. */
export function joinParts(states: readonly CountState[]): CountState {
  const [only] = states;
  if (states.length === 1 && only) return only;
  const failed = states.find((state) => state.status !== 'counted');
  if (failed) return failed;
  return { status: 'counted', amount: uniteParts(states.flatMap((state) => getAmount(state) ?? [])) };
}

const KEYS = new WeakMap<CountWish, string>();

/** A text that is the same for equal wishes; strings are long, so it is made once for each wish. */
export function createKey(wish: CountWish): string {
  const known = KEYS.get(wish);
  if (known !== undefined) return known;
  const key = `${wish.database}\n${JSON.stringify(wish.boxes)}\n${wish.string}`;
  KEYS.set(wish, key);
  return key;
}

/** The wish of a key. */
export function readKey(key: string): CountWish {
  const [database = '', boxes = '{}', ...rest] = key.split('\n');
  return { database, boxes: JSON.parse(boxes) as Boxes, string: rest.join('\n') };
}
