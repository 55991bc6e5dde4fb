import { plugins } from '@citation-js/core';
import '@citation-js/plugin-ris';
import Joi from 'joi';
import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import type { BibliographicRecord } from '../../record';
import { createRecordFromItem } from '../csl-json/item';
import type { RawRecord, RecordFormat } from '../../file/raw-record';

const TAG = /^([A-Z][A-Z0-9]) {1,2}- ?(.*)$/;
type Tags = Readonly<Record<string, string | readonly string[]>>;
const TAGS = Joi.array<Tags[]>().items(
  Joi.object().pattern(
    Joi.string(),
    Joi.alternatives(Joi.string().allow(''), Joi.array().items(Joi.string().allow(''))),
  ),
);

/** The tagged format of reference managers: a tag of two signs, a line each, `ER` at the end. */
export const RIS: RecordFormat = {
  id: 'ris',
  name: 'RIS',
  endings: ['ris'],
  isLike: (text) => /^\s*TY {1,2}- /m.test(text.slice(0, 2_000)),
  split: (text) => succeed(splitRecords(text)),
  read: readRecord,
};

/** Records reach from `TY` to `ER`, or to the next `TY` where the end is missing. Lines without a tag go on with the one before. */
function splitRecords(text: string): RawRecord[] {
  const records: RawRecord[] = [];
  let lines: string[] = [];
  let start = 1;
  const close = (): void => {
    if (lines.length > 0) records.push({ line: start, content: `${lines.join('\n')}\nER  - \n` });
    lines = [];
  };
  for (const [at, line] of text.split(/\r\n?|\n/).entries()) {
    const [, tag, value = ''] = TAG.exec(line.trimStart()) ?? [];
    if (tag === 'ER') close();
    else if (tag !== undefined) {
      if (tag === 'TY') close();
      if (lines.length === 0) start = at + 1;
      lines.push(`${tag}  - ${value.trim()}`);
    } else if (line.trim() !== '') {
      if (lines.length === 0) start = at + 1;
      lines.push(`${lines.pop() ?? ''} ${line.trim()}`.trim());
    }
  }
  close();
  return records;
}

function readRecord({ content }: RawRecord, id: string): Outcome<BibliographicRecord> {
  if (!content.startsWith('TY  - '))
    return fail(createProblem('record-unreadable', 'warning', { detail: 'it does not begin with TY' }));
  try {
    const tags = TAGS.validate(plugins.input.chainLink(content));
    const [item] = plugins.input.chain(content, { generateGraph: false });
    // The library joins keywords to one text; those with a comma inside could not be told apart.
    return createRecordFromItem(item, id, tags.error ? undefined : listKeywords(tags.value));
  } catch (error) {
    return fail(createProblem('record-unreadable', 'warning', { detail: (error as Error).message }));
  }
}

function listKeywords([tags]: readonly Tags[]): string[] {
  return [tags?.['KW'] ?? []]
    .flat()
    .map((one) => one.trim())
    .filter((one) => one !== '');
}
