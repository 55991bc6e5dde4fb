import {
  buildIndex,
  EvaluatorMemory,
  createEvaluator,
  measureBytes,
  type Evaluator,
  type IndexDocument,
  type SetExpression,
} from '#core/collection/index';
import { foldLetters } from '#core/text/index';
import { createRandom } from '#demo/random';
import { createCorpus } from '#demo/works';
import { createKinds, type BothQuery } from './kinds';
import { createPeer, type Peer } from './peer';
import { measureWildcards } from './wildcards';

const QUERIES = 60;
/** A server that has run for a while: its code is compiled. */
const WARM_UPS = 4;
const large = process.argv.includes('--large');
const size = large ? 100_000 : 40_000;

console.log(`Making ${size.toLocaleString('en')} works …`);
const works = createCorpus(2026, size).works;
const rows = works.map(({ title, abstract, year }) => ({
  title: foldLetters(title),
  abstract: foldLetters(abstract),
  year,
}));

measureBuilding();
const index = buildIndex(
  rows.map(({ title, abstract, year }): IndexDocument => ({
    values: { title: [title], abstract: [abstract] },
    keys: [],
    year,
  })),
);
const evaluator = createEvaluator(index, new EvaluatorMemory(2 ** 30));
const peer = createPeer(rows);
const words = index.terms.filter((word) => /^[a-z]{4,}$/.test(word));
measureQueries();
measureWildcards(index, evaluator);

/** The index as the application builds it: all fields of a record. */
function measureBuilding(): void {
  const documents = works.map((work): IndexDocument => ({
    values: {
      title: [work.title],
      abstract: [work.abstract],
      keywords: work.keywords,
      author: work.authors.map(({ given, family }) => `${given} ${family}`),
      source: [work.source],
    },
    keys: [`type=${work.type}`, `language=${work.language}`],
    year: work.year,
  }));
  const times = [0, 1, 2].map(() => {
    const start = performance.now();
    buildIndex(documents);
    return performance.now() - start;
  });
  const rate = Math.round(size / (Math.min(...times) / 1000));
  const bytes = Math.round(measureBytes(buildIndex(documents)) / size);
  console.log(
    `\nIndex: ${rate.toLocaleString('en')} records a second (best of 3; wanted 10,000), ${bytes.toLocaleString('en')} bytes a record (wanted at most 1,200)`,
  );
}

function measureQueries(): void {
  console.log(
    `\nCounting, ${QUERIES} queries a kind, ms; ratio: ${peer.name} ÷ Ewer at the median (wanted 4 or more)`,
  );
  console.log(
    [
      'kind'.padEnd(38),
      ...['FTS5 p50', 'p95', 'cold p50', 'p95', 'ratio', 'cached p50', 'p95', 'ratio', 'per second'].map(
        (name) => name.padStart(10),
      ),
    ].join(' '),
  );
  for (const { name, choose } of createKinds(words)) {
    const random = createRandom(7, name.length);
    const queries = Array.from({ length: QUERIES }, () => choose(random));
    // Both engines have run every query some times before any is timed; only the sets are forgotten.
    for (let round = 0; round < WARM_UPS; round++)
      for (const query of queries) {
        countByPeer(peer, query);
        evaluator.forget();
        countByOurs(evaluator, query.ours);
      }
    const theirs = queries.map((query) => time(() => countByPeer(peer, query)));
    const cold = queries.map((query) => {
      evaluator.forget();
      return time(() => countByOurs(evaluator, query.ours));
    });
    const cached = queries.map((query) => {
      evaluator.forget();
      for (const leaf of listLeaves(query.ours)) evaluator.evaluate(leaf);
      return time(() => countByOurs(evaluator, query.ours));
    });
    queries.forEach((query, at) => {
      if (theirs[at]!.count !== cold[at]!.count || cold[at]!.count !== cached[at]!.count)
        throw new Error(
          `The counts differ: ${query.theirs}: ${theirs[at]!.count}, ${cold[at]!.count}, ${cached[at]!.count}`,
        );
    });
    const [f, c, k] = [theirs, cold, cached].map((runs) => summarise(runs.map((run) => run.milliseconds)));
    const cells = [
      f!.median,
      f!.p95,
      c!.median,
      c!.p95,
      f!.median / c!.median,
      k!.median,
      k!.p95,
      f!.median / k!.median,
    ];
    console.log(
      [
        name.padEnd(38),
        ...cells.map((cell) => cell.toFixed(cell < 10 ? 3 : 1).padStart(10)),
        Math.round(1000 / c!.median)
          .toLocaleString('en')
          .padStart(10),
      ].join(' '),
    );
  }
  console.log('\nAll counts are equal.');
}

function countByPeer(engine: Peer, { theirs, years }: BothQuery): number {
  return engine.count(theirs, years);
}

function countByOurs(engine: Evaluator, expression: SetExpression): number {
  const found = engine.count(expression);
  return found.ok ? found.value : -1;
}

function time(count: () => number): { count: number; milliseconds: number } {
  const start = performance.now();
  const found = count();
  return { count: found, milliseconds: performance.now() - start };
}

function summarise(times: readonly number[]): { median: number; p95: number } {
  const sorted = [...times].sort((a, b) => a - b);
  return { median: sorted[Math.floor(sorted.length / 2)]!, p95: sorted[Math.floor(sorted.length * 0.95)]! };
}

function listLeaves(expression: SetExpression): SetExpression[] {
  if (expression.kind === 'and' || expression.kind === 'or') return expression.items.flatMap(listLeaves);
  if (expression.kind === 'not') return [expression.include, expression.exclude].flatMap(listLeaves);
  return [expression];
}
