import type { Dialect } from '#core/dialect/index';
import { LIMITER_NAMES, LIMITERS } from '#core/limiter/index';
import type { OwnConnection } from '#core/project/index';
import { say } from '../words/say';

/** What is searched without a field, in words. */
export function describeUnmarked({ fields }: Dialect): string {
  return fields.unmarked.includes('text') ? say('databases.theFullText') : fields.unmarked.join(', ');
}

/** Its thesaurus in words. */
export function describeThesaurus({ headings }: Dialect): string {
  if (!headings) return say('shared.none');
  return headings.flat ? say('databases.aFlatListOfHeadings') : say('databases.aThesaurusWithHeadingsBelow');
}

/** How the limiters are applied: in the string, sent with it or by hand, or not at all. */
export function describeLimiters({ limiters }: Dialect): string {
  const named = (how: readonly string[]): string =>
    LIMITER_NAMES.filter((name) => how.includes(limiters[name].how))
      .map((name) => LIMITERS[name].label)
      .join(', ');
  const parts = [
    [say('databases.inTheString'), named(['string'])],
    [say('shared.byHand'), named(['box', 'hand'])],
    [say('databases.not'), named(['none'])],
  ] as const;
  return parts.flatMap(([how, names]) => (names === '' ? [] : [`${how}: ${names}`])).join('; ');
}

/** How a database is reached, in words. */
export function describeConnection(connection: OwnConnection | undefined, isSru: boolean): string {
  if (connection?.kind === 'collection') return say('databases.yourOwnRecordsCounted');
  if (connection?.kind === 'by-hand') return say('databases.searchedByHandCounts');
  return connection?.kind === 'sru' || isSru
    ? say('databases.searchedOverSru')
    : say('databases.shipsWithEwer');
}
