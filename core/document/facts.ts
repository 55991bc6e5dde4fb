import { countDifferences, describeDifference } from '../compare/draft';
import { getExact, readKeptAmount, sumRecords } from '../count';
import { listLimiters } from '../limiter';
import { findRunTally, listLog, writeTally, type LogLine } from '../log';
import type { Dialect } from '../dialect';
import type { Project, Run, RunDatabase, SearchState, Tally, Variant } from '../project';
import type { Flow } from './flow';

/** What a document is made of beside the project. */
export interface DocumentInput {
  readonly project: Project;
  readonly run: Run;
  /** The databases that could have been searched. */
  readonly dialects: readonly Dialect[];
  /** The time zone in which moments are told, as IANA names it. */
  readonly timeZone: string;
}

/** One database of a run with its count. */
export interface DatabaseFacts extends RunDatabase {
  readonly dialect: Dialect | undefined;
  readonly count: Tally | undefined;
  /** Its number in words: `225`, or why there is none. */
  readonly words: string;
}

/** All that the documents, the checklist and the paragraph say. */
export interface SearchFacts extends DocumentInput {
  readonly state: SearchState;
  readonly variant: Variant | undefined;
  readonly databases: readonly DatabaseFacts[];
  readonly limiters: readonly string[];
  /** So many changes were made to the draft since the variant of the run. */
  readonly changesSince: number;
  /** Nothing where it cannot be drawn: a count is missing, or not exact. */
  readonly flow: Flow | undefined;
  readonly log: readonly LogLine[];
}

/** Gathers what is known of a run. */
export function gatherFacts(input: DocumentInput): SearchFacts {
  const { project, run, dialects } = input;
  const variant = project.variants.find(({ id }) => id === run.variant);
  const state = variant?.frozen ?? project.working;
  const databases = run.databases.map((one): DatabaseFacts => {
    const count = findRunTally(run, one, project.tallies);
    const words = count ? writeTally(count) : (one.problem ?? 'not counted');
    return { ...one, dialect: dialects.find(({ id }) => id === one.database), count, words };
  });
  return {
    ...input,
    variant,
    state,
    databases,
    limiters: listLimiters(state.limiters).map(({ value }) => value),
    changesSince: countDifferences(describeDifference(state, project.working)),
    flow: createFlow(run, databases),
    log: listLog(project, (id) => dialects.find((dialect) => dialect.id === id)?.name ?? id),
  };
}

function createFlow({ works }: Run, databases: readonly DatabaseFacts[]): Flow | undefined {
  if (!works || works.countsOnly.length > 0 || works.least !== works.greatest) return undefined;
  const amounts = databases.map(({ count }) => count && readKeptAmount(count));
  // Streams that do not make the river would be a false picture.
  if (sumRecords(amounts) !== works.records) return undefined;
  const sources = databases.map(({ name }, at) => ({ name, records: getExact(amounts[at]) ?? 0 }));
  return { sources, records: works.records, duplicates: works.duplicates, works: works.least };
}
