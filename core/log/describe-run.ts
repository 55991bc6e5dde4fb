import type { Project, Run, RunDatabase, Tally } from '../project';
import { isSameLimiters } from '../limiter';
import { readMoment, type RichText } from '../text';
import { writeNumber, writeTally } from './describe-tally';

/**
 * The count of one database of a run: the one that was made with it, or, where the database is searched by hand,
 * the first one of the same string under the same limiters that was typed in since.
 */
export function findRunTally(
  run: Run,
  { database, string, limiters, tally }: RunDatabase,
  tallies: readonly Tally[],
): Tally | undefined {
  if (tally !== undefined) return tallies.find(({ id }) => id === tally);
  return tallies.find(
    (one) =>
      one.database === database &&
      one.source === 'typed' &&
      one.string === string &&
      isSameLimiters(one.limiters, limiters) &&
      readMoment(one.moment) >= readMoment(run.moment),
  );
}

/** The number of different works of a run; nothing while it was not told. */
export function describeWorks({ works }: Run): string | undefined {
  if (!works) return undefined;
  const { least, greatest, estimated } = works;
  if (least === greatest) return writeNumber(least);
  return `${writeNumber(least)} to ${estimated ? 'about ' : ''}${writeNumber(greatest)}`;
}

/** A run in one sentence. */
export function describeRun(
  run: Run,
  { variants, tallies }: Pick<Project, 'variants' | 'tallies'>,
): RichText {
  const variant = variants.find(({ id }) => id === run.variant)?.name ?? 'a variant that was removed';
  const counts = run.databases.map((one) => {
    const tally = findRunTally(run, one, tallies);
    return tally ? writeTally(tally) : 'not counted';
  });
  const works = describeWorks(run);
  const databases = run.databases.length === 1 ? '1 database' : `${run.databases.length} databases`;
  return [
    'Run ',
    ...(run.name === variant ? [] : [{ strong: run.name }]),
    ...(run.name === variant ? [] : [' ']),
    'of ',
    { strong: variant },
    ` in ${databases}: ${counts.join(', ')}`,
    works === undefined ? '' : `; ${works} works`,
    run.recall ? `; must-finds ${run.recall.found} of ${run.recall.there}` : '',
    '.',
  ];
}
