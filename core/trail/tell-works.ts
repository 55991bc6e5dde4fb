import type { BibliographicRecord } from '../record';
import {
  createRecordKeys,
  deduplicateRecords,
  type RecordKeys,
  type SameWorkAnswers,
} from '../record/same-work';

/** A work that a trail starts from: what tells it apart, and what people call it. */
export type TrailStart = Pick<BibliographicRecord, 'title' | 'year' | 'authors' | 'doi'>;

/** The records that one step leads to, in one database. */
interface RecordsOfStep {
  readonly records: readonly BibliographicRecord[];
}

/** A record that a step led to, with all that the step says, and the number of its work. */
export type MetRecord<Step> = Omit<Step, 'records'> & {
  readonly record: BibliographicRecord;
  readonly keys: RecordKeys;
  readonly work: number;
};

/** The records that some steps lead to, in their order, told apart by their works; those of the starts are left out. */
export function tellWorks<Step extends RecordsOfStep>(
  starts: readonly TrailStart[],
  steps: readonly Step[],
  answers?: SameWorkAnswers,
): MetRecord<Step>[] {
  const met = steps.flatMap(({ records, ...step }) =>
    records.map((record) => ({ ...step, record, keys: createRecordKeys(record) })),
  );
  // The starts are the first list: what is of one work with one of them is left out.
  const { workOf } = deduplicateRecords(
    [starts.map((start) => createRecordKeys(start)), ...met.map(({ keys }) => [keys])],
    answers,
  );
  const isStart = new Set(workOf[0]);
  return met
    .map((one, at) => ({ ...one, work: workOf[at + 1]![0]! }))
    .filter(({ work }) => !isStart.has(work));
}
