import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildIndex, createEvaluator, type IndexDocument } from '../collection';
import { FACETS, type SearchFilter } from '../contract';
import { applyFilters } from '../holding/count-facets';
import { createLimiterExpressions } from '../holding/limiter-expressions';
import { listGivenHeadings, readQueryText } from '../holding';
import type { Limiters } from '../limiter';
import { arbitraryDocument } from '../testing/arbitraries';
import { FACET_ROWS, describeFilter, listYears, moveToLimiters, moveToQuery } from './index';

const ALL = { kind: 'all' } as const;
const createWorld = (documents: readonly IndexDocument[]) => {
  const index = buildIndex(documents);
  const evaluator = createEvaluator(index);
  const vocabulary = listGivenHeadings('own', index);
  const list = (expression: Parameters<typeof evaluator.evaluate>[0]): readonly number[] => {
    const found = evaluator.evaluate(expression);
    if (!found.ok) throw new Error(found.problem.code);
    return found.value.list();
  };
  return {
    byFilters: (filters: readonly SearchFilter[]) => list(applyFilters(ALL, filters)),
    byLimiters: (limiters: Limiters) =>
      list({
        kind: 'and',
        items: [ALL, ...createLimiterExpressions(limiters, ['years', 'types', 'languages', 'peerReviewed'])],
      }),
    byQuery: (text: string) => {
      const read = readQueryText(text, vocabulary);
      if ('problem' in read) throw new Error(read.problem.message);
      return list(read.expression);
    },
  };
};
const worlds = fc.array(arbitraryDocument(), { minLength: 1, maxLength: 10 });

describe('filters', () => {
  it('that become limiters let the same records through', () => {
    const filter: fc.Arbitrary<SearchFilter> = fc.oneof(
      fc
        .subarray(['article', 'review', 'news'], { minLength: 1 })
        .map((values) => ({ facet: 'types', values }) as const),
      fc.subarray(['en', 'fr'], { minLength: 1 }).map((values) => ({ facet: 'languages', values }) as const),
      fc
        .tuple(fc.integer({ min: 1998, max: 2006 }), fc.integer({ min: 0, max: 12 }))
        .map(([from, more]) => ({ facet: 'years', values: listYears(from, from + more) }) as const),
    );
    // One filter of a facet, as the screen has them.
    const filters = fc.uniqueArray(filter, { selector: ({ facet }) => facet, maxLength: 3 });
    fc.assert(
      fc.property(worlds, filters, (documents, chosen) => {
        const world = createWorld(documents);
        const { limiters, left } = moveToLimiters(chosen, {});
        expect(left).toEqual([]);
        expect(world.byLimiters(limiters)).toEqual(world.byFilters(chosen));
      }),
    );
  });

  it('that no limiter can say are left', () => {
    const out: SearchFilter = { facet: 'types', values: ['news'], leavesOut: true };
    const heading: SearchFilter = { facet: 'headings', values: ['Bats'] };
    const gaps: SearchFilter = { facet: 'years', values: ['2001', '2003'] };
    const flags: SearchFilter = { facet: 'flags', values: ['peerReviewed', 'fullText'] };
    const flag: SearchFilter = { facet: 'flags', values: ['peerReviewed'] };
    expect(moveToLimiters([out, heading, gaps, flags, flag], { types: ['article'] })).toEqual({
      limiters: { types: ['article'], peerReviewed: true },
      left: [out, heading, gaps, flags],
    });
  });

  it('that become part of a query find the same records, headings and keywords', () => {
    const filter = fc.record({
      facet: fc.constantFrom('headings', 'keywords'),
      pick: fc.nat(9),
      leavesOut: fc.boolean(),
    });
    fc.assert(
      fc.property(worlds, filter, (documents, { facet, pick, leavesOut }) => {
        const prefix = facet === 'headings' ? 'heading=' : 'keyword=';
        const values = documents.flatMap(({ keys }) =>
          keys.filter((key) => key.startsWith(prefix)).map((key) => key.slice(prefix.length)),
        );
        const value = values[pick % Math.max(1, values.length)];
        fc.pre(value !== undefined && value.trim() !== '');
        const world = createWorld(documents);
        const moved = moveToQuery('bat', [{ facet, values: [value ?? ''], leavesOut }], undefined);
        fc.pre(moved.left.length === 0);
        const passed = new Set(world.byFilters([{ facet, values: [value ?? ''], leavesOut }]));
        const bats = world.byQuery('bat');
        const found = world.byQuery(moved.draft);
        // A keyword is a whole value as a filter and words of it in a query: the query finds at least the same.
        const wanted = bats.filter((at) => passed.has(at));
        if (facet === 'headings') expect(found).toEqual(wanted);
        else if (leavesOut) expect(wanted).toEqual(expect.arrayContaining([...found]));
        else expect(found).toEqual(expect.arrayContaining(wanted));
      }),
    );
  });

  it('that no query can say are left, and an empty draft stays empty', () => {
    const gap: SearchFilter = { facet: 'abstracts', values: ['none'] };
    expect(moveToQuery('bat', [gap], undefined)).toEqual({ draft: 'bat', left: [gap] });
    const heading: SearchFilter = { facet: 'headings', values: ['Bats'] };
    expect(moveToQuery(' ', [heading], 'heronsmere')).toEqual({ draft: '', left: [heading] });
    expect(moveToQuery('bat', [heading], 'heronsmere').draft).toBe('(bat) AND (heading(heronsmere): "Bats")');
  });

  it('are said in words', () => {
    const say = (filter: SearchFilter): string => describeFilter(filter);
    expect(say({ facet: 'years', values: listYears(2012, 2014) })).toBe('2012–2014');
    expect(say({ facet: 'years', values: ['2012', '2015'] })).toBe('2012, 2015');
    expect(say({ facet: 'languages', values: ['de', 'es'] })).toBe('German or Spanish');
    expect(say({ facet: 'types', values: ['review'], leavesOut: true })).toBe('not review');
    expect(say({ facet: 'abstracts', values: ['none'] })).toBe('without an abstract');
    expect(say({ facet: 'texts', values: ['short'] })).toBe('full text of less than 600 words');
    expect(say({ facet: 'sources', values: ['Lantern Studies'] })).toBe('in Lantern Studies');
    expect(FACETS.every((name) => FACET_ROWS[name].label !== '')).toBe(true);
  });
});
