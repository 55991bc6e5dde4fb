import { compareMoments, readKeptAmount, type Comparison } from '../count';
import { isSameLimiters } from '../limiter';
import { findRunTally, writeTally } from '../log';
import type { Project, Run } from '../project';

/** One database in two runs of a variant. */
export interface ComparedDatabase {
  readonly database: string;
  readonly name: string;
  /** The counts in words; nothing where there is none. */
  readonly then?: string;
  readonly now?: string;
  /** Nothing where one of the counts is missing. */
  readonly difference?: Comparison;
  /** Why the two counts do not mean the same, though the variant is the same one. */
  readonly changed?: 'string' | 'limiters';
  /** What the earlier run sent, where that was another string. */
  readonly earlier?: string;
  /** How many records the database had. */
  readonly sizes: { readonly then?: number; readonly now?: number };
}

/** Sets two runs beside each other, database by database. Numbers of different strings have no difference. */
export function compareRuns(
  then: Run,
  now: Run,
  { tallies }: Pick<Project, 'tallies'>,
): readonly ComparedDatabase[] {
  const ids = new Set([...now.databases, ...then.databases].map(({ database }) => database));
  return [...ids].map((database): ComparedDatabase => {
    const before = then.databases.find((one) => one.database === database);
    const after = now.databases.find((one) => one.database === database);
    const counts = [
      before && findRunTally(then, before, tallies),
      after && findRunTally(now, after, tallies),
    ] as const;
    const changed = before && after && findChange(before, after);
    return {
      database,
      name: after?.name ?? before?.name ?? database,
      ...(counts[0] && { then: writeTally(counts[0]) }),
      ...(counts[1] && { now: writeTally(counts[1]) }),
      ...(counts[0] &&
        counts[1] &&
        !changed && { difference: compareMoments(readKeptAmount(counts[1]), readKeptAmount(counts[0])) }),
      ...(changed && { changed }),
      ...(changed === 'string' && before && { earlier: before.string }),
      sizes: {
        ...(before?.size !== undefined && { then: before.size }),
        ...(after?.size !== undefined && { now: after.size }),
      },
    };
  });
}

function findChange(
  before: Run['databases'][number],
  after: Run['databases'][number],
): ComparedDatabase['changed'] {
  if (before.string !== after.string) return 'string';
  return isSameLimiters(before.limiters, after.limiters) ? undefined : 'limiters';
}

/** The run of the same variant before a run. */
export function findRunBefore(run: Run, runs: readonly Run[]): Run | undefined {
  return runs.slice(0, runs.indexOf(run)).findLast(({ variant }) => variant === run.variant);
}
