import type { DatabaseResult, RepeatedRecord } from '#core/compare/index';
import { describeAuthors, type BibliographicRecord } from '#core/record/index';
import type { ReadableRecords } from '../../../comparing/record-sets';
import { say } from '../../../words/say';

/** What a database gives, with the way to read its records. */
export interface ReadableResult extends DatabaseResult {
  readonly read: ReadableRecords['read'] | undefined;
}

/** A record of a result; nothing if it cannot be had just now. */
export function readFrom(
  results: readonly ReadableResult[],
  { database, place }: Pick<RepeatedRecord, 'database' | 'place'>,
): Promise<BibliographicRecord | undefined> {
  const read = results.find((one) => one.database === database)?.read;
  return read?.(place) ?? Promise.resolve(undefined);
}

/** A record in a title and a line. */
export function describeRecord(record: BibliographicRecord | undefined): { title: string; line: string } {
  if (!record) return { title: say('compare.thisRecordCould'), line: '' };
  const { title, authors, source, year, type, doi } = record;
  return {
    title,
    line: [describeAuthors(authors, 3), source, year, type, doi && `DOI ${doi}`].filter(Boolean).join(' · '),
  };
}
