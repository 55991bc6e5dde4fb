import Papa from 'papaparse';
import { getExact, getGreatest, getLeast, isEstimated, readKeptAmount } from '../count';
import { listLimiters } from '../limiter';
import { toPlainText } from '../text';
import { listCheckPoints } from './checklist';
import type { SearchFacts } from './facts';
import { writeMethods } from './methods';
import type { Flow } from './flow';

/** The strings and counts of a run as a table (CSV, RFC 4180), numbers as numbers and strings as they were sent. */
export function writeStringsCsv({ databases, run }: SearchFacts): string {
  return writeCsv([
    ['Database', 'String', 'Limiters', 'Set on its page', 'Records', 'Up to', 'Known as', 'Counted', 'Run'],
    ...databases.map(({ name, string, limiters, boxes, count, words }) => {
      const amount = count && readKeptAmount(count);
      return [
        name,
        string,
        listLimiters(limiters)
          .map(({ value }) => value)
          .join('; '),
        boxes.join('; '),
        amount ? getLeast(amount) : '',
        amount && getExact(amount) === undefined ? getGreatest(amount) : '',
        amount
          ? `${isEstimated(amount) ? 'estimate' : amount.kind}${count.source === 'typed' ? ', typed in' : ''}`
          : words,
        count?.moment ?? '',
        run.name,
      ];
    }),
  ]);
}

/** The numbers of a flow as a table (CSV). */
export function writeFlowCsv({ sources, records, duplicates, works }: Flow): string {
  return writeCsv([
    ['What', 'Records'],
    ...sources.map(({ name, records: number }) => [name, number]),
    ['all records', records],
    ['duplicates', duplicates],
    ['different works', works],
  ]);
}

/** Everything about a run for other programs (JSON): facts as they are kept, and the sentences made of them. */
export function writeSearchJson(facts: SearchFacts): string {
  const { project, run, state, variant, databases, log } = facts;
  const content = {
    format: 'ewer-documented-search',
    version: 1,
    question: project.working.question,
    purpose: project.working.purpose,
    variant: variant && { name: variant.name, note: variant.note, moment: variant.moment },
    concepts: state.concepts,
    blocks: state.blocks,
    query: state.draft,
    limiters: state.limiters,
    run: {
      name: run.name,
      moment: run.moment,
      works: run.works,
      recall: run.recall,
      databases: databases.map(({ dialect, count, words: _, tally: __, ...one }) => ({
        ...one,
        about: dialect?.about,
        coverage: dialect?.coverage,
        reason: project.working.reasons[one.database],
        count,
      })),
    },
    methods: project.documentWords.methods?.text ?? writeMethods(facts),
    searcher: project.documentWords.searcher,
    updatePlan: project.documentWords.updatePlan,
    sources: project.sources,
    mustFinds: project.mustFinds,
    missing: listCheckPoints(facts).flatMap(({ missing }) => missing ?? []),
    log: log.map((line) => ({ moment: line.moment, kind: line.kind, text: toPlainText(line.read().text) })),
  };
  return `${JSON.stringify(content, undefined, 1)}\n`;
}

/** With a mark that it is UTF-8, so that every program reads its letters. */
function writeCsv(cells: readonly (readonly (string | number)[])[]): string {
  return `\ufeff${Papa.unparse(
    cells.map((row) => [...row]),
    { newline: '\r\n', escapeFormulae: true },
  )}\r\n`;
}
