import { describe, expect, it } from 'vitest';
import { DIALECTS, writeQuery } from '#core/dialect/index';
import { createProblem } from '#core/problem/index';
import { parseQuery } from '#core/query/index';
import { readExact, reachesAlike, subtractCounts } from './compare-counts';
import type { CountState, Counted } from './count-state';

const rendering = writeQuery(parseQuery('bat').root, DIALECTS[0]!);
const make = (state: CountState, withoutFields = false): Counted => ({
  rendering: withoutFields ? { ...rendering, withoutFields: true } : rendering,
  wish: undefined,
  state,
});
const counted = (total: number, estimated = false): CountState => ({ status: 'counted', total, estimated });

describe('counts that are subtracted', () => {
  it('are exact ones, and what finds nothing because nothing is left', () => {
    expect(subtractCounts(make(counted(318)), make(counted(277)))).toBe(41);
    expect(subtractCounts(make(counted(318)), make({ status: 'empty' }))).toBe(318);
    const nothing = createProblem('nothing-to-send', 'error', { database: 'x' });
    expect(readExact(make({ status: 'failed', problem: nothing }))).toBe(0);
  });

  it('are none that are estimated, on their way or failed', () => {
    const gone = createProblem('service-gone', 'error');
    for (const state of [
      counted(3, true),
      { status: 'waiting' },
      { status: 'failed', problem: gone },
    ] as const) {
      expect(subtractCounts(make(counted(5)), make(state))).toBeUndefined();
      expect(subtractCounts(make(state), make(counted(5)))).toBeUndefined();
    }
    expect(subtractCounts(undefined, make(counted(5)))).toBeUndefined();
  });

  it('search in the same fields: one made without them means something wider', () => {
    const wide = make(counted(900), true);
    expect(subtractCounts(wide, make(counted(5)))).toBeUndefined();
    expect(reachesAlike(wide, make(counted(5)))).toBe(false);
    expect(subtractCounts(wide, make(counted(5), true))).toBe(895);
    expect(reachesAlike(undefined, wide)).toBe(true);
  });
});
