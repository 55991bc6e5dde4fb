import type { CountEntry } from '#core/contract/index';
import type { Boxes, Limiters, Rendering } from '#core/dialect/index';
import { createProblem, type Problem } from '#core/problem/index';

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
      /** With `upTo`, the least that it can be. */
      readonly total: number;
      readonly estimated: boolean;
      /** How long its answer took; what goes together in a request takes as long as the request. */
      readonly milliseconds?: number;
      /** The most that it can be: of parts that overlap only bounds are known. */
      readonly upTo?: number;
    }
  | { readonly status: 'failed'; readonly problem: Problem };

/** A wish with the rendering that it came from, or the reason why there is nothing to send. */
export interface Counted {
  readonly rendering: Rendering;
  readonly wish: CountWish | undefined;
  readonly state: CountState;
  /** What the person would count by hand, where the database is searched so. */
  readonly byHand?: CountWish & { readonly limiters: Limiters };
}

/** The number of a count that is there. */
export function getTotal(state: CountState | undefined): number | undefined {
  return state?.status === 'counted' ? state.total : undefined;
}

/** The number of a count that is exact: only such numbers can be subtracted from each other. */
export function getExactTotal(state: CountState | undefined): number | undefined {
  return state?.status === 'counted' && !state.estimated ? state.total : undefined;
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
  return { status: 'counted', total: entry.total, estimated: entry.estimated };
}

/** Parts overlap: what they find together lies between the greatest count and the sum. */
export function joinParts(states: readonly CountState[]): CountState {
  const [only] = states;
  if (states.length === 1 && only) return only;
  const failed = states.find((state) => state.status !== 'counted');
  if (failed) return failed;
  const totals = states.map((state) => getTotal(state) ?? 0);
  const [total, upTo] = [Math.max(...totals), totals.reduce((sum, one) => sum + one, 0)];
  return { status: 'counted', total, estimated: true, ...(upTo > total && { upTo }) };
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
