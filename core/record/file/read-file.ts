import { createProblem, type Problem } from '../../problem';
import type { BibliographicRecord } from '../record';
import { BIBTEX } from '../formats/bibtex/format';
import { CSL_JSON } from '../formats/csl-json/format';
import { CSV } from '../formats/csv/format';
import { DUBLIN_CORE } from '../formats/dublin-core/format';
import { MARCXML } from '../formats/marcxml/format';
import type { RecordFormat } from './raw-record';
import { RIS } from '../formats/ris/format';

/** The kinds of file that records are taken from; the surest to recognise come first. */
export const RECORD_FORMATS: readonly RecordFormat[] = [RIS, BIBTEX, CSL_JSON, MARCXML, DUBLIN_CORE, CSV];

/** The largest file that is read, in UTF-16 units, and the most records of one collection. */
export const LARGEST_RECORD_FILE = 400_000_000;
export const MAX_RECORDS = 500_000;

/** A record that could not be read: where it stands, how it begins, and why. */
export interface SkippedRecord {
  readonly file: string;
  /** A line, or the place in a list or table. */
  readonly line: number;
  readonly excerpt: string;
  readonly problem: Problem;
}

/** What came of a file. A problem of the whole file leaves no records. */
export interface FileReading {
  readonly file: string;
  readonly format?: string;
  readonly records: readonly BibliographicRecord[];
  readonly skipped: readonly SkippedRecord[];
  readonly problem?: Problem;
}

/** So many records are read between two words about progress. */
const STEP = 500;

/**
 * Reads the records of a file one by one: a bad one is skipped and listed, never the rest. `createId` names a
 * record by its place; `onProgress` hears how much of the text is done, in UTF-16 units.
 */
export function readRecordFile(
  file: string,
  text: string,
  createId: (place: number) => string,
  onProgress: (done: number, all: number) => void = () => undefined,
): FileReading {
  const nothing = { file, records: [], skipped: [] };
  if (text.length > LARGEST_RECORD_FILE)
    return { ...nothing, problem: createProblem('file-too-large', 'error', { most: '400 MB' }) };
  const format = findFormat(file, text);
  if (!format)
    return {
      ...nothing,
      problem: createProblem('file-of-no-records', 'error', {
        formats: RECORD_FORMATS.map(({ name }) => name).join(', '),
      }),
    };
  const split = format.split(text);
  if (!split.ok) return { ...nothing, format: format.name, problem: split.problem };
  const records: BibliographicRecord[] = [];
  const skipped: SkippedRecord[] = [];
  for (const raw of split.value) {
    const read = raw.read(createId(records.length));
    if (read.ok) records.push(read.value);
    else skipped.push({ file, line: raw.line, excerpt: raw.excerpt, problem: read.problem });
    if ((records.length + skipped.length) % STEP === 0) onProgress(raw.end, text.length);
  }
  onProgress(text.length, text.length);
  return { file, format: format.name, records, skipped };
}

/** By what the text looks like first: endings lie. */
function findFormat(file: string, text: string): RecordFormat | undefined {
  const ending = file.toLowerCase().split('.').at(-1) ?? '';
  const named = RECORD_FORMATS.find(({ endings }) => endings.includes(ending));
  return named?.isLike(text) ? named : RECORD_FORMATS.find((format) => format.isLike(text));
}
