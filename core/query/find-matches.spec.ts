import { expect, it } from 'vitest';
import { findMatches } from './find-matches';
import { parseQuery } from './parser';

const mark = (value: string, ...queries: string[]): string[] =>
  findMatches(
    value,
    queries.map((text, at) => ({ owner: String(at), root: parseQuery(text).root })),
  ).map(({ owner, start, end }) => `${owner}:${value.slice(start, end)}`);

it('marks words, cut words and whole phrases, the longer first', () => {
  expect(mark('Street lighting and Bats', 'bats', '"street light*" OR light*')).toEqual([
    '1:Street lighting',
    '0:Bats',
  ]);
  expect(mark('Fledermäuse', 'fledermaus* OR fledermause')).toEqual(['0:Fledermäuse']);
});

it('does not mark what is excluded or switched off', () => {
  expect(mark('bats and lamps and roads', 'bats NOT lamps AND OFF(roads)')).toEqual(['0:bats']);
});
