import {
  buildIndex,
  countBatch,
  EvaluatorMemory,
  createEvaluator,
  createIndexBuilder,
  measureBytes,
  type IndexDocument,
  type SetExpression,
} from '#core/collection/index';
import { findOverlap, findWorks, listCombinations, listProposals, tryChange } from '#core/compare/index';
import { createSharedDraft, createTermQueries } from '#core/compare/draft/index';
import { createAmount } from '#core/count/index';
import { writeQuery } from '#core/dialect/index';
import { countStrings } from '#core/holding/index';
import { createConceptQuery, type Concept, type Project } from '#core/project/index';
import { createNodePool, createPattern, type QueryNode } from '#core/query/index';
import { createRecordKeys } from '#core/record/same-work/index';
import { foldLetters } from '#core/text/index';
import { createDemoProject } from '#demo/demo-project';
import { createRandom } from '#demo/random';
import { createCorpus } from '#demo/works';
import { makeDatabases, type BenchDatabase } from './databases';
import { createPeer } from './peer';
import { SIXTY_TERMS } from './sixty-terms';

// The questions of Compare against the figures that are wanted: by ratio against the same questions asked
// one by one of FTS5 in the same run, and as the application asks them: strings written and read.

const large = process.argv.includes('--large');
const SIZE = large ? 500_000 : 100_000;
const RUNS = 7;

const time = (work: () => void): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
const median = (times: number[]): number => times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
const repeat = (work: () => void, count = RUNS): number =>
  median(Array.from({ length: count }, () => time(work)));
const say = (line: string): void => console.log(line);
const word = (text: string): SetExpression => ({
  kind: 'word',
  slot: { pattern: createPattern(text) },
  fields: 3,
});
const quote = (text: string): string => (text.endsWith('*') ? `"${text.slice(0, -1)}"*` : `"${text}"`);
const never = () => () => false;

/** Counts of a batch as numbers, so that both engines can be held to the same answers. */
function countAll(
  evaluator: ReturnType<typeof createEvaluator>,
  expressions: readonly SetExpression[],
): number[] {
  return countBatch(evaluator, expressions, never).map((outcome) => (outcome.ok ? outcome.value : -1));
}

function compareWithPeer(): void {
  say(`Making ${SIZE.toLocaleString('en')} works …`);
  const rows = createCorpus(2026, SIZE).works.map(({ title, abstract, year }) => ({
    title: foldLetters(title),
    abstract: foldLetters(abstract),
    year,
  }));
  const index = buildIndex(
    rows.map(({ title, abstract, year }): IndexDocument => ({
      values: { title: [title], abstract: [abstract] },
      keys: [],
      year,
    })),
  );
  const peer = createPeer(rows);
  const words = index.terms.filter((term) => /^[a-z]{5,}$/.test(term));
  const random = createRandom(11, 3);
  const choose = (count: number): string[] => {
    const chosen = new Set<string>();
    while (chosen.size < count) chosen.add(random.pickSkewed(words, 2));
    return [...chosen];
  };
  const evaluator = createEvaluator(index, new EvaluatorMemory(2 ** 30));
  const check = (name: string, ours: SetExpression[], theirs: string[], wanted: number): void => {
    countAll(evaluator, ours);
    const counts = countAll(evaluator, ours);
    let others: number[] = [];
    const slow = time(() => (others = theirs.map((match) => peer.count(match))));
    if (counts.some((count, at) => count !== others[at])) throw new Error(`The counts of ${name} differ.`);
    const cold = repeat(() => {
      evaluator.forget();
      countAll(evaluator, ours);
    });
    const warm = repeat(() => void countAll(evaluator, ours));
    say(
      `${name}: ${warm.toFixed(1)} ms with the leaves known, ${cold.toFixed(1)} ms with nothing known; FTS5 one by one ${slow.toFixed(0)} ms: ${(slow / warm).toFixed(0)} and ${(slow / cold).toFixed(0)} times as long (wanted ${wanted})`,
    );
  };
  const terms = choose(60);
  const rest = choose(8);
  const or = (list: readonly string[]): SetExpression => ({ kind: 'or', items: list.map(word) });
  const orText = (list: readonly string[]): string => `(${list.map(quote).join(' OR ')})`;
  check(
    'leave-one-out over 60 terms',
    terms.map((one) => ({ kind: 'and', items: [or(terms.filter((other) => other !== one)), or(rest)] })),
    terms.map((one) => `${orText(terms.filter((other) => other !== one))} AND ${orText(rest)}`),
    100,
  );
  // Concepts as people make them: the terms of the draft that the application is measured with.
  const groups = SIXTY_TERMS.map((terms) => terms.filter((term) => /^[a-z]+\*?$/.test(term)));
  const subsets = Array.from({ length: 31 }, (_, at) =>
    groups.filter((__, group) => ((at + 1) & (1 << group)) !== 0),
  );
  check(
    'all combinations of 5 concepts',
    subsets.map((some) => ({ kind: 'and', items: some.map(or) })),
    subsets.map((some) => some.map(orText).join(' AND ')),
    40,
  );
}

