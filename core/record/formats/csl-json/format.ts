import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import type { RawRecord, RecordFormat } from '../../file/raw-record';
import { createRecordFromItem } from './item';

/** Lists of items in CSL-JSON, as reference managers exchange them. */
export const CSL_JSON: RecordFormat = {
  id: 'csl-json',
  name: 'CSL-JSON',
  endings: ['json'],
  isLike: (text) => /^\s*[[{]/.test(text),
  split: splitItems,
  read: ({ content }, id) => createRecordFromItem(JSON.parse(content) as unknown, id),
};

/** The lines of single items are not known once a file is parsed: their place in the list stands for it. */
function splitItems(text: string): Outcome<readonly RawRecord[]> {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch (error) {
    return fail(
      createProblem('file-unreadable', 'error', { format: 'JSON', detail: (error as Error).message }),
    );
  }
  const items: readonly unknown[] = Array.isArray(parsed) ? parsed : [parsed];
  return succeed(items.map((item, at) => ({ line: at + 1, content: JSON.stringify(item ?? null) })));
}
