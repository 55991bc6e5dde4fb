import { nameAuthor, normaliseTitle, type BibliographicRecord } from '../record';

/**
 * The text by which a library is asked for a work: all that is known of it, a line each, for the person to send.
 * `database` is where it was found, `date` the day (`2026-01-31`).
 */
export function writeRequest(record: BibliographicRecord, database: string, date: string): string {
  const { title, authors, source, year, type, language, doi } = record;
  const lines: readonly (readonly [string, string])[] = [
    ['Title', title],
    ['Authors', authors.map(nameAuthor).join('; ')],
    ['In', source],
    ['Year', year === undefined ? '' : String(year)],
    ['Document type', type],
    ['Language', language],
    ['DOI', doi ?? ''],
    ['Found in', `${database}, record ${record.id}`],
    ['Date', date],
  ];
  return [
    'Please get me the full text of this work.',
    '',
    ...lines.flatMap(([name, value]) => (value === '' ? [] : [`${name}: ${value}`])),
    '',
    'Name:',
    'Address:',
    '',
  ].join('\n');
}

/** Whether two records are versions of one work: the same title and first author, whatever the year and the kind. */
export function isVersionOf(one: BibliographicRecord, other: BibliographicRecord): boolean {
  const [a, b] = [one.authors[0], other.authors[0]];
  return (
    foldTitle(one.title) === foldTitle(other.title) &&
    (!a || !b || foldTitle(a.family) === foldTitle(b.family))
  );
}

function foldTitle(title: string): string {
  return normaliseTitle(title).join(' ');
}
