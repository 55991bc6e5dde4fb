import { describe, expect, it } from 'vitest';
import type { Limiters } from '#core/limiter/index';
import { findDialect, writeQuery } from '#core/dialect/index';
import { createProblem } from '#core/problem/index';
import { parseQuery } from '#core/query/index';
import { createState } from '../testing/counts';
import type { CountState, Counted } from './count-state';
import { describeBasis, describeCell, describeGap, describeLimiterGap } from './describe-count';
import { findsNothing, readCount } from './read-count';

function count(
  text: string,
  database: string,
  state: CountState = createState(3),
  limiters: Limiters = {},
): Counted {
  const { root } = parseQuery(text);
  const rendering = writeQuery(root, findDialect(database)!, { limiters });
  const missingLimiters = rendering.steps.flatMap(({ limiter, how }) => (how === 'none' ? [limiter] : []));
  return { root, rendering, countKey: undefined, state, limiters, missingLimiters };
}

describe('what a count is not quite', () => {
  it.each([
    ['bat', 'heronsmere', {}, []],
    ['bats NOT keywords: light', 'heronsmere', {}, []],
    ['bats NOT affiliation: kew', 'heronsmere', {}, ['without affiliation: kew']],
    ['bats NOT affiliation: kew', 'marlstone', {}, ['affiliation: searched anywhere']],
    ['firstauthor: moss', 'gantry', {}, ['any author']],
    ['firstauthor: moss AND affiliation: kew', 'heronsmere', {}, ['any author', 'without affiliation: kew']],
    ['bat', 'cardinal', { peerReviewed: true }, ['without peer-reviewed']],
    ['bat', 'heronsmere', { peerReviewed: true }, []],
  ] as const)('%s in %s under %j: %j', (text, database, limiters, words) => {
    expect(describeBasis(count(text, database, createState(3), limiters)).sort()).toEqual([...words].sort());
  });

  it('is that it was searched in the full text', () => {
    const one = count('bat', 'marlstone');
    expect(describeBasis({ ...one, rendering: { ...one.rendering, withoutFields: true } })).toEqual([
      'in the full text',
    ]);
  });
});

describe('two counts in words', () => {
  const bat = (total: number): Counted => count('bat', 'heronsmere', createState(total));

  it('are a difference, a range, or why there is none', () => {
    expect(describeGap(bat(318), bat(277))).toBe('+41');
    expect(describeGap(bat(277), bat(318))).toBe('−41');
    expect(describeGap(count('bat', 'heronsmere', createState(170, false, 276)), bat(100))).toBe(
      '+70 to +176',
    );
    expect(describeGap(count('bat', 'heronsmere', createState(170, false, 276)), bat(200))).toBe(
      'cannot tell',
    );
    expect(describeGap(count('bat', 'heronsmere', createState(170, true)), bat(20))).toBe('cannot tell');
    expect(describeGap(count('bat NOT affiliation: kew', 'heronsmere'), bat(2))).toBe('a part left out');
  });

  it('say nothing while one is missing, and name other limiters unless these are what was changed', () => {
    expect(describeGap(count('bat', 'heronsmere', { status: 'waiting' }), bat(3))).toBe('');
    expect(describeGap(undefined, bat(3))).toBe('');
    const limited = count('bat', 'heronsmere', createState(101), { years: { from: 2020 } });
    expect(describeGap(limited, bat(202))).toBe('−101, other limiters');
    expect(describeLimiterGap(readCount(limited), readCount(bat(202)))).toBe('−101');
    const missing = count('bat', 'cardinal', createState(3), { peerReviewed: true });
    expect(describeGap(missing, count('bat', 'cardinal'))).toBe('a limiter missing');
  });
});

describe('nothing to count', () => {
  const refused = (database: string): CountState => ({
    status: 'failed',
    problem: createProblem('nothing-to-send', 'error', { database }),
  });

  it('is nothing without asking, where the database has nothing of it', () => {
    const elsewhere = count('heading(heronsmere): "Bats"', 'gantry', refused('gantry'));
    expect(findsNothing(elsewhere)).toBe(true);
    expect(readCount(elsewhere)).toMatchObject({ status: 'known', amount: { kind: 'exact', total: 0 } });
    expect(readCount(count('', 'gantry', { status: 'empty' }))).toMatchObject({ status: 'known' });
  });

  it('is no count where the database cannot search it', () => {
    const unsaid = count('affiliation: kew', 'heronsmere', refused('heronsmere'));
    expect(findsNothing(unsaid)).toBe(false);
    expect(readCount(unsaid)).toEqual({ status: 'none' });
    const byHand = createProblem('count-by-hand', 'warning', { database: 'x' });
    expect(readCount(count('bat', 'heronsmere', { status: 'failed', problem: byHand })).status).toBe(
      'pending',
    );
  });
});

describe('a count as a cell of a table', () => {
  it.each([
    [undefined, 'not counted'],
    [count('bat', 'heronsmere', { status: 'waiting' }), 'not counted'],
    [count('bat', 'heronsmere', { status: 'empty' }), 'nothing to count'],
    [count('bat', 'heronsmere'), 3],
    [count('bats NOT affiliation: kew', 'heronsmere'), '3 (without affiliation: kew)'],
  ])('case %#', (counted, cell) => {
    expect(describeCell(counted)).toBe(cell);
  });

  it('says why there is none', () => {
    const problem = createProblem('service-failed', 'error', { database: 'Heronsmere' });
    expect(describeCell(count('bat', 'heronsmere', { status: 'failed', problem }))).toContain('Heronsmere');
  });
});
