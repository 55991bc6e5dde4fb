import { describe, expect, it } from 'vitest';
import { createProject, type Concept, type Working } from '../../project';
import { countDifferences, describeDifference } from './variant-difference';

const bats: Concept = {
  id: 'c',
  name: 'Bats',
  block: 'bats',
  off: false,
  terms: [
    { id: 't1', text: 'bat', off: false },
    { id: 't2', text: 'bats', off: false },
  ],
};
const make = (concept: Concept, more: Partial<Working> = {}): Working => ({
  ...createProject('p', 'p', '2026-03-01T00:00:00.000Z', ['heronsmere']).working,
  concepts: [concept],
  draft: '@bats',
  ...more,
});
const compare = (after: Working) => describeDifference(make(bats), after);
const none = { added: [], removed: [], other: [] };

describe('what changed from one state to another', () => {
  it('is nothing for the same state', () => {
    expect(compare(make(bats))).toEqual(none);
    expect(countDifferences(compare(make(bats)))).toBe(0);
  });

  it('are terms that came, went, were switched off or meant for some databases', () => {
    const [first, second] = bats.terms as [Concept['terms'][number], Concept['terms'][number]];
    const more = { id: 't3', text: 'noctule*', off: false };
    expect(compare(make({ ...bats, terms: [first, more] }))).toEqual({
      ...none,
      added: ['noctule* to Bats'],
      removed: ['bats of Bats'],
    });
    expect(compare(make({ ...bats, terms: [first, { ...second, off: true }] }))).toEqual({
      ...none,
      removed: ['bats of Bats'],
    });
    expect(compare(make({ ...bats, terms: [first, { ...second, databases: ['gantry'] }] }))).toEqual({
      ...none,
      added: ['bats (only in Gantry Engineering Abstracts) to Bats'],
      removed: ['bats of Bats'],
    });
  });

  it('are the fields of a concept, and that it was switched off', () => {
    expect(compare(make({ ...bats, fields: ['title', 'abstract'] })).other).toEqual([
      'Bats searched in title, abstract',
    ]);
    expect(describeDifference(make({ ...bats, fields: ['title'] }), make(bats)).other).toEqual([
      'Bats searched in the usual fields',
    ]);
    expect(compare(make({ ...bats, off: true })).other).toEqual(['Bats switched off']);
  });

  it('are concepts, blocks, the query and the limiters', () => {
    const lamps: Concept = { ...bats, id: 'd', name: 'Lamps', block: 'lamps', terms: [] };
    const difference = compare(
      make(bats, {
        concepts: [bats, lamps],
        blocks: [{ id: 'b', name: 'filter', text: 'review' }],
        draft: '@bats  AND @lamps',
        limiters: { years: { from: 2000 } },
      }),
    );
    expect(difference.added.slice(0, 2)).toEqual(['concept Lamps', '@filter: review']);
    expect(difference.other[0]).toBe('query: @bats AND @lamps');
    expect(difference.other[1]).toMatch(/^limited to .*2000/);
    expect(countDifferences(difference)).toBe(4);
  });
});
