import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildIndex, createEvaluator, type IndexDocument } from '#core/collection/index';
import { DIALECTS, writeQuery, type Dialect, type FindForms, type Rendering } from '#core/dialect/index';
import { readKeepingLimiters } from '#core/dialect/read/index';
import type { Problem } from '#core/problem/index';
import { build, createMatcher, printQuery, withIds, type QueryNode } from '#core/query/index';
import { splitWords } from '#core/text/index';
import { arbitraryDocument, arbitraryQuery, TEST_HEADINGS } from '#core/testing/arbitraries';
import { satisfies } from '#core/testing/naive-evaluator';
import { createVocabulary, type Vocabulary } from '#core/vocabulary/index';
import { STANDINS, readStandinString, type Standin } from './standins/standins';

const findNaively = (
  documents: readonly IndexDocument[],
  query: QueryNode,
  vocabulary: Vocabulary | undefined,
): number[] => documents.flatMap((document, at) => (satisfies(document, query, vocabulary) ? [at] : []));

/** The headings of one database are those of its own vocabulary. */
const vocabularyOf = (dialect: Dialect): Vocabulary | undefined => {
  if (!dialect.headings) return undefined;
  const headings = dialect.headings.flat
    ? TEST_HEADINGS.headings.map((heading) => ({ ...heading, broader: [] }))
    : TEST_HEADINGS.headings;
  return createVocabulary(dialect.id, headings);
};

const findBy = (
  standin: Standin,
  text: string,
  documents: readonly IndexDocument[],
  vocabulary: Vocabulary,
): number[] => {
  const read = readStandinString(standin, text, vocabulary);
  if (!read.value) throw new Error(`${standin.id} refuses ${text}: ${read.problem.message}`);
  if (read.value.notes.length > 0)
    throw new Error(`${standin.id} cuts ${text}: ${read.value.notes.join(' ')}`);
  const index = buildIndex(documents, standin.analysis, standin.stem);
  const found = createEvaluator(index).evaluate(read.value.expression);
  if (!found.ok) throw new Error('too slow');
  return found.value.list();
};

/** What all parts of a rendering find together. */
const findByParts = (
  standin: Standin,
  rendering: Rendering,
  documents: readonly IndexDocument[],
  vocabulary: Vocabulary,
): number[] => {
  const found = rendering.parts.flatMap(({ text }) => findBy(standin, text, documents, vocabulary));
  return [...new Set(found)].sort((a, b) => a - b);
};

/** The words of some records that a pattern matches, as a database's index would list them. */
const listFormsOf =
  (documents: readonly IndexDocument[]): FindForms =>
  (pattern) => {
    const matches = createMatcher(pattern);
    const texts = documents.flatMap(({ values }) => Object.values(values).flat());
    const words = texts.flatMap((text) => splitWords(text).map((word) => word.text));
    return { forms: [...new Set(words)].filter(matches).sort(), day: '2026-11-24' };
  };

const isError = (problem: Problem): boolean => problem.severity === 'error';

const isWithin = (small: readonly number[], large: readonly number[]): boolean =>
  small.every((record) => large.includes(record));

/** Databases whose handling of words keeps most translations from being the same. */
const LEAST_SAME: Readonly<Record<string, number>> = { gantry: 100 };

describe.each(STANDINS.map((standin) => ({ id: standin.id, standin })))('$id', ({ id, standin }) => {
  const dialect = DIALECTS.find((candidate) => candidate.id === id)!;
  const lacking = ['keywords', 'heading'].filter(
    (field) => !dialect.fields.held.some((held) => held === field),
  );
  const vocabulary = vocabularyOf(dialect) ?? createVocabulary(id, []);
  const claims = new Map<string, number>();

  it('finds what each claim says: the same, no fewer, no more', () => {
    fc.assert(
      fc.property(
        arbitraryQuery,
        fc.array(arbitraryDocument(lacking), { minLength: 1, maxLength: 12 }),
        fc.boolean(),
        (tree, documents, knowsForms) => {
          const query = withIds(tree);
          const rendering = writeQuery(
            query,
            dialect,
            knowsForms ? { findForms: listFormsOf(documents) } : {},
          );
          claims.set(rendering.whole, (claims.get(rendering.whole) ?? 0) + 1);
          const wanted = findNaively(documents, query, vocabularyOf(dialect));
          if (rendering.text === '') {
            if (rendering.whole === 'same') expect(wanted, printQuery(query)).toEqual([]);
            return;
          }
          if (rendering.problems.length > 0) return;
          const found = findByParts(standin, rendering, documents, vocabulary);
          const story = `${printQuery(query)} as ${rendering.text}: ${rendering.whole}`;
          if (rendering.whole === 'same') expect(found, story).toEqual(wanted);
          if (rendering.whole === 'wider') expect(isWithin(wanted, found), story).toBe(true);
          if (rendering.whole === 'narrower') expect(isWithin(found, wanted), story).toBe(true);
        },
      ),
      { numRuns: 3000 },
    );
    expect(claims.get('same') ?? 0, JSON.stringify([...claims])).toBeGreaterThan(LEAST_SAME[id] ?? 200);
    expect((claims.get('wider') ?? 0) + (claims.get('narrower') ?? 0)).toBeGreaterThan(20);
  });

  it('reads its own strings back to what the stand-in finds, where it claims the same', () => {
    let compared = 0;
    fc.assert(
      fc.property(
        arbitraryQuery,
        fc.array(arbitraryDocument(lacking), { minLength: 1, maxLength: 12 }),
        (tree, documents) => {
          const rendering = writeQuery(withIds(tree), dialect);
          if (rendering.text === '' || rendering.problems.length > 0) return;
          const back = rendering.parts.map(({ text }) => readKeepingLimiters(text, dialect));
          const story = `${rendering.text} read as ${back.map(({ root }) => printQuery(root)).join(' and ')}`;
          expect(back.flatMap(({ problems }) => problems).filter(isError), story).toEqual([]);
          if (rendering.whole !== 'same') return;
          compared++;
          const read = build.or(...back.map(({ root }) => root));
          expect(findNaively(documents, read, vocabularyOf(dialect)), story).toEqual(
            findNaively(documents, tree, vocabularyOf(dialect)),
          );
        },
      ),
      { numRuns: 2000 },
    );
    expect(compared).toBeGreaterThan(20);
  });
});
