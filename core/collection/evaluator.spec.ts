import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { build, createPattern, printQuery } from '../query';
import { arbitraryDocument, arbitraryQuery, TEST_HEADINGS } from '../testing/arbitraries';
import { satisfies } from '../testing/naive-evaluator';
import { RecordSet } from './bitset';
import { buildIndex } from './builder';
import { countPostings, findTerms, listWords } from './dictionary';
import type { IndexDocument } from './document';
import { createEvaluator, scoreRecords } from './evaluator';
import { EvaluatorMemory } from './evaluator-memory';
import { createNeutralExpression } from './neutral';
import { readSnapshot, writeSnapshot } from './snapshot';

const titled = (title: string): IndexDocument => ({ values: { title: [title] }, keys: [] });
const documents = fc.array(arbitraryDocument(), { minLength: 1, maxLength: 20 });

describe('evaluation', () => {
  it('finds what the naive evaluator finds, also from a snapshot and from remembered sets', () => {
    fc.assert(
      fc.property(documents, fc.array(arbitraryQuery, { minLength: 1, maxLength: 4 }), (records, queries) => {
        const index = buildIndex(records);
        const restored = readSnapshot(writeSnapshot(index));
        if (!restored) throw new Error('The snapshot cannot be read.');
        const evaluators = [createEvaluator(index), createEvaluator(restored, new EvaluatorMemory(2_000))];
        for (const query of [...queries, ...queries]) {
          const wanted = records.flatMap((record, at) =>
            satisfies(record, query, TEST_HEADINGS) ? [at] : [],
          );
          for (const evaluator of evaluators) {
            const found = evaluator.evaluate(createNeutralExpression(query, { vocabulary: TEST_HEADINGS }));
            expect(found.ok && found.value.list(), printQuery(query)).toEqual(wanted);
            expect(found.ok && found.value.count()).toBe(wanted.length);
          }
        }
      }),
      { numRuns: 600 },
    );
  });

  it('keeps the sets of databases that share a memory apart, however small it is', () => {
    fc.assert(
      fc.property(
        fc.array(documents, { minLength: 2, maxLength: 3 }),
        fc.array(arbitraryQuery, { minLength: 1, maxLength: 4 }),
        fc.constantFrom(300, 2_000, undefined),
        (databases, queries, bytes) => {
          const memory = new EvaluatorMemory(bytes);
          const evaluators = databases.map((records) => createEvaluator(buildIndex(records), memory));
          for (const query of [...queries, ...queries]) {
            const expression = createNeutralExpression(query, { vocabulary: TEST_HEADINGS });
            for (const [at, evaluator] of evaluators.entries()) {
              const found = evaluator.evaluate(expression);
              const alone = createEvaluator(evaluator.index).evaluate(expression);
              expect(found.ok && found.value.list(), `${at} ${printQuery(query)}`).toEqual(
                alone.ok && alone.value.list(),
              );
            }
          }
        },
      ),
      { numRuns: 200 },
    );
  });

  it('spans segments, escapes high frequencies and keeps positions apart', () => {
    const many = 'echo '.repeat(300).trim();
    const records = Array.from({ length: 66_000 }, (_, at) =>
      titled(at % 1000 === 7 ? `${many} end` : `word${at % 50} tail`),
    );
    const evaluator = createEvaluator(buildIndex(records));
    const count = (query: ReturnType<typeof build.term>): number => {
      const found = evaluator.evaluate(createNeutralExpression(query));
      return found.ok ? found.value.count() : -1;
    };
    expect(count(build.term(createPattern('tail')))).toBe(66_000 - 66);
    expect(count(build.phrase(createPattern('echo'), createPattern('end')))).toBe(66);
    expect(count(build.phrase(createPattern('word3'), createPattern('tail')))).toBe(1320);
    expect(count(build.near(build.term(createPattern('echo')), 2, build.term(createPattern('end'))))).toBe(
      66,
    );
  });

  it('stops at its deadline with a problem, and answers the next question', () => {
    const evaluator = createEvaluator(buildIndex([titled('bat lamp'), titled('bat')]));
    const expression = createNeutralExpression(
      build.and(build.term(createPattern('bat')), build.term(createPattern('lamp'))),
    );
    const late = evaluator.evaluate(expression, () => true);
    expect(late.ok ? undefined : late.problem.code).toBe('query-too-slow');
    const inTime = evaluator.evaluate(expression);
    expect(inTime.ok && inTime.value.list()).toEqual([0]);
  });

  it('evaluates an unchanged part only once', () => {
    const evaluator = createEvaluator(buildIndex([titled('bat lamp'), titled('bat')]));
    const bat = build.term(createPattern('bat'));
    evaluator.evaluate(createNeutralExpression(build.or(bat, build.term(createPattern('lamp')))));
    const before = evaluator.statistics.computed;
    evaluator.evaluate(createNeutralExpression(build.or(bat, build.term(createPattern('owl')))));
    expect(evaluator.statistics.computed - before).toBe(2);
  });

  it('finds a phrase whole when it is asked for again, whatever it was asked within', () => {
    const evaluator = createEvaluator(
      buildIndex([titled('street light bat'), titled('street light'), titled('bat light street')]),
    );
    const phrase = build.phrase(createPattern('street'), createPattern('light'));
    const within = (word: string) =>
      createNeutralExpression(build.and(build.term(createPattern(word)), phrase));
    const list = (expression: ReturnType<typeof within>): number[] => {
      const found = evaluator.evaluate(expression);
      return found.ok ? found.value.list() : [];
    };
    expect(list(within('bat'))).toEqual([0]);
    expect(list(within('light'))).toEqual([0, 1]);
    const before = evaluator.statistics.reused;
    expect(list(within('street'))).toEqual([0, 1]);
    expect(evaluator.statistics.reused).toBeGreaterThan(before);
    expect(list(createNeutralExpression(phrase))).toEqual([0, 1]);
  });

  it('ranks rare words and titles first', () => {
    const records = [
      titled('bat'),
      { values: { title: ['x'], abstract: ['bat'] }, keys: [] },
      titled('bat rare'),
      titled('x'),
    ];
    const index = buildIndex(records);
    const expression = createNeutralExpression(
      build.or(build.term(createPattern('bat')), build.term(createPattern('rare'))),
    );
    const found = createEvaluator(index).evaluate(expression);
    const scores = scoreRecords(index, expression, found.ok ? found.value : new RecordSet(4));
    expect(
      [...scores]
        .map((score, at) => [score, at] as const)
        .sort((a, b) => b[0] - a[0])
        .map(([, at]) => at),
    ).toEqual([2, 0, 1, 3]);
  });
});

