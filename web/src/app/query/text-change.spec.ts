import fc from 'fast-check';
import { expect, it } from 'vitest';
import { findTextChange } from './text-change';

it('says what was taken out and put in', () => {
  expect(findTextChange('a AND b OR c', 'a AND (b OR c)')).toEqual({
    start: 'a AND ',
    removed: 'b OR c',
    added: '(b OR c)',
    end: '',
  });
  expect(findTextChange('same', 'same')).toBeUndefined();
});

it('with short texts, makes the one of the other', () => {
  const short = fc.string({ maxLength: 30 });
  fc.assert(
    fc.property(short, short, (before, after) => {
      const change = findTextChange(before, after);
      if (!change) return before === after;
      const { start, removed, added, end } = change;
      return start + removed + end === before && start + added + end === after;
    }),
  );
});
