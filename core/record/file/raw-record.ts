import type { BibliographicRecord } from '../record';
import type { Outcome } from '../../problem';

/** One record of a file as it stands there, not read yet. */
export interface RawRecord {
  /** The line that it begins in, counted from 1. */
  readonly line: number;
  /** How it begins, for a person to find it. */
  readonly excerpt: string;
  /** So much of the text is looked at once it is read, in UTF-16 units. */
  readonly end: number;
  /** The record, or the problem of this one alone. Never throws. */
  read(id: string): Outcome<BibliographicRecord>;
}

/** So much of a record tells a person which one it is. */
const LONGEST_EXCERPT = 80;

/** How a text begins, in one line. */
export function writeExcerpt(text: string): string {
  return text
    .slice(0, 10 * LONGEST_EXCERPT)
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, LONGEST_EXCERPT);
}

/** A kind of file with bibliographic records in it. */
export interface RecordFormat {
  readonly id: 'ris' | 'bibtex' | 'csl-json' | 'marcxml' | 'dublin-core' | 'csv';
  /** As people call it. */
  readonly name: string;
  /** Endings of file names, in small letters, without the dot. */
  readonly endings: readonly string[];
  /** True for a text that begins like one of this kind. */
  isLike(text: string): boolean;
  /** The records of a file one by one, or why there can be none. Never throws. */
  split(text: string): Outcome<Iterable<RawRecord>>;
}
