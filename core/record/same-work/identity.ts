import { splitWords } from '../../text';
import { findDoi } from '../doi';
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

/** The key of an identifier, however it is written: with its resolver, a prefix, in capitals. */
export function createIdentifierKey(identifier: string): number {
  const bare = normaliseIdentifier(identifier);
  return bare === '' ? 0 : hashText(bare);
}

/**
 * An identifier as it is compared: a DOI without its resolver, prefix, codes of an address and a full stop behind it,
 * in small letters (`10.5555/bats.12`); anything else without its resolver.
 */
export function normaliseIdentifier(identifier: string): string {
  const bare = findDoi([identifier]) ?? identifier.trim().replace(/^https?:\/\/[^/]+\//i, '');
  return bare.toLowerCase();
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

/** The words of a title without case, diacritics and signs. */
export function normaliseTitle(title: string): string[] {
  return splitWords(title).map(({ text }) => text);
}

/** A number from 1 to 2^53 - 1 for a text: two 32-bit FNV-1a hashes with different starts. */
function hashText(text: string): number {
  let [low, high] = [0x811c9dc5, 0x01000193];
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    low = Math.imul(low ^ code, 0x01000193);
    high = Math.imul(high ^ (code + at), 0x85ebca6b);
  }
  low ^= low >>> 15;
  high ^= high >>> 13;
  return ((high >>> 0) & 0x1fffff) * 2 ** 32 + (low >>> 0) || 1;
}
