import { describe, expect, it } from 'vitest';
import { findDialect } from '#core/dialect/index';
import { planProof } from '#core/proof/index';
import { parseQuery } from '#core/query/index';
import { describeProof, listPieceCosts, listSharedDifferences } from './differences';
import type { ProofState } from './proofs';
import { writeStringsDocument } from './strings-document';

const difference = (...numbers: number[]) => ({ total: numbers.length, numbers });
const NONE = difference();
const prove = (query: string, id: string, swaps: { gained: number[]; lost: number[] }[]): ProofState => ({
  status: 'proved',
  plan: planProof(parseQuery(query).root, findDialect(id)!)!,
  answer: {
    wanted: 10,
    found: 12,
    gained: difference(1, 2),
    lost: NONE,
    swaps: swaps.map(({ gained, lost }) => ({ gained: difference(...gained), lost: difference(...lost) })),
    together: { gained: NONE, lost: NONE },
  },
});

describe('what could not be said', () => {
  it('stands at its piece with its reason and its cost', () => {
    const state = prove('bat AND (flight WITHIN 3 path)', 'heronsmere', [{ gained: [1, 2], lost: [] }]);
    expect(listPieceCosts(state)).toMatchObject([
      {
        piece: 'flight WITHIN 3 path',
        reason: 'no proximity search: both may stand anywhere',
        isHarmless: false,
        gained: { total: 2 },
      },
    ]);
    expect(listPieceCosts(undefined)).toEqual([]);
  });

  it('takes a heading of another thesaurus for harmless while it costs nothing', () => {
    const query = 'bat OR heading(gantry): "Street lighting"';
    expect(listPieceCosts(prove(query, 'heronsmere', [{ gained: [], lost: [] }]))[0]?.isHarmless).toBe(true);
    expect(listPieceCosts(prove(query, 'heronsmere', [{ gained: [], lost: [3] }]))[0]?.isHarmless).toBe(
      false,
    );
  });

  it('is listed once for all databases, the costliest first', () => {
    const cost = (piece: string, gained: number[], lost: number[]) => ({
      node: piece,
      piece,
      reason: 'why',
      isHarmless: false,
      gained: difference(...gained),
      lost: difference(...lost),
    });
    const shared = listSharedDifferences([
      { name: 'A', costs: [cost('x', [1], []), cost('y', [1, 2], [3])] },
      { name: 'B', costs: [cost('y', [], [4])] },
    ]);
    expect(
      shared.map(({ piece, databases }) => [piece, ...databases.map(({ cost: words }) => words)]),
    ).toEqual([
      ['y', '+2 −1', '−1'],
      ['x', '+1'],
    ]);
    const open = { ...cost('z', [], []), gained: undefined, lost: undefined };
    expect(listSharedDifferences([{ name: 'A', costs: [open] }])[0]?.databases[0]?.cost).toBe('');
  });

  it('is summed up in words', () => {
    const same = {
      wanted: 3,
      found: 3,
      gained: NONE,
      lost: NONE,
      swaps: [],
      together: { gained: NONE, lost: NONE },
    };
    expect(describeProof(same, false)).toBe('proved: the same 3 records');
    expect(describeProof(same, true)).toBe('proved without the limiters: the same 3 records');
    expect(describeProof({ ...same, wanted: 1, found: 1 }, false)).toBe('proved: the same record');
    expect(describeProof({ ...same, found: 4, gained: difference(1) }, true)).toBe(
      'finds 4 without the limiters, meant 3',
    );
  });
});

it('writes all strings into one document, each as it is to be pasted', () => {
  const text = writeStringsDocument('Bats', '2026-11-24', 'Do lamps matter?', [
    {
      name: 'A',
      parts: ['x ``` y'],
      steps: [{ limiter: 'fullText', how: 'box', value: 'full text' }],
      remarks: ['finds the same'],
    },
    { name: 'B', parts: ['one', 'two'], steps: [], remarks: [] },
  ]);
  expect(text).toContain('````\nx ``` y\n````\n\n- finds the same\n- Tick on its page: full text');
  expect(text).toContain('Part 2 of 2:\n\n```\ntwo\n```');
});
