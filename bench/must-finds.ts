import { LIMITER_NAMES } from '#core/limiter/index';
import {
  createPartReader,
  findSmallestSet,
  joinEdits,
  listEdits,
  listObstacles,
} from '#core/must-finds/index';
import { createDemoProject } from '#demo/demo-project';
import { createHolding } from '#demo/holdings';
import type { HoldingId } from '#demo/themes/index';
import { createCorpus } from '#demo/works';
import { findVocabulary } from '#server/collections/index';
import { STANDINS } from '#server/standins/standins';

/** How long it takes to say why 50 must-finds are missed in six databases, and which changes would catch them. */
const MUST_FINDS = 50;
const YEAR = 2026;

console.log('Making the made-up corpus …');
const corpus = createCorpus(2026, 40_000);
const project = createDemoProject();
const misses = STANDINS.map(({ id }) => {
  const holding = createHolding(corpus, id as HoldingId);
  const step = Math.floor(holding.works.length / MUST_FINDS);
  return Array.from({ length: MUST_FINDS }, (_, at) => ({
    mustFind: `m${at}`,
    database: id,
    record: holding.createRecord(at * step),
  }));
});
for (let round = 0; round < 3; round++) {
  const start = performance.now();
  const readers = STANDINS.map(({ id }, at) =>
    createPartReader(misses[at]!, { database: id, vocabulary: findVocabulary(id), limiters: LIMITER_NAMES }),
  );
  const obstacles = listObstacles(readers, project).flatMap(({ keys }) => keys);
  const edits = listEdits(readers, project, YEAR, findVocabulary);
  const { edits: set } = findSmallestSet(edits, obstacles);
  joinEdits(project, set, YEAR);
  const took = performance.now() - start;
  console.log(
    `${MUST_FINDS} must-finds in ${STANDINS.length} databases: ${took.toFixed(0)} ms (wanted 1,000); ${edits.length} changes help, ${set.length} catch all that can be caught`,
  );
}