/** A draft of 60 terms in five concepts. */
function createLargeState(): Project {
  const concepts: Concept[] = SIXTY_TERMS.map((terms, number) => ({
    id: `c${number}`,
    name: `c${number}`,
    block: `c${number}`,
    off: false,
    terms: terms.map((text, at) => ({
      id: `${number}-${at}`,
      text,
      off: false,
    })),
  }));
  const demo = createDemoProject();
  return {
    ...demo,
    working: { ...demo.working, concepts, draft: concepts.map(({ block }) => `@${block}`).join(' AND ') },
  };
}

/** Writes queries and counts them as page and server do; gives the number of strings. */
function ask(
  databases: readonly BenchDatabase[],
  roots: readonly QueryNode[],
): { strings: number; spent: [string, number, number][] } {
  let strings = 0;
  const spent: [string, number, number][] = [];
  for (const { collection, dialect } of databases) {
    const start = performance.now();
    const texts = roots.flatMap((root) => {
      const rendering = writeQuery(root, dialect, { limiters: { years: { from: 2000, to: 2026 } } });
      return rendering.problems.length > 0 ? [] : rendering.parts.map(({ text }) => text);
    });
    const written = performance.now();
    strings += texts.length;
    countStrings(collection, texts, {}, () => () => false);
    spent.push([dialect.id, written - start, performance.now() - written]);
  }
  return { strings, spent };
}

function measureApplication(): void {
  const databases = makeDatabases(6);
  const large = createLargeState();
  const measure = (
    name: string,
    make: (pool: (root: QueryNode) => QueryNode) => QueryNode[],
    wanted: number,
  ): void => {
    let last: ReturnType<typeof ask> = { strings: 0, spent: [] };
    const took = repeat(() => {
      // Trees are new in each run, as after an edit: nothing is written before.
      const pool = createNodePool();
      last = ask(databases, make(pool));
    });
    say(
      `${name}, ${last.strings} strings in 6 databases: ${took.toFixed(0)} ms at the median (wanted ${wanted})`,
    );
    for (const [database, writing, counting] of last.spent)
      say(`  ${database}: ${writing.toFixed(0)} ms writing, ${counting.toFixed(0)} ms counting`);
  };
  measure(
    'leave-one-out over 60 terms',
    (pool) =>
      createTermQueries(large.working).flatMap(({ terms }) =>
        terms.map(({ draftWithout }) => pool(draftWithout)),
      ),
    400,
  );
  const concepts = createTermQueries(large.working).map(({ concept }) => concept);
  const eight = Array.from({ length: 8 }, (_, at) => {
    const concept = concepts[at % 5]!;
    return { ...concept, terms: concept.terms.slice((at * 3) % 8, ((at * 3) % 8) + 5) };
  });
  measure(
    'all combinations of 8 concepts',
    (pool) => listCombinations(eight.map(createConceptQuery)).map(({ root }) => pool(root)),
    400,
  );
  const demo = createDemoProject();
  const proposals = [...listProposals(demo, 2026), ...listProposals(large, 2026).slice(0, 200)].slice(0, 200);
  measure(
    `${proposals.length} changes to try`,
    (pool) =>
      proposals.flatMap(({ change }) => {
        const changed = tryChange(demo, change) ?? tryChange(large, change);
        return changed ? [pool(createSharedDraft(changed.working))] : [];
      }),
    2_000,
  );
}

function measureOverlap(): void {
  const works = createCorpus(2026, 60_000).works;
  const keys = works.map((work) =>
    createRecordKeys({ ...work, year: work.year, ...(work.doi !== undefined && { doi: work.doi }) } as never),
  );
  const random = createRandom(5, 1);
  const results = Array.from({ length: 6 }, (_, at) => ({
    database: `d${at}`,
    amount: createAmount(40_000),
    keys: Array.from({ length: 40_000 }, () => random.pick(keys)),
  }));
  const took = repeat(() => void findOverlap(results, findWorks(results)));
  say(`overlap of six databases of 40,000 records: ${took.toFixed(0)} ms at the median (wanted 1,500)`);
}

/** Time and memory as the records grow: no worse than in step. */
function measureGrowth(): void {
  const sizes = large ? [20_000, 100_000, 500_000] : [20_000, 100_000];
  for (const size of sizes) {
    const builder = createIndexBuilder();
    for (const { title, abstract, year } of createCorpus(7, size).works)
      builder.add({ values: { title: [title], abstract: [abstract] }, keys: [], year });
    const index = builder.finish();
    const evaluator = createEvaluator(index);
    const random = createRandom(3, 9);
    const words = index.terms.filter((term) => /^[a-z]{5,}$/.test(term));
    const terms = Array.from({ length: 40 }, () => random.pickSkewed(words, 2));
    const batch = terms.map((one): SetExpression => ({
      kind: 'or',
      items: terms.filter((other) => other !== one).map(word),
    }));
    const took = repeat(() => {
      evaluator.forget();
      countAll(evaluator, batch);
    });
    say(
      `${size.toLocaleString('en')} records: 40 leave-one-outs ${took.toFixed(1)} ms with nothing known, ${((1_000 * took) / size).toFixed(3)} µs a record; ${Math.round(measureBytes(index) / size)} bytes a record (wanted at most 1,200)`,
    );
  }
}

if (!process.argv.includes('--application')) compareWithPeer();
measureApplication();
measureOverlap();
measureGrowth();
