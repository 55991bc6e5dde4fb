import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createBlocks, createDraftQuery } from '../../project/blocks';
import type { Concept, Term } from '../../project';
import { DIALECTS, writeQuery } from '../../dialect';
import { DEFAULT_FIELDS, build, dropInactive, listNodes, printQuery } from '../../query';
import { buildIndex, createEvaluator, createNeutralExpression } from '../../collection';
import { TEST_HEADINGS, arbitraryDocument } from '../../testing/arbitraries';
import { satisfies } from '../../testing/naive-evaluator';
import { createSharedDraft, createTermQueries } from './index';

const term = (id: string, text: string, off = false): Term => ({ id, text, off });
const concept = (id: string, ...terms: Term[]): Concept => ({ id, name: id, block: id, terms, off: false });

const text = fc.constantFrom(
  'bat',
  'bats',
  'bat*',
  'light*',
  '"street light*"',
  'lamp',
  'road',
  'branch: "Animals"',
);
const terms = (id: string) =>
  fc
    .array(fc.tuple(text, fc.boolean()), { minLength: 1, maxLength: 4 })
    .map((list) => list.map(([value, off], at) => term(`${id}${at}`, value, off && at > 0)));
const working = fc
  .tuple(terms('a'), terms('b'), fc.constantFrom('@a AND @b', '@a OR @b', '@a NOT @b', '@a AND @b AND lamp*'))
  .map(([a, b, draft]) => ({ concepts: [concept('a', ...a), concept('b', ...b)], blocks: [], draft }));

describe('what a term brings', () => {
  it('agrees with a naive count, record by record', () => {
    fc.assert(
      fc.property(
        working,
        fc.array(arbitraryDocument(), { minLength: 8, maxLength: 8 }),
        (state, documents) => {
          const evaluator = createEvaluator(buildIndex(documents));
          const count = (root: ReturnType<typeof build.empty>): number => {
            const active = dropInactive(root) ?? build.empty();
            const outcome = evaluator.count(createNeutralExpression(active, { vocabulary: TEST_HEADINGS }));
            return outcome.ok ? outcome.value : -1;
          };
          const finds =
            (root: ReturnType<typeof build.empty>) =>
            (at: number): boolean => {
              const active = dropInactive(root);
              return active !== undefined && satisfies(documents[at]!, active, TEST_HEADINGS);
            };
          const all = documents.map((_, at) => at);
          const draft = createDraftQuery(state, []).root;
          for (const { concept: home, whole, terms: questions } of createTermQueries(state)) {
            for (const question of questions) {
              // Taking out the last term leaves a group that finds nothing, not one that takes no part.
              const left = home.terms.filter((other) => other !== question.term && !other.off);
              const rest = { ...home, terms: left };
              const others = state.concepts.map((other) => (other === home ? rest : other));
              const without = createDraftQuery({ ...state, concepts: others }, []).root;
              const [own] = [createBlocks({ concepts: [rest], blocks: [] }).get(home.block) ?? build.empty()];
              const onlyInConcept = all.filter((at) => finds(whole)(at) && !finds(own)(at)).length;
              expect(count(whole) - count(question.conceptWithout)).toBe(onlyInConcept);
              const naiveDraft = all.filter(finds(draft)).length - all.filter(finds(without)).length;
              expect(count(createSharedDraft(state)) - count(question.draftWithout)).toBe(naiveDraft);
            }
          }
        },
      ),
      { numRuns: 150 },
    );
  });

  it('shares the trees of terms, so that equal pieces are written once', () => {
    const state = {
      concepts: [concept('a', term('1', 'bat'), term('2', 'bats'), term('3', 'lamp'))],
      blocks: [],
      draft: '@a',
    };
    const [questions] = createTermQueries(state);
    const nodes = new Set(questions!.terms.flatMap((one) => listNodes(one.draftWithout)));
    for (const one of questions!.terms) expect(nodes.has(one.finds)).toBe(true);
  });

  it('a concept that is off takes no part in the draft', () => {
    const state = {
      concepts: [concept('a', term('1', 'bat')), { ...concept('b', term('2', 'lamp')), off: true }],
      blocks: [],
      draft: '@a AND @b',
    };
    expect(printQuery(createSharedDraft(state))).toBe('bat AND OFF(lamp)');
  });

  const detailed = fc
    .tuple(
      terms('a'),
      terms('b'),
      fc.constantFrom(
        '@a AND @b',
        '@a OR @b',
        '@a NOT @b',
        '(@a AND @wide) OR title: @b',
        '@a AND // why\n@b AND lamp*',
        '@a AND @missing',
        '@a AND (@b',
        '',
      ),
      fc.record({
        off: fc.boolean(),
        fields: fc.option(fc.constantFrom(['title'] as const, DEFAULT_FIELDS), { nil: undefined }),
        databases: fc.option(fc.constantFrom(['heronsmere'], ['gantry', 'marlstone']), { nil: undefined }),
      }),
    )
    .map(([a, b, draft, { off, fields, databases }]) => ({
      concepts: [
        { ...concept('a', ...a), ...(fields && { fields }) },
        {
          ...concept('b', ...b.map((one, at) => (at === 0 && databases ? { ...one, databases } : one))),
          off,
        },
      ],
      blocks: [{ id: 'w', name: 'wide', text: 'road* OR @b' }],
      draft,
    }));

  it('the shared draft is written just as the draft is, in every database', () => {
    fc.assert(
      fc.property(detailed, (state) => {
        const { root } = createDraftQuery(
          state,
          state.concepts.map(({ id }) => id),
        );
        const shared = createSharedDraft(state);
        for (const dialect of DIALECTS) {
          const [placed, free] = [writeQuery(root, dialect), writeQuery(shared, dialect)];
          expect(free.text, dialect.id).toBe(placed.text);
          expect(free.sentLimiters).toEqual(placed.sentLimiters);
          expect(free.steps).toEqual(placed.steps);
          expect(free.whole).toBe(placed.whole);
          expect(free.problems.map(({ code }) => code)).toEqual(placed.problems.map(({ code }) => code));
        }
      }),
      { numRuns: 200 },
    );
  });
});
