import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseQuery, printQuery } from '../../query';
import { checkDialect } from '../form';
import type { Dialect } from '../profile';
import { DIALECTS, OPEN_DIALECTS, OWN_RECORDS, TEMPLATE_DIALECTS, findDialect } from '../profile';
import { readString } from '../read';
import { writeQuery } from '../write';
import { learnDialect } from './learn-dialect';

const [base] = TEMPLATE_DIALECTS as [Dialect];
const QUERIES = [
  '(bat OR bats OR chiroptera) AND (lamp OR "street light")',
  'title: bat AND abstract: "street light"',
  'bat* AND lamp* NOT cricket',
  'wom?n OR (title: (bat OR lamp) AND road)',
  'bat WITHIN 3 road AND (a OR b)',
  'keywords: bats OR author: muster',
];
const HELD_OUT = [
  '(hedge OR hedgerow) AND ("warm lamp" OR amber)',
  'title: road AND (abstract: tree OR abstract: line)',
  'flight NOT (plane OR "air traffic")',
];
const write = (query: string, dialect: Dialect): string[] =>
  writeQuery(parseQuery(query).root, dialect)
    .parts.slice(0, 1)
    .map(({ text }) => text);
const listExamples = (dialect: Dialect): string[] => QUERIES.flatMap((query) => write(query, dialect));
const isFaulty = (text: string, dialect: Dialect): boolean =>
  readString(text, dialect).problems.some(({ severity }) => severity === 'error');

/** All but those whose nearness is none of the forms that are looked for. */
const LEARNABLE = [...DIALECTS, ...OPEN_DIALECTS, ...TEMPLATE_DIALECTS, OWN_RECORDS].filter(({ proximity }) =>
  proximity.every(({ form }) => !form.includes('prox/')),
);

describe.each(LEARNABLE.map((dialect) => ({ id: dialect.id, dialect })))(
  'from six strings of $id',
  ({ dialect }) => {
    const lesson = learnDialect(listExamples(dialect), base);

    it('a sound dialect is proposed that reads all of them', () => {
      expect(checkDialect(lesson.dialect).problems).toEqual([]);
      expect(lesson.readings.map(({ faults }) => faults)).toEqual(lesson.readings.map(() => 0));
    });

    it('the operators, the mark of fields and the signs are told', () => {
      expect(lesson.dialect.operators.and.write).toBe(dialect.operators.and.write);
      expect(lesson.dialect.operators.or.write).toBe(dialect.operators.or.write);
      expect(lesson.dialect.operators.not.write).toBe(dialect.operators.not.write);
      expect(lesson.dialect.exclusion).toBe(dialect.exclusion);
      if (Object.keys(dialect.fields.codes).length > 0)
        expect(lesson.dialect.fields.mark).toBe(dialect.fields.mark);
      for (const [field, code] of Object.entries(lesson.dialect.fields.codes))
        expect(dialect.fields.codes[field as 'title']).toBe(code);
      const signs = (one: Dialect): unknown[] => [one.wildcards.any?.sign, one.wildcards.one?.sign];
      for (const [at, sign] of signs(lesson.dialect).entries())
        if (sign !== undefined) expect(sign).toBe(signs(dialect)[at]);
    });

    it('other strings are read as they are meant', () => {
      // Which operator binds tighter is a question that a one-box dialect answers otherwise than most.
      const answered = learnDialect(listExamples(dialect), base, {
        precedence: dialect.operators.and.write === '' ? 'or' : 'and',
      });
      for (const query of HELD_OUT) {
        for (const text of write(query, dialect)) {
          expect(isFaulty(text, answered.dialect), text).toBe(false);
          expect(printQuery(readString(text, answered.dialect).root), text).toBe(
            printQuery(readString(text, dialect).root),
          );
        }
      }
    });
  },
);

describe('questions', () => {
  it('are asked where the strings leave something open, and the answers change the proposal', () => {
    const texts = ['bat NEXT/3 road', 'zz:bat MINUS cricket', 'bat$ AND a b'];
    const open = learnDialect(texts, base);
    expect(open.questions.map(({ id }) => id)).toEqual([
      'word MINUS',
      'sign $',
      'near-counts {a} NEXT/{n} {b}',
      'near-order {a} NEXT/{n} {b}',
      'field zz',
      'unmarked',
      'side-by-side',
    ]);
    const { dialect, readings } = learnDialect(texts, base, {
      'word MINUS': 'not',
      'field zz': 'title',
      'sign $': 'one',
      'near-counts {a} NEXT/{n} {b}': 'difference',
      'near-order {a} NEXT/{n} {b}': 'written',
      'side-by-side': 'phrase',
      unmarked: 'text',
    });
    expect(dialect.proximity).toMatchObject([
      { form: '{a} NEXT/{n} {b}', counts: 'difference', ordered: true },
    ]);
    expect(dialect.fields).toMatchObject({ codes: { title: 'zz' }, unmarked: ['text'] });
    expect(readings.map(({ faults, meaning }) => [faults, meaning])).toEqual([
      [0, 'text: (bat BEFORE 3 road)'],
      [0, 'title: bat NOT text: cricket'],
      [0, 'text: (bat? AND "a b")'],
    ]);
  });

  it('that were answered with nonsense are as if they were not', () => {
    expect(learnDialect(['bat$'], base, { 'sign $': 'elsewhere' })).toEqual(learnDialect(['bat$'], base));
  });

  it('of what binds tighter are asked only where it matters', () => {
    const ids = (text: string): string[] => learnDialect([text], base).questions.map(({ id }) => id);
    expect(ids('a AND (b OR c)')).not.toContain('precedence');
    expect(ids('a AND b OR c')).toContain('precedence');
    expect(ids('(x OR y AND z)')).toContain('precedence');
  });
});

it('whatever is pasted, a sound dialect comes of it', () => {
  const piece = fc.oneof(
    fc.constantFrom(
      'AND',
      'OR',
      'not',
      '(',
      ')',
      '"',
      'ti:',
      '[ti]',
      '=',
      '~3',
      'NEAR/2',
      '*',
      '?',
      'bat',
      '-lamp',
      '{x}',
      '.ab.',
    ),
    fc.string({ maxLength: 6 }),
  );
  const example = fc.array(piece, { maxLength: 12 }).map((pieces) => pieces.join(' '));
  fc.assert(
    fc.property(fc.array(example, { maxLength: 4 }), (examples) => {
      const { dialect, readings } = learnDialect(examples, findDialect('heronsmere') ?? base);
      expect(checkDialect(dialect).problems.map(({ data }) => data['path'])).toEqual([]);
      expect(readings.length).toBeLessThanOrEqual(examples.length);
    }),
    { numRuns: 500, endOnFailure: true },
  );
});
