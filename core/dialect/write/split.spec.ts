import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { build, createPattern, parseQuery, type QueryNode } from '../../query';
import type { Extent } from './lay-out';
import { findDialect } from '../profile';
import { readString } from '../read';
import { packBins } from './pack';
import { MAX_PARTS } from './split';
import { writeQuery } from './writer';

const extent = (characters: number): Extent => ({ characters, truncations: 0, words: 0 });
const room = (characters: number): Extent => ({ characters, truncations: Infinity, words: Infinity });

/** The fewest bins by trying every way to share things out. */
function countFewest(sizes: readonly number[], most: number): number {
  let best = sizes.length;
  const place = (at: number, bins: readonly number[]): void => {
    if (bins.length >= best) return;
    const size = sizes[at];
    if (size === undefined) {
      best = bins.length;
      return;
    }
    bins.forEach((used, bin) => {
      if (used + size <= most) place(at + 1, [...bins.slice(0, bin), used + size, ...bins.slice(bin + 1)]);
    });
    place(at + 1, [...bins, size]);
  };
  place(0, []);
  return best;
}

describe('packing', () => {
  it('takes the fewest bins for few things', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 50 }), { minLength: 1, maxLength: 8 }), (sizes) => {
        const bins = packBins(sizes.map(extent), room(50), MAX_PARTS);
        expect(bins).toHaveLength(countFewest(sizes, 50));
        expect(bins?.flat().sort((a, b) => a - b)).toEqual(sizes.map((_, at) => at));
        for (const bin of bins ?? [])
          expect(bin.reduce((sum, at) => sum + sizes[at]!, 0)).toBeLessThanOrEqual(50);
      }),
      { numRuns: 300 },
    );
  });

  it('takes the fewest bins where many things are alike', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 2, max: 7 }), { minLength: 4, maxLength: 9 }),
        fc.integer({ min: 7, max: 13 }),
        (sizes, most) => {
          const bins = packBins(sizes.map(extent), room(most), MAX_PARTS);
          expect(bins).toHaveLength(countFewest(sizes, most));
          expect(bins?.flat().sort((a, b) => a - b)).toEqual(sizes.map((_, at) => at));
        },
      ),
      { numRuns: 500 },
    );
  });

  it('gives up where one thing is too large or there are too many', () => {
    expect(packBins([extent(51)], room(50), MAX_PARTS)).toBeUndefined();
    expect(
      packBins(
        Array.from({ length: 30 }, () => extent(40)),
        room(50),
        MAX_PARTS,
      ),
    ).toBeUndefined();
  });
});

const word = (text: string): QueryNode => build.term(createPattern(text));
const words = (prefix: string, count: number): QueryNode =>
  build.or(...Array.from({ length: count }, (_, at) => word(`${prefix}${at}`)));

/** Which of some words a record must have for one of the strings to find it. */
const finds = (node: QueryNode, record: ReadonlySet<string>): boolean => {
  if (node.kind === 'and') return node.items.every((item) => finds(item, record));
  if (node.kind === 'or') return node.items.some((item) => finds(item, record));
  if (node.kind === 'not') return finds(node.include, record) && !finds(node.exclude, record);
  if (node.kind === 'fielded') return finds(node.item, record);
  return (
    node.kind === 'term' && record.has(node.pattern.map((part) => ('text' in part ? part.text : '')).join(''))
  );
};

describe('parts', () => {
  const cases: [string, QueryNode][] = [
    ['one long group', words('w', 60)],
    ['a long group beside a short one', build.and(words('w', 60), words('v', 3))],
    ['two long groups', build.and(words('w', 30), words('v', 30))],
    ['three long groups', build.and(words('w', 22), words('v', 22), words('u', 22))],
    ['a long group with an exclusion', build.not(words('w', 60), words('v', 3))],
  ];

  it.each(cases)('%s: together they find what the whole finds', (_, root) => {
    const dialect = { ...findDialect('gantry')!, most: { characters: 330 } };
    const rendering = writeQuery(root, dialect);
    expect(rendering.problems).toEqual([]);
    expect(rendering.parts.length).toBeGreaterThan(1);
    for (const part of rendering.parts) expect(part.text.length).toBeLessThanOrEqual(330);
    const parts = rendering.parts.map(({ text }) => readString(text, dialect).root);
    const vocabulary = ['w', 'v', 'u'].flatMap((prefix) =>
      Array.from({ length: 60 }, (__, at) => `${prefix}${at}`),
    );
    fc.assert(
      fc.property(fc.subarray(vocabulary, { maxLength: 6 }), (chosen) => {
        const record = new Set(chosen);
        expect(parts.some((part) => finds(part, record))).toBe(finds(root, record));
      }),
      { numRuns: 300 },
    );
  });

  it('keep the limiters in each', () => {
    const dialect = { ...findDialect('gantry')!, most: { characters: 120 } };
    const { parts } = writeQuery(words('w', 20), dialect, { limiters: { years: { from: 2015, to: 2024 } } });
    expect(parts.length).toBeGreaterThan(1);
    for (const { text } of parts) expect(text).toContain(') and published{2015-2024}');
  });

  it('are not made where an exclusion alone is too long', () => {
    const dialect = { ...findDialect('gantry')!, most: { characters: 60 } };
    const { root } = parseQuery(
      `bat NOT (${Array.from({ length: 30 }, (_, at) => `word${at}`).join(' OR ')})`,
    );
    expect(writeQuery(root, dialect).problems.map(({ code }) => code)).toEqual(['string-too-long']);
  });
});
