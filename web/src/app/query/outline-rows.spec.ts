import { expect, it } from 'vitest';
import { expandBlocks, parseQuery } from '#core/query/index';
import { listOutlineRows } from './outline-rows';

const list = (text: string, blocks: Record<string, string> = {}): string[] => {
  const known = new Map(Object.entries(blocks).map(([name, content]) => [name, parseQuery(content).root]));
  return listOutlineRows(expandBlocks(parseQuery(text).root, known).root).map(
    ({ depth, group, text: words, block, off }) =>
      `${'  '.repeat(depth)}${[group, words, block && `(${block})`, off && 'off'].filter(Boolean).join(' ')}`,
  );
};

it('lists groups before their members, with the block that they come from', () => {
  expect(list('@bats AND lamp', { bats: 'bat OR bats' })).toEqual([
    'all of',
    '  any of @bats (bats)',
    '    bat (bats)',
    '    bats (bats)',
    '  lamp',
  ]);
});

it('marks what is excluded, near, fielded and switched off', () => {
  expect(list('a WITHIN 3 b NOT title: (x OR y) AND OFF(z OR q)')).toEqual([
    'all of',
    '  all of',
    '    within',
    '      a',
    '      b',
    '    without title: (x OR y)',
    '  any of off',
    '    z off',
    '    q off',
  ]);
});
