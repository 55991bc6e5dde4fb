import { expect, it } from 'vitest';
import { createProblem } from '#core/problem/index';
import { describeGap } from './count-gap';
import type { CountState } from './count-state';

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

it('gives bounds where only bounds are known', () => {
  const between = (total: number, upTo: number): CountState =>
    ({ ...counted(total, true), upTo }) as CountState;
  expect(describeGap(between(170, 276), counted(100), false)).toBe('+70 to +176');
  expect(describeGap(between(170, 276), counted(300), false)).toBe('−130 to −24');
  expect(describeGap(between(170, 276), counted(200), false)).toBe('cannot tell');
  expect(describeGap(between(10, 20), between(30, 50), false)).toBe('−40 to −10');
});
