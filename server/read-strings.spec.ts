import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildIndex, createEvaluator, NEUTRAL_ANALYSIS, type IndexDocument } from '#core/collection/index';
import { DIALECTS, OPEN_DIALECTS, OWN_RECORDS, TEMPLATE_DIALECTS, type Dialect } from '#core/dialect/index';
import { joinLimiters, readString } from '#core/dialect/read/index';
import { readQueryText } from '#core/holding/index';
import { printQuery } from '#core/query/index';
import { arbitraryDocument, TEST_HEADINGS } from '#core/testing/arbitraries';
import { findByLucene } from '#core/testing/lucene-oracle';
import { satisfies } from '#core/testing/naive-evaluator';
import { arbitraryString, STRING_GRAMMARS } from '#core/testing/string-grammars';
import { findByTemplate } from '#core/testing/template-oracle';
import { createVocabulary, type Vocabulary } from '#core/vocabulary/index';
import { STANDINS, readStandinString } from './standins/standins';

/** In the classic Lucene syntax, mixed operators and hyphens are seldom sure. */
const LEAST_PLAIN: Readonly<Record<string, number>> = { lucene: 0.4 };
/** More strings on demand: `EWER_STRINGS=20000 npx vitest run server/read-strings.spec.ts`. */
const RUNS = Number(process.env['EWER_STRINGS'] ?? 1_500);
const SEED = 20_261_129;

/** What the system itself finds for a string, by a reader that did not come from `core/dialect`; nothing if it refuses. */
type Oracle = (text: string, documents: readonly IndexDocument[]) => number[] | undefined;

const vocabularyOf = (dialect: Dialect): Vocabulary =>
  createVocabulary(
    dialect.headings?.vocabulary ?? dialect.id,
    dialect.headings?.flat === true
      ? TEST_HEADINGS.headings.map((heading) => ({ ...heading, broader: [] }))
      : TEST_HEADINGS.headings,
  );

const askStandin = (id: string, dialect: Dialect): Oracle => {
  const standin = STANDINS.find((one) => one.id === id)!;
  const vocabulary = vocabularyOf(dialect);
  return (text, documents) => {
    const read = readStandinString(standin, text, vocabulary);
    if (!read.value || read.value.notes.length > 0) return undefined;
    const index = buildIndex(documents, standin.analysis, standin.stem);
    const found = createEvaluator(index).evaluate(read.value.expression);
    return found.ok ? found.value.list() : undefined;
  };
};

const askOwn: Oracle = (text, documents) => {
  const read = readQueryText(text, vocabularyOf(OWN_RECORDS));
  if ('problem' in read) return undefined;
  const found = createEvaluator(buildIndex(documents, NEUTRAL_ANALYSIS)).evaluate(read.expression);
  return found.ok ? found.value.list() : undefined;
};

const chooseOracle = (dialect: Dialect): Oracle => {
  if (dialect.id === 'cql') return askStandin('northern', dialect);
  if (dialect.id === 'lucene') return findByLucene;
  if (dialect.id === 'own-records') return askOwn;
  if (STANDINS.some(({ id }) => id === dialect.id)) return askStandin(dialect.id, dialect);
  return (text, documents) => findByTemplate(dialect.id, text, documents);
};

const EVERY = [...DIALECTS, ...OPEN_DIALECTS, ...TEMPLATE_DIALECTS, OWN_RECORDS];

it('has strings for every syntax', () => {
  expect(Object.keys(STRING_GRAMMARS).sort()).toEqual(EVERY.map(({ id }) => id).sort());
});

describe.each(EVERY.map((dialect) => ({ id: dialect.id, dialect })))('strings of $id', ({ id, dialect }) => {
  const ask = chooseOracle(dialect);
  const vocabulary = vocabularyOf(dialect);
  // The server that is asked by the open standard has no keywords.
  const { held } = id === 'cql' ? DIALECTS.find((one) => one.id === 'northern')!.fields : dialect.fields;
  const lacking = ['keywords', 'heading'].filter((field) => !held.some((one) => one === field));

  it('that Ewer did not write find the same as read, or draw a problem', () => {
    const seen = { taken: 0, plain: 0, refused: 0 };
    fc.assert(
      fc.property(
        arbitraryString(STRING_GRAMMARS[id]!),
        fc.array(arbitraryDocument(lacking), { minLength: 4, maxLength: 12 }),
        (text, documents) => {
          const found = ask(text, documents);
          const { root, limiters, problems } = readString(text, dialect);
          const told = problems.map(({ code }) => code).join(' ');
          if (!found) {
            seen.refused++;
            expect(problems.length, `refused: ${text} read as ${printQuery(root)}`).toBeGreaterThan(0);
            return;
          }
          seen.taken++;
          const isPlain = problems.every(({ severity }) => severity === 'note');
          if (isPlain) seen.plain++;
          if (problems.length > 0) return;
          const whole = joinLimiters(root, limiters);
          const read = documents.flatMap((one, at) => (satisfies(one, whole, vocabulary) ? [at] : []));
          expect(read, `${text} read as ${printQuery(whole)} ${told}`).toEqual(found);
        },
      ),
      { numRuns: RUNS, seed: SEED, endOnFailure: RUNS < 5_000 },
    );
    // A reader that finds fault with everything would prove nothing.
    expect(seen.plain / seen.taken, JSON.stringify(seen)).toBeGreaterThan(LEAST_PLAIN[id] ?? 0.6);
    expect(seen.taken).toBeGreaterThan(RUNS / 4);
    expect(seen.refused).toBeGreaterThan(10);
  });
});
