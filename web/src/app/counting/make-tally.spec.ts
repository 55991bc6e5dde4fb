import { createState } from '../testing/counts';
import { expect, it } from 'vitest';
import { DIALECTS, writeQuery } from '#core/dialect/index';
import { createProblem } from '#core/problem/index';
import { parseQuery } from '#core/query/index';
import type { CountState } from './count-state';
import { makeTally } from './make-tally';

const dialect = DIALECTS[0]!;
const { root } = parseQuery('bat');
const counted = { root, rendering: writeQuery(root, dialect), limiters: {}, missingLimiters: [] };
const countKey = { database: dialect.id, string: 'bat', sentLimiters: {} };
const place = { createId: () => 'id', moment: '2026-03-01T00:00:00.000Z', limiters: {}, state: 's' };
const make = (state: CountState) => makeTally(dialect, { ...counted, countKey, state }, place);

it('a count that is there becomes a tally with its string, limiters, moment, time and state', () => {
  expect(make({ ...createState(3, true), milliseconds: 12 } as CountState)).toEqual([
    {
      id: 'id',
      database: dialect.id,
      string: 'bat',
      limiters: {},
      moment: '2026-03-01T00:00:00.000Z',
      total: 3,
      estimated: true,
      source: 'measured',
      milliseconds: 12,
      state: 's',
    },
  ]);
});

it('of which only bounds are known keeps both', () => {
  expect(make(createState(3, false, 8))).toMatchObject([{ total: 3, estimated: false, upTo: 8 }]);
});

it('no count that is on its way or has failed is ever kept', () => {
  expect(make({ status: 'waiting' })).toEqual([]);
  expect(
    make({ status: 'failed', problem: createProblem('session-ended', 'error', { database: 'x' }) }),
  ).toEqual([]);
  expect(makeTally(dialect, { ...counted, countKey: undefined, state: { status: 'empty' } }, place)).toEqual(
    [],
  );
});
