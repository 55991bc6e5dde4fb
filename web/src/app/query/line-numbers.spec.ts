import { expect, it } from 'vitest';
import { numberLines, readLine } from './line-numbers';

const names = ['bats', 'light', 'line-3'];

it.each([
  ['1 AND 2', '@bats AND @light'],
  ['(1 OR 2) NOT 3', '(@bats OR @light) NOT @line-3'],
  ['1 AND 9', '@bats AND 9'],
  ['a WITHIN 2 b AND 2', 'a WITHIN 2 b AND @light'],
  ['"1 2" AND 1', '"1 2" AND @bats'],
  ['2700K AND 1', '2700K AND @bats'],
])('%s is %s', (typed, text) => {
  expect(readLine(typed, names)).toBe(text);
});

it('numbers are shown by the places of the lines, and follow them', () => {
  expect(numberLines('@bats AND @line-3 OR @other', names)).toBe('1 AND 3 OR @other');
  expect(numberLines('@bats AND @light', ['light', 'bats'])).toBe('2 AND 1');
});
