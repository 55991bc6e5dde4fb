import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryQuery, arbitraryText } from '../testing/arbitraries';
import { build, createPattern } from './create';
import { formatQuery } from './format';
import { isSameQuery, withIds } from './identity';
import { listNodes } from './node';
import { createNodePool } from './node-pool';
import { parseQuery } from './parser';
import { printQuery } from './printer';

describe('a query laid out for reading', () => {
  it('is the same query, and is laid out the same again', () => {
    fc.assert(
      fc.property(arbitraryText, (tree) => {
        const text = formatQuery(tree);
        const { root, trailing } = parseQuery(text);
        expect(isSameQuery(root, tree), text).toBe(true);
        expect(formatQuery(root, trailing)).toBe(text);
      }),
      { numRuns: 500 },
    );
  });

  it('has a line a member where it is long, and one line where it is short', () => {
    expect(formatQuery(parseQuery('(bat OR bats)\nAND lamp').root)).toBe('(bat OR bats) AND lamp');
    const long = Array.from({ length: 12 }, (_, at) => `lighting${at}`).join(' OR ');
    expect(formatQuery(parseQuery(`bats AND (${long})`).root).split('\n').length).toBeGreaterThan(10);
  });
});

describe('the ids of a query', () => {
  it('are different for all its pieces, and the same after printing and reading', () => {
    fc.assert(
      fc.property(arbitraryQuery, (tree) => {
        const ids = listNodes(withIds(tree)).map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
        const again = parseQuery(printQuery(tree)).root;
        if (isSameQuery(again, tree)) expect(listNodes(withIds(again)).map(({ id }) => id)).toEqual(ids);
      }),
      { numRuns: 500 },
    );
  });

  it('stay for a piece when something is added elsewhere', () => {
    fc.assert(
      fc.property(arbitraryQuery, (tree) => {
        const before = listNodes(withIds(tree)).map(({ id }) => id);
        const after = listNodes(withIds(build.and(tree, build.term(createPattern('zebra'))))).map(
          ({ id }) => id,
        );
        expect(before.filter((id) => !after.includes(id))).toEqual([]);
      }),
    );
  });
});

describe('a pool of pieces', () => {
  it('has one value for equal queries, and other values for others', () => {
    fc.assert(
      fc.property(arbitraryQuery, arbitraryQuery, (a, b) => {
        const pool = createNodePool();
        const [inPool, other] = [pool(a), pool(b)];
        expect(isSameQuery(inPool, a)).toBe(true);
        expect(pool(withIds(a))).toBe(inPool);
        expect(inPool === other).toBe(isSameQuery(a, b));
      }),
      { numRuns: 500 },
    );
  });

  it('gives equal pieces of one query one id, and different ones different ids', () => {
    fc.assert(
      fc.property(arbitraryQuery, (tree) => {
        const nodes = listNodes(
          createNodePool()(build.and(tree, build.or(tree, build.term(createPattern('zebra'))))),
        );
        for (const one of nodes.slice(0, 12))
          for (const other of nodes.slice(0, 12)) expect(one.id === other.id).toBe(isSameQuery(one, other));
      }),
    );
  });
});
