import { DIALECTS, OPEN_DIALECTS, TEMPLATE_DIALECTS, writeQuery } from '#core/dialect/index';
import { readHistory } from '#core/dialect/history/index';
import { planProof, proveRendering } from '#core/proof/index';
import { createDraftQuery } from '#core/project/index';
import { parseQuery, type QueryNode } from '#core/query/index';
import { succeed } from '#core/problem/index';
import { createDemoProject } from '#demo/demo-project';
import { findVocabulary } from '#server/collections/index';
import { makeDatabases } from './databases';

// How long writing, proving and reading take against the figures that are wanted.

const EVERY = [...DIALECTS, ...OPEN_DIALECTS, ...TEMPLATE_DIALECTS];
const group = (name: string): string =>
  `(${Array.from({ length: 20 }, (_, at) => (at % 4 === 0 ? `"${name}${at} light*"` : `${name}${at}*`)).join(' OR ')})`;
const sixty = (): QueryNode => parseQuery(['bat', 'lamp', 'road'].map(group).join(' AND ')).root;

const time = (work: () => void): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
const median = (times: number[]): number => times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
const repeat = (count: number, work: () => void): number =>
  median(Array.from({ length: count }, () => time(work)));

const writing = repeat(60, () => {
  const root = sixty();
  for (const dialect of EVERY) writeQuery(root, dialect);
});
console.log(
  `a query of 60 terms in ${EVERY.length} dialects: ${writing.toFixed(1)} ms at the median (wanted 20)`,
);
for (const dialect of EVERY) {
  const took = repeat(9, () => void writeQuery(sixty(), dialect));
  console.log(`  ${dialect.id}: ${took.toFixed(1)} ms, parser included`);
}

const [first] = DIALECTS;
const lines = Array.from({ length: 500 }, (_, at) => {
  if (at % 10 === 9) return `${at + 1}. ${at - 1} OR ${at} OR ${at - 2}`;
  return `${at + 1}. title:(lamp* OR "street light*") AND word${at}\t${at * 3}`;
}).join('\n');
const reading = first ? repeat(15, () => void readHistory(lines, first)) : 0;
console.log(`a history of 500 lines: ${reading.toFixed(0)} ms at the median (wanted 200)`);

const { working } = createDemoProject();
const { root } = createDraftQuery(working, working.databases);
const databases = makeDatabases(DIALECTS.length);
const prove = (): void => {
  for (const { dialect, collection } of databases) {
    collection.evaluator.forget();
    const plan = planProof(root, dialect);
    if (!plan) continue;
    const outcome = proveRendering(plan.request, {
      database: dialect.id,
      neutral: collection.evaluator,
      vocabulary: findVocabulary(dialect.id),
      find: (string) => {
        const read = collection.read(string);
        if ('problem' in read) throw new Error(`${dialect.id} refuses ${string}`);
        const found = collection.evaluator.evaluate(read.expression);
        return found.ok ? succeed(found.value) : found;
      },
    });
    if (!outcome.ok) throw new Error(`${dialect.id} is too slow`);
  }
};
console.log(
  `proof of the demo draft in ${databases.length} databases, nothing remembered: ${repeat(7, prove).toFixed(0)} ms at the median (wanted 500)`,
);
