import { runChecks } from '#core/check/index';
import { DIALECTS, writeQuery } from '#core/dialect/index';
import { createBlocks, createProject, type Concept, type Working } from '#core/project/index';
import { createNodePool, expandBlocks, formatQuery, listNodes, parseQuery } from '#core/query/index';
import { allowEach, countStrings } from '#core/holding/index';
import { listOutlineRows } from '#core/outline/index';
import { makeDatabases } from './databases';

// A whole outline of 120 rows in six databases, counted after each edit as the page and the server do it:
// the draft is read, its rows are listed, written and counted; what has a count already is not asked for
// again. Then the parser and the checks by themselves.

const WORDS =
  'bat bats chiroptera* pipistrel* myotis noctule* echolocat* ultraso* roost* forag* commut* light lights lighting lamp lamps lantern* luminaire* illuminat* street road roads highway* verge* lit dark night nocturn* dusk hedge* hedgerow* tree* woodland* activity avoid* attract* flight* path* corridor* sodium mercury dim* warm amber spectr* blue red white measure* survey* record* detect* model*'.split(
    ' ',
  );
const LIMITERS = { years: { from: 2000, to: 2026 } };
const EDITS = 40;
const databases = makeDatabases(6);
const median = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!;

function createWorking(turn: number): Working {
  const pick = (at: number): string => WORDS[at % WORDS.length]!;
  const concepts: Concept[] = [0, 1, 2, 3].map((number) => ({
    id: `c${number}`,
    name: `c${number}`,
    block: `c${number}`,
    off: false,
    terms: Array.from({ length: 20 }, (_, place) => ({
      id: `${number}-${place}`,
      text: place % 5 === 4 ? `"street ${pick(number * 20 + place)}"` : pick(number * 20 + place),
      off: false,
    })),
  }));
  // Each edit is a new word in one of the places.
  const word = (place: number): string =>
    turn % 8 === place ? `night${'abcdefgh'[turn % 8]}${turn}*` : pick(place * 3);
  const groups = Array.from(
    { length: 8 },
    (_, place) => `(${word(place)} OR ${pick(place)} OR title: ${pick(place + 20)})`,
  );
  const draft = `@c0 AND @c1 AND (@c2 OR @c3) AND (${groups.slice(0, 4).join(' AND ')}) NOT (${groups.slice(4).join(' OR ')})`;
  return {
    ...createProject(
      'p',
      'P',
      '',
      DIALECTS.map(({ id }) => id),
    ).working,
    concepts,
    draft,
  };
}

const pool = createNodePool();
const known = new Set<string>();
const times: { all: number; asked: number; reused: number; rows: number }[] = [];
for (let turn = 0; turn < EDITS; turn++) {
  const working = createWorking(turn);
  const start = performance.now();
  const blocks = createBlocks(working);
  const rows = listOutlineRows({
    state: working,
    blocks,
    root: parseQuery(working.draft).root,
    opened: new Map(),
    pool,
  });
  let asked = 0;
  let reused = 0;
  databases.forEach(({ collection, dialect }, number) => {
    const strings: string[] = [];
    for (const { query } of rows) {
      const { text, problems } = writeQuery(query, dialect, { limiters: LIMITERS });
      if (problems.length > 0) continue;
      const key = `${number} ${text}`;
      if (known.has(key)) {
        reused++;
        continue;
      }
      known.add(key);
      strings.push(text);
    }
    asked += strings.length;
    countStrings(
      collection,
      strings,
      {},
      allowEach(() => performance.now()),
    );
  });
  times.push({ all: performance.now() - start, asked, reused, rows: rows.length });
}
const later = times.slice(8);
const last = later.at(-1)!;
const average = (part: 'asked' | 'reused'): string =>
  (later.reduce((sum, time) => sum + time[part], 0) / later.length).toFixed(0);
console.log(
  `\n${last.rows} rows, 6 databases: ${median(later.map(({ all }) => all)).toFixed(0)} ms an edit at the median (wanted 250)`,
);
console.log(
  `of ${last.rows * 6} numbers ${average('asked')} are evaluated and ${average('reused')} reused, at the mean; the first time all are evaluated in ${times[0]!.all.toFixed(0)} ms`,
);

const long = formatQuery(
  parseQuery(
    Array.from(
      { length: 250 },
      (_, at) =>
        `(${WORDS[at % WORDS.length]!}${at} OR title,abstract: ("street light${at}*" OR lamp${at}) OR road${at} WITHIN 3 verge*)`,
    ).join(' AND '),
  ).root,
);
const text = long.slice(0, 20_000);
const parses = Array.from({ length: 60 }, () => {
  const start = performance.now();
  parseQuery(text);
  return performance.now() - start;
}).slice(20);
console.log(`\nparse of ${text.length} characters: ${median(parses).toFixed(1)} ms at the median (wanted 5)`);

const big = createWorking(0);
const many = {
  ...big,
  concepts: big.concepts.map((concept, number) => ({
    ...concept,
    terms: Array.from({ length: 55 }, (_, at) => ({
      id: `${number} ${at}`,
      text: `${WORDS[(number * 55 + at) % WORDS.length]!.replace('*', '')}${at % 3 === 0 ? '*' : String(at)}`,
      off: false,
    })),
  })),
};
const nodes = listNodes(expandBlocks(parseQuery(many.draft).root, createBlocks(many)).root).length;
const answers = new Map<string, number>();
const checks = Array.from({ length: 25 }, () => {
  const start = performance.now();
  const { asked } = runChecks(many, { dialects: DIALECTS, known: answers });
  const took = performance.now() - start;
  for (const { key } of asked) answers.set(key, key.length);
  return took;
}).slice(5);
console.log(
  `checks of ${nodes} nodes in ${DIALECTS.length} databases: ${median(checks).toFixed(0)} ms at the median (wanted 50)`,
);
