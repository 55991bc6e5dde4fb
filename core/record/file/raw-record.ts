import type { BibliographicRecord } from '../record';
import type { Outcome } from '../../problem';

/** One record of a file as it stands there, not read yet. */
export interface RawRecord {
  /** The line that it begins in, counted from 1. */
  readonly line: number;
  readonly content: string;
  /** How it begins, for a person to find it; without it, as its content does. */
  readonly excerpt?: string;
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
  /** The records of a file, or why there can be none. Never throws. */
  split(text: string): Outcome<readonly RawRecord[]>;
  /** One of them read; a problem for this one alone. Never throws. */
  read(raw: RawRecord, id: string): Outcome<BibliographicRecord>;
}
