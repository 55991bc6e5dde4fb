import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { printQuery } from '../query';
import { listMembers } from './members';
import { listSteps } from './staircase';

const state = (draft: string) => ({
  draft,
  blocks: [],
  concepts: [
    { id: '1', name: 'Bats', block: 'bats', off: false, terms: [{ id: 'a', text: 'bat', off: false }] },
    {
      id: '2',
      name: 'Light',
      block: 'light',
      off: false,
      fields: ['title'] as const,
      terms: [
        { id: 'b', text: 'lamp*', off: false },
        { id: 'c', text: 'heading: "Lamps"', off: false },
      ],
    },
  ],
});
const limiters = { years: { from: 2015 }, peerReviewed: true };
const show = (draft: string, order: string[] = []) =>
  listSteps(state(draft), limiters, order).map(({ words, after, without }) => [
    words,
    printQuery(after.root),
    Object.keys(after.limiters).join(),
    without ? printQuery(without.root) : undefined,
  ]);

describe('a staircase', () => {
  it('has a step for each AND, field, NOT and limiter, with the whole without each', () => {
    expect(show('@bats AND @light NOT owl')).toEqual([
      ['@bats', 'bat', '', '(title: lamp* OR heading: "Lamps") NOT owl'],
      ['@light', 'bat AND (lamp* OR heading: "Lamps")', '', 'bat NOT owl'],
      [
        '@light in title',
        'bat AND (title: lamp* OR heading: "Lamps")',
        '',
        'bat AND (lamp* OR heading: "Lamps") NOT owl',
      ],
      [
        'owl',
        'bat AND (title: lamp* OR heading: "Lamps") NOT owl',
        '',
        'bat AND (title: lamp* OR heading: "Lamps")',
      ],
      [
        'from 2015',
        'bat AND (title: lamp* OR heading: "Lamps") NOT owl',
        'years',
        'bat AND (title: lamp* OR heading: "Lamps") NOT owl',
      ],
      [
        'peer-reviewed',
        'bat AND (title: lamp* OR heading: "Lamps") NOT owl',
        'years,peerReviewed',
        'bat AND (title: lamp* OR heading: "Lamps") NOT owl',
      ],
    ]);
  });

  it('goes in the order asked for, what is taken away never first, a field behind its member', () => {
    const order = ['not owl', 'limiter years', 'and @light'];
    expect(show('@bats AND @light NOT owl', order).map(([words]) => words)).toEqual([
      '@light',
      '@light in title',
      'owl',
      'from 2015',
      '@bats',
      'peer-reviewed',
    ]);
  });

  it('ends with the whole, whatever the order', () => {
    const keys = listSteps(state('@bats AND @light NOT owl AND road NOT bat'), limiters).map(
      ({ key }) => key,
    );
    fc.assert(
      fc.property(fc.shuffledSubarray(keys), (order) => {
        const steps = listSteps(state('@bats AND @light NOT owl AND road NOT bat'), limiters, order);
        expect(new Set(steps.map(({ key }) => key))).toEqual(new Set(keys));
        const last = steps.at(-1)!;
        expect(last.after.limiters).toEqual(limiters);
        const members = printQuery(last.after.root);
        for (const piece of ['bat', 'title: lamp*', 'owl', 'road']) expect(members).toContain(piece);
      }),
    );
  });

  it('has one step for one word, and none for nothing', () => {
    expect(listSteps(state('bat'), {})).toMatchObject([{ words: 'bat', without: undefined }]);
    expect(listSteps(state(''), {})).toEqual([]);
    expect(listMembers(state('OFF(bat) AND lamp'))).toMatchObject([{ words: 'lamp' }]);
  });
});
