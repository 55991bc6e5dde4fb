import { plugins } from '@citation-js/core';
import '@citation-js/plugin-bibtex';
import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import type { BibliographicRecord } from '../../record';
import { createRecordFromItem } from '../csl-json/item';
import type { RawRecord, RecordFormat } from '../../file/raw-record';

/** Entries that are no records: remarks and abbreviations. */
const ASIDE = /^@(comment|preamble|string)\b/i;

/** The files of the BibTeX program and its successors. */
export const BIBTEX: RecordFormat = {
  id: 'bibtex',
  name: 'BibTeX',
  endings: ['bib', 'bibtex'],
  isLike: (text) => /^\s*@\w+\s*[{(]/m.test(text.slice(0, 20_000)),
  split: (text) => succeed(splitEntries(text)),
  read: readEntry,
};

/** Entries begin with @ at the start of a line, so that a broken one ends where the next begins. Abbreviations go with each. */
function splitEntries(text: string): RawRecord[] {
  const entries: { line: number; lines: string[] }[] = [];
  for (const [at, line] of text.split(/\r\n?|\n/).entries()) {
    if (/^\s*@\w+\s*[{(]/.test(line)) entries.push({ line: at + 1, lines: [line.trimStart()] });
    else entries.at(-1)?.lines.push(line);
  }
  const written = entries.map(({ line, lines }) => ({ line, content: lines.join('\n').trim() }));
  const abbreviations = written.filter(({ content }) => /^@string\b/i.test(content));
  const before = abbreviations.map(({ content }) => `${content}\n`).join('');
  return written
    .filter(({ content }) => !ASIDE.test(content))
    .map(({ line, content }) => ({ line, content: before + content }));
}

function readEntry({ content }: RawRecord, id: string): Outcome<BibliographicRecord> {
  try {
    const items = plugins.input.chain(content, { generateGraph: false, forceType: '@biblatex/text' });
    return createRecordFromItem(items.at(-1), id);
  } catch (error) {
    const [detail = ''] = (error as Error).message.split('\n');
    return fail(createProblem('record-unreadable', 'warning', { detail }));
  }
}
