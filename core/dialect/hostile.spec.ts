import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { build, createPattern, isSameQuery, parseQuery, printQuery, withIds, type QueryNode } from '../query';
import { satisfies } from '../testing/naive-evaluator';
import { DIALECTS, OPEN_DIALECTS, TEMPLATE_DIALECTS, findDialect } from './profile';
import { readString } from './read';
import { writeQuery } from './write';

/** Words that mean something in one dialect or another. */
const HOSTILE = [
  'and',
  'or',
  'not',
  'AND',
  'OR',
  'NOT',
  'except',
  'near',
  'within',
  'prox',
  'sortby',
  'in',
  'to',
  'years',
  'title',
  'published',
  'line',
  'set',
  'the',
  'bat',
];
const term = fc.constantFrom(...HOSTILE).map((word) => build.term(createPattern(word)));
const phrase = fc
  .array(fc.constantFrom(...HOSTILE), { minLength: 2, maxLength: 3 })
  .map((words) => build.phrase(...words.map(createPattern)));
const query: fc.Arbitrary<QueryNode> = fc.letrec<{ node: QueryNode }>((tie) => ({
  node: fc.oneof(
    { maxDepth: 3, depthSize: 'small' },
    { weight: 3, arbitrary: fc.oneof(term, phrase) },
    fc.array(tie('node'), { minLength: 2, maxLength: 3 }).map((items) => build.or(...items)),
    fc.array(tie('node'), { minLength: 2, maxLength: 3 }).map((items) => build.and(...items)),
    fc.tuple(tie('node'), tie('node')).map(([include, exclude]) => build.not(include, exclude)),
    tie('node').map((item) => build.fielded(['title'], item)),
  ),
})).node;
const documents = fc.array(
  fc.record({
    title: fc.array(fc.constantFrom(...HOSTILE), { minLength: 1, maxLength: 5 }),
    abstract: fc.array(fc.constantFrom(...HOSTILE), { minLength: 1, maxLength: 5 }),
  }),
  { minLength: 1, maxLength: 6 },
);

describe.each(
  [...DIALECTS, ...OPEN_DIALECTS, ...TEMPLATE_DIALECTS].map((dialect) => ({ id: dialect.id, dialect })),
)('$id and hostile content', ({ dialect }) => {
  it('words that are operators elsewhere come back as words', () => {
    fc.assert(
      fc.property(query, documents, (tree, values) => {
        const root = withIds(tree);
        const rendering = writeQuery(root, dialect);
        if (rendering.problems.length > 0) return;
        const read = rendering.parts.map(({ text }) => readString(text, dialect));
        const story = `${printQuery(root)} as ${rendering.text}`;
        expect(
          read.flatMap(({ problems }) => problems.filter(({ severity }) => severity === 'error')),
          story,
        ).toEqual([]);
        if (rendering.whole !== 'same') return;
        const back = build.or(...read.map((one) => one.root));
        for (const { title, abstract } of values) {
          const document = { values: { title: [title.join(' ')], abstract: [abstract.join(' ')] }, keys: [] };
          expect(satisfies(document, back), story).toBe(satisfies(document, root));
        }
      }),
      { numRuns: 300, endOnFailure: true },
    );
  });

  it('any string is read, with a problem where it is not understood', () => {
    const signs = fc.constantFrom(
      '(',
      ')',
      '"',
      '\\',
      '*',
      '?',
      '<',
      '>',
      '=',
      ':',
      '{',
      '}',
      '-',
      '|',
      ',',
      'and',
      'NEAR(3:',
      'in(',
      'bat',
      ' ',
      '🦇',
      '\u0000',
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ unit: 'binary' }),
          fc.array(signs).map((parts) => parts.join('')),
        ),
        (text) => {
          const { root, problems } = readString(text, dialect);
          expect(
            parseQuery(printQuery(root)).problems.filter(({ severity }) => severity === 'error'),
          ).toEqual([]);
          for (const { span } of problems)
            expect(span === undefined || (span.start <= span.end && span.end <= text.length)).toBe(true);
        },
      ),
      { numRuns: 300, endOnFailure: true },
    );
  });
});

it('a term of 60 KiB is written and read back where no length is set', () => {
  const long = 'a'.repeat(60 * 1024);
  const root = withIds(build.or(build.term(createPattern(long)), build.term(createPattern('bat'))));
  for (const id of ['heronsmere', 'northern']) {
    const dialect = findDialect(id)!;
    const { text } = writeQuery(root, dialect);
    expect(isSameQuery(readString(text, dialect).root, root)).toBe(true);
  }
  expect(writeQuery(root, findDialect('gantry')!).problems.map(({ code }) => code)).toEqual([
    'string-too-long',
  ]);
});

it('labels with quotation marks, wildcards and backslashes come back where they can be escaped', () => {
  for (const label of ['say "bats"', 'C:\\bats', 'bats*', 'what?', '"', '(bats) and owls']) {
    const root = build.heading(label, 'heading', 'northern');
    const dialect = findDialect('northern')!;
    const { text } = writeQuery(withIds(root), dialect);
    const back = readString(text, dialect);
    expect(back.problems).toEqual([]);
    expect(back.root).toMatchObject({ kind: 'heading', label });
  }
});
