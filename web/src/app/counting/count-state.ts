import type { CountEntry } from '#core/contract/index';
import type { LimiterName, Limiters } from '#core/limiter/index';
import { createAmount, uniteParts, type Amount } from '#core/count/index';
import type { SentLimiters, Rendering } from '#core/dialect/index';
import { createProblem, type Problem } from '#core/problem/index';
import type { QueryNode } from '#core/query/index';

/** One thing to count: an exact string in one database under the limiters that are sent with it. */
export interface CountKey {
  readonly database: string;
  /** Several strings, any of which finds a record, stand on a line each. */
  readonly string: string;
  readonly sentLimiters: SentLimiters;
}

/** The strings of a count key: no string holds a line's end. */
export function listParts({ string }: CountKey): string[] {
  return string.split('\n');
}

/** How a count stands. A number always belongs to the count key that it stands with. */
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

/** A count key with the rendering that it came from, or the reason why there is nothing to send. */
export interface Counted {
  /** What is counted. */
  readonly root: QueryNode;
  readonly rendering: Rendering;
  readonly countKey: CountKey | undefined;
  readonly state: CountState;
  /** What the query is limited to. */
  readonly limiters: Limiters;
  /** Those of the limiters that the database does not have: its count goes without them. */
  readonly missingLimiters: readonly LimiterName[];
  /** What the person would count by hand, where the database is searched so. */
  readonly byHand?: CountKey & { readonly limiters: Limiters };
}

/** A count of which is known only that another one is on its way. */
export function waitFor(counted: Counted): Counted {
  return { ...counted, countKey: undefined, state: { status: 'waiting' } };
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

const KEYS = new WeakMap<CountKey, string>();

/** A text that is the same for equal count keys; strings are long, so it is made once for each. */
export function createKey(countKey: CountKey): string {
  const known = KEYS.get(countKey);
  if (known !== undefined) return known;
  const key = `${countKey.database}\n${JSON.stringify(countKey.sentLimiters)}\n${countKey.string}`;
  KEYS.set(countKey, key);
  return key;
}

/** The count key of a text. */
export function readKey(key: string): CountKey {
  const [database = '', sentLimiters = '{}', ...rest] = key.split('\n');
  return { database, sentLimiters: JSON.parse(sentLimiters) as SentLimiters, string: rest.join('\n') };
}
