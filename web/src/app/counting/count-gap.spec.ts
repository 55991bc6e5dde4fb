import { expect, it } from 'vitest';
import { createProblem } from '#core/problem/index';
import { describeGap } from './count-gap';
import type { CountState } from './count-store';

const counted = (total: number, estimated = false): CountState => ({ status: 'counted', total, estimated });

it('gives a difference only of counts made on equal terms', () => {
  expect(describeGap(counted(318), counted(277), false)).toBe('+41');
  expect(describeGap(counted(277), counted(318), false)).toBe('−41');
  expect(describeGap(counted(318), counted(277), true)).toBe('other limiters');
});

it('gives none while a count is on its way or has failed', () => {
  expect(describeGap({ status: 'waiting' }, counted(1), false)).toBe('');
  expect(
    describeGap(counted(1), { status: 'failed', problem: createProblem('service-gone', 'error') }, false),
  ).toBe('');
  expect(describeGap(undefined, undefined, false)).toBe('');
});

it('takes the difference of estimates for an estimate, and equal estimates for no proof', () => {
  expect(describeGap(counted(15_200, true), counted(14_900), false)).toBe('≈+300');
  expect(describeGap(counted(15_200, true), counted(15_200, true), false)).toBe('cannot tell');
});
