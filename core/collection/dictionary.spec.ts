import fc from 'fast-check';
import { expect, it } from 'vitest';
import { createMatcher, createPattern } from '../query';
import { buildIndex } from './builder';
import { findTerms, listWords } from './dictionary';

/** Letters that make many words alike, some of two units. */
const letter = fc.constantFrom('a', 'b', 'c', 'ä', '𐐨', '𐑀', '漢');
const word = fc.array(letter, { minLength: 1, maxLength: 5 }).map((letters) => letters.join(''));
const pattern = fc
  .array(fc.oneof(letter, fc.constantFrom('*', '?')), { minLength: 1, maxLength: 5 })
  .map((signs) => createPattern(signs.join('')));

it('finds by pattern the words that match it, in the order of the alphabet, up to a cap', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(word, { maxLength: 30 }),
      pattern,
      fc.integer({ min: 1, max: 6 }),
      (words, sought, cap) => {
        const index = buildIndex([{ values: { title: [words.join(' ')] }, keys: [] }]);
        const matches = createMatcher(sought);
        const wanted = index.terms.filter(matches).sort((a, b) => (a < b ? -1 : 1));
        const find = (most?: number) => findTerms(index, sought, most).map((term) => index.terms[term]);
        expect(find()).toEqual(wanted);
        expect(find(cap)).toEqual(wanted.slice(0, cap));
      },
    ),
    { numRuns: 500 },
  );
});

it('lists words by how they begin and end', () => {
  const index = buildIndex([{ values: { title: ['bats batter bat tab'] }, keys: [] }]);
  const list = (prefix: string, suffix: string) =>
    listWords(index, { prefix, suffix }, 10).map(({ word: one }) => one);
  expect(list('bat', '')).toEqual(['bat', 'bats', 'batter']);
  expect(list('', 't')).toEqual(['bat']);
  expect(list('b', 'r')).toEqual(['batter']);
  // The beginning and the end may not share letters.
  expect(list('bat', 'at')).toEqual([]);
});
