import { createIdentifierKey, hashText, normaliseTitle } from '../identifier';
import type { BibliographicRecord } from '../record';
import { createWorkSigns, writeWorkSigns } from './work-signs';

/** What tells that two records are of one work. Zero stands for not known. */
export interface RecordKeys {
  /** Of the identifier (a DOI), as a number. */
  readonly identifier: number;
  /** Of the normalised title, the year and the first author's family name, as a number. */
  readonly work: number;
  /** What else of it tells its work (`writeWorkSigns`). Empty where that is not known. */
  readonly signs: string;
}

/** Of a record of which nothing is known. */
export const UNKNOWN_KEYS: RecordKeys = { identifier: 0, work: 0, signs: '' };

/** Titles of fewer words are too common to tell works apart. */
const LEAST_WORDS = 3;

/** The keys of a record: 53 bits each, so that two different works among millions hardly ever share one. */
export function createRecordKeys(
  record: Pick<BibliographicRecord, 'title' | 'year' | 'authors' | 'doi'> &
    Partial<Pick<BibliographicRecord, 'source' | 'type'>>,
): RecordKeys {
  return {
    identifier: record.doi === undefined ? 0 : createIdentifierKey(record.doi),
    work: createWorkKey(record),
    signs: writeWorkSigns(createWorkSigns(record)),
  };
}

function createWorkKey({
  title,
  year,
  authors,
}: Pick<BibliographicRecord, 'title' | 'year' | 'authors'>): number {
  const words = normaliseTitle(title);
  const [first] = authors;
  if (year === undefined || !first || words.length < LEAST_WORDS) return 0;
  return hashText(`${words.join(' ')}|${year}|${normaliseTitle(first.family).join(' ')}`);
}
