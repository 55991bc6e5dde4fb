import { RecordSet } from '#core/collection/index';
import { FACETS } from '#core/contract/index';
import { findRecordNumbers } from '#core/holding/index';
import { countFacets } from '#core/holding/count-facets';
import { createConceptQuery } from '#core/project/index';
import { findMatches } from '#core/query/index';
import { explainRecords, listCandidates, listSeparators } from '#core/reading/index';
import { createDemoProject } from '#demo/demo-project';
import { createHolding } from '#demo/holdings';
import { createCorpus } from '#demo/works';
import { makeDatabases } from './databases';

// What Read does while a person waits for it: facets, filters and pages on the server, marks, reasons and
// lessons in the page.

const RUNS = 15;
const [database] = makeDatabases(1);
if (!database) throw new Error('There is no database.');
const { collection } = database;
const { size } = collection.evaluator.index;
const held = createHolding(createCorpus(2026, 40_000), 'heronsmere');
const records = Array.from({ length: 5_000 }, (_, place) => held.createRecord(place));
const { concepts } = createDemoProject().working;
const never = () => () => false;

function measure(what: string, wanted: number, run: (turn: number) => unknown): void {
  const times = Array.from({ length: RUNS }, (_, turn) => {
    const start = performance.now();
    run(turn);
    return performance.now() - start;
  }).sort((a, b) => a - b);
  const median = times[Math.floor(times.length / 2)]!;
  console.log(
    `${what}: ${median.toFixed(1)} ms at the median, ${times.at(-1)!.toFixed(1)} at most (wanted ${wanted})`,
  );
}

console.log(`\n${size} records in the database`);
const third = new RecordSet(size);
for (let at = 0; at < size && third.count() < 10_000; at += 1 + (at % 3)) third.add(at);
measure('all facets of 10,000 records', 30, () => countFacets(collection, third, FACETS, () => false));
const wide = {
  string: 'light OR bats OR road OR study OR effects',
  sentLimiters: {},
  start: 0,
  rows: 50,
  sort: 'relevance',
} as const;
const found = findRecordNumbers(collection, wide, never);
console.log('problem' in found ? found.problem.message : `a wide set: ${found.total} records`);
measure('first page of a wide set, with all facets', 150, () =>
  findRecordNumbers(collection, { ...wide, facets: FACETS }, never),
);
measure('the same under two filters', 200, (turn) =>
  findRecordNumbers(
    collection,
    {
      ...wide,
      facets: FACETS,
      filters: [
        { facet: 'types', values: ['article', 'review'] },
        { facet: 'years', values: [String(2000 + turn)], leavesOut: true },
      ],
    },
    never,
  ),
);
const marks = concepts.map((concept) => ({ owner: concept.id, root: createConceptQuery(concept) }));
measure('marking a page of 50 records', 16, (turn) => {
  for (const { title, abstract } of records.slice(50 * turn, 50 * turn + 50)) {
    findMatches(title, marks);
    findMatches(abstract, marks);
  }
});
measure('why each of 12 records in sight is here', 16, (turn) =>
  explainRecords(records.slice(12 * turn, 12 * turn + 12), concepts, 'heronsmere'),
);
measure('words and phrases of 500 records', 80, (turn) =>
  listCandidates(records.slice(500 * (turn % 10), 500 * (turn % 10) + 500), 'words', 60),
);
measure('words and phrases of 5,000 records', 400, () => listCandidates(records, 'words', 60));
measure('what tells 100 from 100 records', 400, (turn) =>
  listSeparators(records.slice(turn, turn + 100), records.slice(1_000 + turn, 1_100 + turn), 'words', 12),
);
