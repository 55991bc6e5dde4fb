import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildIndex, createEvaluator, type IndexDocument } from '#core/collection/index';
import { DIALECTS, readString, writeQuery, type Dialect } from '#core/dialect/index';
import { printQuery, withIds, type QueryNode } from '#core/query/index';
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
  const found = createEvaluator(buildIndex(documents, standin.analysis)).evaluate(read.value);
  if (!found.ok) throw new Error('too slow');
  return found.value.list();
};

const isWithin = (small: readonly number[], large: readonly number[]): boolean =>
  small.every((record) => large.includes(record));

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
        (tree, documents) => {
          const query = withIds(tree);
          const rendering = writeQuery(query, dialect);
          claims.set(rendering.whole, (claims.get(rendering.whole) ?? 0) + 1);
          const wanted = findNaively(documents, query, vocabularyOf(dialect));
          if (rendering.text === '') {
            if (rendering.whole === 'same') expect(wanted, printQuery(query)).toEqual([]);
            return;
          }
          if (rendering.problems.length > 0) return;
          const found = findBy(standin, rendering.text, documents, vocabulary);
          const story = `${printQuery(query)} as ${rendering.text}: ${rendering.whole}`;
          if (rendering.whole === 'same') expect(found, story).toEqual(wanted);
          if (rendering.whole === 'wider') expect(isWithin(wanted, found), story).toBe(true);
          if (rendering.whole === 'narrower') expect(isWithin(found, wanted), story).toBe(true);
        },
      ),
      { numRuns: 3000 },
    );
    expect(claims.get('wider')).toBeGreaterThan(20);
    if (id === 'heronsmere') expect(claims.get('same')).toBeGreaterThan(200);
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
          const back = readString(rendering.text, dialect);
          const story = `${rendering.text} read as ${printQuery(back.root)}`;
          expect(back.problems, story).toEqual([]);
          if (rendering.whole !== 'same') return;
          compared++;
          expect(findNaively(documents, back.root, vocabularyOf(dialect)), story).toEqual(
            findNaively(documents, tree, vocabularyOf(dialect)),
          );
        },
      ),
      { numRuns: 2000 },
    );
    if (id === 'heronsmere') expect(compared).toBeGreaterThan(100);
  });
});
