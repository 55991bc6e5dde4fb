import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildIndex, createEvaluator, createNeutralExpression, type IndexDocument } from '../../collection';
import { build, expandBlocks, parseQuery, printQuery, withIds, type QueryNode } from '../../query';
import { arbitraryDocument, arbitraryQuery, TEST_HEADINGS } from '../../testing/arbitraries';
import { nameLine, readHistory } from '.';
import { findDialect } from '../profile';
import { writeHistory } from './write-history';

const heronsmere = findDialect('heronsmere')!;
const parse = (text: string): QueryNode => parseQuery(text).root;
const BLOCKS = new Map([
  ['bats', parse('bat OR bats OR chiroptera')],
  ['light', parse('lamp* OR "street light"')],
  ['roads', parse('road')],
]);
const write = (text: string, settings = {}): string[] =>
  writeHistory(expandBlocks(parse(text), BLOCKS).root, heronsmere, settings).map(
    ({ rendering }) => rendering.text,
  );

describe('a query as numbered searches', () => {
  it('has a line for each block, and a last one that combines them', () => {
    expect(write('@bats AND @light NOT cricket')).toEqual([
      'bat OR bats OR chiroptera',
      'lamp* OR "street light"',
      '(set:1 AND set:2) NOT cricket',
    ]);
  });

  it('carries the limiters in the last line alone', () => {
    const lines = write('@bats AND @light', { limiters: { years: { from: 2015, to: 2024 } } });
    expect(lines.slice(0, 2).join()).not.toContain('year');
    expect(lines[2]).toBe('(set:1 AND set:2) AND year:2015..2024');
  });

  it('refers to a block as often as it is used, and writes it out inside a field', () => {
    expect(write('(@bats AND @light) OR (@bats AND @roads)')).toHaveLength(4);
    expect(write('title: @bats AND @light')).toEqual([
      'lamp* OR "street light"',
      'title:(bat OR bats OR chiroptera) AND set:1',
    ]);
  });

  it('is not made without blocks or without references', () => {
    expect(write('bat AND lamp')).toEqual([]);
    const { root } = expandBlocks(parse('@bats AND @light'), BLOCKS);
    expect(writeHistory(root, findDialect('gantry')!)).toEqual([]);
  });

  it('is read back as the same query', () => {
    const documents = fc.array(arbitraryDocument(['keywords']), { minLength: 1, maxLength: 10 });
    let seen = 0;
    fc.assert(
      fc.property(documents, arbitraryQuery, arbitraryQuery, arbitraryQuery, (records, a, b, c) => {
        const blocks = new Map([
          ['a', withIds(a)],
          ['b', withIds(b)],
          ['c', withIds(c)],
        ]);
        const draft = withIds(build.not(build.and(build.block('a'), build.block('b')), build.block('c')));
        const { root } = expandBlocks(draft, blocks);
        const lines = writeHistory(root, heronsmere);
        if (lines.some(({ rendering }) => rendering.whole !== 'same') || lines.length < 2) return;
        seen++;
        const text = lines.map(({ number, rendering }) => `${number}. ${rendering.text}`).join('\n');
        const history = readHistory(text, heronsmere);
        const named = new Map(history.lines.map(({ number, root: line }) => [nameLine(number), line]));
        const back = expandBlocks(history.lines.at(-1)!.root, named).root;
        expect(count(records, back), `${printQuery(root)}\n${text}`).toEqual(count(records, root));
      }),
      { numRuns: 300, endOnFailure: true },
    );
    expect(seen).toBeGreaterThan(20);
  });
});

function count(records: readonly IndexDocument[], query: QueryNode): number[] {
  const found = createEvaluator(buildIndex(records)).evaluate(
    createNeutralExpression(query, { vocabulary: TEST_HEADINGS }),
  );
  if (!found.ok) throw new Error('too slow');
  return found.value.list();
}