describe('dictionary', () => {
  const index = buildIndex(['light lights lighting', 'moonlight sunlight', 'slight'].map(titled));
  const words = (signs: string, cap?: number) =>
    findTerms(index, createPattern(signs), cap).map((term) => index.terms[term]);

  it('finds words by beginning, ending and middle, in the order of the alphabet', () => {
    expect(words('light*')).toEqual(['light', 'lighting', 'lights']);
    expect(words('*light')).toEqual(['light', 'moonlight', 'slight', 'sunlight']);
    expect(words('*ligh*s')).toEqual(['lights']);
    expect(words('light*', 2)).toEqual(['light', 'lighting']);
    expect(words('owl*')).toEqual([]);
  });

  it('lists words with their records', () => {
    expect(listWords(index, { prefix: 'ligh', suffix: '' }, 2)).toEqual([
      { word: 'light', records: 1 },
      { word: 'lighting', records: 1 },
    ]);
    expect(countPostings(index, findTerms(index, createPattern('slight'))[0]!)).toBe(1);
  });

  it('drops stop words with the gap closing, and joins hyphens, only when told', () => {
    const texts = ['quality of light', 'street-light pole'].map(titled);
    const stopped = createEvaluator(buildIndex(texts, { stopWords: ['of'], joinHyphens: true }));
    const count = (...signs: string[]) => {
      const node =
        signs.length > 1 ? build.phrase(...signs.map(createPattern)) : build.term(createPattern(signs[0]!));
      const found = stopped.evaluate(createNeutralExpression(node));
      return found.ok ? found.value.list() : [];
    };
    expect(count('quality', 'light')).toEqual([0]);
    expect(count('of')).toEqual([]);
    expect(count('streetlight')).toEqual([1]);
    expect(count('street', 'light', 'pole')).toEqual([1]);
  });
});

it('does the algebra of sets', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.nat(99)), fc.uniqueArray(fc.nat(99)), (a, b) => {
      const fill = (members: number[]) =>
        members.reduce((set, member) => (set.add(member), set), new RecordSet(100));
      const sorted = (members: number[]) => [...new Set(members)].sort((x, y) => x - y);
      expect(fill(a).unite(fill(b)).list()).toEqual(sorted([...a, ...b]));
      expect(fill(a).intersect(fill(b)).list()).toEqual(sorted(a.filter((member) => b.includes(member))));
      expect(fill(a).subtract(fill(b)).count()).toBe(a.filter((member) => !b.includes(member)).length);
      expect(RecordSet.all(100).count()).toBe(100);
    }),
  );
});
