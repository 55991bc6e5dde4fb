import { describe, expect, it } from 'vitest';
import type { Variant } from '#core/project/index';
import { countAncestors, describeSince, sortByDescent } from './variant-order';

const state = (draft: string) => ({ concepts: [], blocks: [], draft, limiters: {}, databases: [] });
const variant = (id: string, parent?: string): Variant => ({
  id,
  name: id,
  note: '',
  moment: '2026-03-01T00:00:00.000Z',
  frozen: state(id),
  ...(parent !== undefined && { parent }),
});

describe('the order of variants', () => {
  it('puts parents before what was made from them, and keeps those whose parent is gone', () => {
    const all = [variant('c', 'b'), variant('a'), variant('b', 'a'), variant('x', 'gone'), variant('d', 'a')];
    expect(sortByDescent(all).map(({ id }) => id)).toEqual(['a', 'b', 'c', 'd', 'x']);
    expect(all.map((one) => countAncestors(one, all))).toEqual([2, 0, 1, 0, 1]);
  });

  it('loses none in a circle and ends', () => {
    const circle = [variant('a', 'b'), variant('b', 'a')];
    expect(sortByDescent(circle)).toHaveLength(2);
    expect(countAncestors(circle[0]!, circle)).toBe(1);
  });

  it('says what changed, the first few by name', () => {
    expect(describeSince(state('bat'), state('bat'))).toBe('nothing changed');
    expect(describeSince(state('bat'), state('lamp'))).toBe('query: lamp');
  });
});
