import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import { writeExcerpt, type RawRecord, type RecordFormat } from '../../file/raw-record';
import type { BibliographicRecord } from '../../record';
import { createRecordFromItem } from './item';
import { splitItems } from './split-items';

/** Lists of items in CSL-JSON, as reference managers exchange them. */
export const CSL_JSON: RecordFormat = {
  id: 'csl-json',
  name: 'CSL-JSON',
  endings: ['json'],
  isLike: (text) => /^\s*[[{]/.test(text),
  split: (text) => succeed(splitRecords(text)),
};

function* splitRecords(text: string): Iterable<RawRecord> {
  for (const { line, content, end } of splitItems(text))
    yield { line, excerpt: writeExcerpt(content), end, read: (id) => readItem(content, id) };
}

function readItem(content: string, id: string): Outcome<BibliographicRecord> {
  let item: unknown;
  try {
    item = JSON.parse(content);
  } catch {
    return fail(createProblem('record-unreadable', 'warning', { detail: 'it is not whole JSON' }));
  }
  return createRecordFromItem(item, id);
}
