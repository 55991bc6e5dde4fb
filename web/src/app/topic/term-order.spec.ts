import { describe, expect, it } from 'vitest';
import { sortTerms } from './term-order';
import { SORTINGS, SORTING_NAMES, type TermView } from './topic-views';

const view = (text: string, kind: TermView['kind']): TermView => ({
  term: { id: text, text, off: false },
  kind,
  numbers: [],
  marks: [],
});
const terms = [view('lamp', 'word'), view('ALAN', 'acronym'), view('bat*', 'truncated word')];
const numbers: Record<string, { finds: number; only: number; draft: number }> = {
  lamp: { finds: 5, only: 1, draft: 0 },
  ALAN: { finds: 9, only: 0, draft: 3 },
  'bat*': { finds: -1, only: 7, draft: 2 },
};
const order = (sorting: (typeof SORTINGS)[number]) =>
  sortTerms(terms, sorting, ({ term }) => numbers[term.text]!).map(({ term }) => term.text);

describe('the order of terms', () => {
  it.each([
    ['hand', ['lamp', 'ALAN', 'bat*']],
    ['finds', ['ALAN', 'lamp', 'bat*']],
    ['only', ['bat*', 'lamp', 'ALAN']],
    ['draft', ['ALAN', 'bat*', 'lamp']],
    ['text', ['ALAN', 'bat*', 'lamp']],
    ['kind', ['ALAN', 'bat*', 'lamp']],
  ] as const)('by %s', (sorting, expected) => {
    expect(order(sorting)).toEqual(expected);
  });

  it('by hand is never changed by another one', () => {
    for (const sorting of SORTINGS) {
      order(sorting);
      expect(SORTING_NAMES[sorting]).not.toBe('');
    }
    expect(terms.map(({ term }) => term.text)).toEqual(['lamp', 'ALAN', 'bat*']);
  });
});
