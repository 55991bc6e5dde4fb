import '@angular/compiler';
import { Injector, signal } from '@angular/core';
import { describe, expect, it } from 'vitest';
import { DIALECTS, writeQuery } from '#core/dialect/index';
import { createProject, type Concept, type Working } from '#core/project/index';
import { printQuery, type QueryNode } from '#core/query/index';
import { createState } from '../testing/counts';
import { Counts } from '../counting/counts';
import { WrittenQueries } from '../counting/written-queries';
import { DraftCounts } from '../counting/draft-counts';
import { OpenProject } from '../state/open-project';
import { TopicNumbers } from './topic-numbers';

const dialect = DIALECTS[0]!;
const concept = (id: string, ...texts: string[]): Concept => ({
  id,
  name: id,
  block: id,
  off: false,
  terms: texts.map((text, at) => ({
    id: `${id}${at}`,
    text: text.replace(/^-/, ''),
    off: text.startsWith('-'),
  })),
});

/** Numbers over counts that are simply told; what is asked for is noted in its order. */
function createNumbers(
  concepts: readonly Concept[],
  draft: string,
  told: Record<string, number | 'estimate'> = {},
) {
  const base = createProject('p', 'P', '2026-01-01T00:00:00.000Z', [dialect.id]).working;
  const working = signal<Working>({ ...base, concepts, draft });
  const later: string[] = [];
  const known = new Map<string, ReturnType<typeof countAnew>>();
  const count = (root: QueryNode) => {
    const text = printQuery(root);
    const counted = known.get(text) ?? countAnew(root, text);
    known.set(text, counted);
    return counted;
  };
  const countAnew = (root: QueryNode, text: string) => {
    const total = told[text];
    const countKey = { database: dialect.id, string: text, sentLimiters: {} };
    const rendering = writeQuery(root, dialect);
    const shared = { root, rendering, limiters: {}, missingLimiters: [] };
    if (text === '()') return { ...shared, countKey: undefined, state: { status: 'empty' } };
    if (total === undefined) return { ...shared, countKey, state: { status: 'waiting' } };
    const state = total === 'estimate' ? createState(100, true) : createState(total);
    return { ...shared, countKey, state };
  };
  const counts = {
    look: count,
    lookIfWritten: count,
    findCountKey: (root: QueryNode) => count(root).countKey,
    findKeyLater: (root: QueryNode) => {
      later.push(printQuery(root));
      return count(root).countKey;
    },
    dropLater: () => later.splice(0),
  };
  const numbers = Injector.create({
    providers: [
      TopicNumbers,
      DraftCounts,
      { provide: Counts, useValue: counts },
      { provide: WrittenQueries, useValue: counts },
      { provide: OpenProject, useValue: { working, dialects: () => [dialect], limiters: () => ({}) } },
    ],
  }).get(TopicNumbers);
  const describeTerm = (at: number) => {
    const [questions] = numbers.questions();
    return numbers.describe(questions!.terms[at]!, questions!.whole, [dialect])[0];
  };
  return { numbers, later, describeTerm, forget: () => void known.clear() };
}

/** A difference that is exactly known. */
const is = (difference: number) => ({ kind: 'difference', least: difference, greatest: difference });

describe('the numbers of a term', () => {
  const told = {
    bat: 10,
    'bat OR bats': 14,
    bats: 9,
    'lamp AND (bat OR bats)': 6,
    'lamp AND bats': 5,
    lamp: 50,
  };
  const bats = concept('bats', 'bat', 'bats');
  const lamps = concept('lamps', 'lamp');
  const create = (more: Record<string, number | 'estimate'> = {}) =>
    createNumbers([bats, lamps], '@lamps AND @bats', { ...told, ...more });

  it('are differences of the whole and the whole without it', () => {
    expect(create().describeTerm(0)).toMatchObject({ only: is(5), draft: is(1) });
  });

  it('are absent while a part is missing or an estimate', () => {
    expect(create().describeTerm(1)).toMatchObject({ only: is(4), draft: { kind: 'none', why: 'pending' } });
    expect(create({ 'bat OR bats': 'estimate' }).describeTerm(0)).toMatchObject({
      only: { kind: 'none', why: 'estimated' },
      draft: is(1),
    });
    expect(create({ bats: 'estimate' }).describeTerm(0)).toMatchObject({
      only: { kind: 'none', why: 'estimated' },
    });
  });

  it('of the last term are all that the concept finds', () => {
    const alone = createNumbers([concept('bats', 'bat', '-bats')], '@bats', { bat: 10 });
    expect(alone.describeTerm(0)).toMatchObject({ only: is(10), draft: is(10) });
    expect(alone.describeTerm(1)).toMatchObject({ only: undefined, draft: undefined });
  });
});

describe('numbers that are told again', () => {
  it('are the same value while none of them has changed', () => {
    const told: Record<string, number> = { bat: 10, bats: 9, 'bat OR bats': 14 };
    const { numbers, describeTerm, forget } = createNumbers([concept('bats', 'bat', 'bats')], '@bats', told);
    const [bat] = numbers.questions()[0]!.terms;
    const first = describeTerm(0);
    expect(describeTerm(0)).toBe(first);
    told['bats'] = 8;
    forget();
    expect(describeTerm(0)).not.toBe(first);
    expect(describeTerm(0)).toMatchObject({ only: is(6) });
    expect(numbers.findsOf(bat!.term, dialect.id)).toBe(10);
    expect(numbers.findsOf(bat!.term, 'elsewhere')).toBeUndefined();
  });
});

describe('what is asked for', () => {
  const large = (count: number) => concept('a', ...Array.from({ length: count }, (_, at) => `word${at}`));

  it('begins with the lines in sight', () => {
    const { numbers } = createNumbers([large(40)], '@a');
    numbers.setRange('a', { start: 30, end: 33 });
    const strings = numbers.asked().map(({ string }) => string);
    expect(strings.slice(1, 5)).toEqual(['word30', 'word31', 'word32', 'word0']);
    expect(strings).toHaveLength(1 + 40 + 80);
  });

  it('leaves what only a term brings to the lines in sight in a large project', () => {
    const { numbers, later } = createNumbers([large(160)], '@a');
    numbers.setRange('a', { start: 100, end: 110 });
    numbers.asked();
    expect(later).toHaveLength(20);
  });
});
