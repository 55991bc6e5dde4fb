import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryDocument, arbitraryQuery, TEST_HEADINGS } from '../testing/arbitraries';
import { build, createPattern, type QueryNode } from '../query';
import { buildIndex } from './builder';
import { countBatch } from './count-batch';
import { createEvaluator } from './evaluator';
import type { SetExpression } from './expression';
import { createNeutralExpression } from './neutral';

const documents = fc.array(arbitraryDocument(), { minLength: 1, maxLength: 40 });
const express = (query: QueryNode): SetExpression =>
  createNeutralExpression(query, { vocabulary: TEST_HEADINGS });
const never = () => () => false;
const totals = (outcomes: ReturnType<typeof countBatch>): (number | undefined)[] =>
  outcomes.map((outcome) => (outcome.ok ? outcome.value : undefined));

describe('many expressions counted together', () => {
  it('are counted as each would be alone', () => {
    fc.assert(
      fc.property(
        documents,
        fc.array(arbitraryQuery, { minLength: 1, maxLength: 12 }),
        (records, queries) => {
          const index = buildIndex(records);
          const expressions = queries.map(express);
          const alone = createEvaluator(index);
          const together = countBatch(createEvaluator(index), expressions, never);
          expect(totals(together)).toEqual(
            expressions.map((expression) => {
              const found = alone.count(expression);
              return found.ok ? found.value : undefined;
            }),
          );
        },
      ),
      { numRuns: 300 },
    );
  });

  it('with one member of a group missing, and in all combinations, too', () => {
    const words = fc.uniqueArray(
      fc.constantFrom('bat', 'bats', 'lamp', 'light', 'road', 'night', 'owl', 'l*'),
      {
        minLength: 4,
        maxLength: 8,
      },
    );
    fc.assert(
      fc.property(documents, words, words, (records, first, second) => {
        const index = buildIndex(records);
        const terms = (list: readonly string[]) => list.map((word) => build.term(createPattern(word)));
        const [a, b] = [terms(first), terms(second)];
        const rest = build.or(...b);
        const queries = [
          build.and(build.or(...a), rest),
          ...a.map((term) => build.and(build.or(...a.filter((other) => other !== term)), rest)),
          ...a.map((term) => build.not(build.or(...a.filter((other) => other !== term)), rest)),
          ...b.map((term) => build.or(...b.filter((other) => other !== term))),
          ...Array.from({ length: 2 ** a.length - 1 }, (_, bits) =>
            build.and(...a.filter((__, at) => ((bits + 1) & (1 << at)) !== 0)),
          ),
        ].map(express);
        const alone = createEvaluator(index);
        expect(totals(countBatch(createEvaluator(index), queries, never))).toEqual(
          queries.map((query) => {
            const found = alone.count(query);
            return found.ok ? found.value : undefined;
          }),
        );
      }),
      { numRuns: 200 },
    );
  });

  it('that take too long say so, each by itself', () => {
    const index = buildIndex([{ values: { title: ['bat lamp'] }, keys: [] }]);
    const queries = ['bat', 'lamp', 'road', 'owl', 'night'].map((word) =>
      express(build.and(build.term(createPattern(`${word}*`)), build.term(createPattern('l*')))),
    );
    const outcomes = countBatch(createEvaluator(index), queries, () => () => true);
    expect(outcomes.every((outcome) => !outcome.ok)).toBe(true);
  });
});
