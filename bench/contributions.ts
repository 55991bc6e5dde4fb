import { createSharedDraft, createTermQueries } from '#core/compare/draft/index';
import { writeQuery } from '#core/dialect/index';
import type { Concept } from '#core/project/index';
import { allowEach, countStrings } from '#core/holding/index';
import { makeDatabases } from './databases';

// What every term of a draft of 60 terms in 5 concepts brings, in five databases, after one term is
// changed: writing the strings as the page does and counting them as the server does. The two run side
// by side in life; here they are added up.

const CHANGES = 25;
const WANTED = 500;
const WORDS =
  'bat bats chiroptera* pipistrel* myotis noctule* flying mammals echolocat* ultraso* roost* forag* commut* light lights lighting lamp lamps lantern* luminaire* illuminat* street road roads highway* verge* lit dark night nocturn* dusk hedge* hedgerow* tree* woodland* behavio[u]r activity avoid* attract* flight* path* corridor* LED sodium mercury dim* warm amber spectr* colo[u]r blue red white measure* survey* record* detect* model*'.split(
    ' ',
  );
const LIMITERS = { years: { from: 2000, to: 2026 } };

const databases = makeDatabases(5);

const concepts: readonly Concept[] = [0, 1, 2, 3, 4].map((number) => ({
  id: `c${number}`,
  name: `c${number}`,
  block: `c${number}`,
  off: false,
  terms: Array.from({ length: 12 }, (_, place) => {
    const word = WORDS[(number * 12 + place) % WORDS.length]!;
    return { id: `${number}-${place}`, text: place % 4 === 3 ? `"street ${word}"` : word, off: false };
  }),
}));

const times = Array.from({ length: CHANGES }, (_, turn) => measureChange(turn)).slice(3);
const sorted = times.map((time) => time.written + time.counted).sort((a, b) => a - b);
const median = sorted[Math.floor(sorted.length / 2)]!;
const average = (part: 'written' | 'counted' | 'first'): string =>
  (times.reduce((sum, time) => sum + time[part], 0) / times.length).toFixed(0);
console.log(
  `\n60 terms, 5 concepts, 5 databases, ${times[0]!.strings} strings a change: ${median.toFixed(0)} ms at the median, ${sorted.at(-1)!.toFixed(0)} at most (wanted ${WANTED})`,
);
console.log(
  `of these ${average('written')} ms writing, ${average('counted')} ms counting; what the terms find is there after ${average('first')} ms`,
);
const naive = measureNaive();
console.log(
  `asked one by one, with nothing remembered: ${naive.toFixed(0)} ms, ${(naive / median).toFixed(1)} times as long`,
);

function createQueries(turn: number) {
  const changed = concepts.map((concept, number) =>
    number === 0
      ? { ...concept, terms: concept.terms.with(0, { id: 'new', text: `noctule${turn}*`, off: false }) }
      : concept,
  );
  const state = { concepts: changed, blocks: [], draft: '@c0 AND @c1 AND (@c2 OR @c3) AND @c4' };
  const questions = createTermQueries(state);
  const terms = questions.flatMap((concept) => concept.terms);
  return {
    first: [
      createSharedDraft(state),
      ...questions.map((concept) => concept.whole),
      ...terms.map((term) => term.finds),
    ],
    then: terms.flatMap((term) => [term.conceptWithout, term.draftWithout]),
  };
}

function measureChange(turn: number) {
  const start = performance.now();
  const { first, then } = createQueries(turn);
  let written = performance.now() - start;
  let counted = 0;
  let strings = 0;
  let seen = 0;
  for (const [part, queries] of [first, then].entries()) {
    for (const { collection, dialect } of databases) {
      const before = performance.now();
      const renderings = queries.map((query) => writeQuery(query, dialect, { limiters: LIMITERS }));
      const between = performance.now();
      const texts = renderings.filter((one) => one.problems.length === 0).map((one) => one.text);
      countStrings(
        collection,
        texts,
        {},
        allowEach(() => performance.now()),
      );
      written += between - before;
      counted += performance.now() - between;
      strings += texts.length;
    }
    if (part === 0) seen = written + counted;
  }
  return { written, counted, strings, first: seen };
}

function measureNaive(): number {
  const { first, then } = createQueries(-1);
  const start = performance.now();
  for (const { collection, dialect } of databases) {
    for (const query of [...first, ...then]) {
      const { text, problems } = writeQuery(structuredClone(query), dialect, { limiters: LIMITERS });
      collection.evaluator.forget();
      if (problems.length === 0)
        countStrings(
          collection,
          [text],
          {},
          allowEach(() => performance.now()),
        );
    }
  }
  return performance.now() - start;
}
