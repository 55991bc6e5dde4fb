import fc from 'fast-check';
import { expect, it } from 'vitest';
import { parseQuery } from '../query';
import { arbitraryText } from '../testing/arbitraries';
import { describeQuery, joinSentence } from '.';

const describeText = (text: string): string =>
  joinSentence(
    describeQuery(parseQuery(text).root, {
      findBlock: (name) =>
        name === 'bats'
          ? { name: 'bats', terms: 7 }
          : name === 'light'
            ? { name: 'light', terms: 3, fields: ['title', 'abstract'] }
            : name === 'sleep'
              ? { name: 'sleep', terms: 2, isOff: true }
              : name === 'piece'
                ? { name: '@piece' }
                : undefined,
      nameDatabase: (id) => id.toUpperCase(),
    }),
  );

it.each([
  [
    'bats AND year: 2015..2024',
    'Records with the word “bats” and a year from 2015 to 2024, words in title, abstract, author keywords or headings.',
  ],
  [
    'title: bats NOT type: review',
    'Records with the word “bats” in the title; without those with the document type “review”.',
  ],
  [
    'heading: "Bats / behaviour" AND language: fr',
    'Records with the heading “Bats / behaviour” and the language French.',
  ],
  ['@bats', 'Records with any of 7 terms for bats, in title, abstract, author keywords or headings.'],
  [
    '@bats AND @piece',
    'Records with any of 7 terms for bats and what @piece asks for, in title, abstract, author keywords or headings.',
  ],
  [
    'title: (lamp* OR "street light")',
    'Records with (a word beginning with “lamp” or the phrase “street light”) in the title.',
  ],
  [
    'title,abstract: (a OR b OR c)',
    'Records with (the word “a”, the word “b” or the word “c”) in the title or abstract.',
  ],
  ['branch: "Chiroptera"', 'Records with the heading “Chiroptera” or any below it.'],
  ['focus(heronsmere): "Bats"', 'Records with “Bats” of HERONSMERE as a main topic.'],
  ['firstauthor: (Elena WITHIN 1 Sherson)', 'Records with Elena Sherson as first author.'],
  [
    'author: ((Elena WITHIN 1 Sherson) OR (Jo WITHIN 1 "van der Berg"))',
    'Records with Elena Sherson or Jo van der Berg as an author.',
  ],
  ['author: ivy', 'Records with the word “ivy” in the authors.'],
  [
    'flight WITHIN 3 (activit* OR behavio[u]r)',
    'Records with the word “flight” within 3 words of (a word beginning with “activit” or a word like “behavio[u]r”), in title, abstract, author keywords or headings.',
  ],
  [
    'a BEFORE 1 b',
    'Records with the word “a” right before the word “b”, in title, abstract, author keywords or headings.',
  ],
  [
    'a NOT title: b',
    'Records with the word “a”, in title, abstract, author keywords or headings; without those with the word “b” in the title.',
  ],
  [
    'IN(gantry: a) OR (b AND c)',
    'Records with the word “a” (for GANTRY only) or (the word “b” and the word “c”), in title, abstract, author keywords or headings.',
  ],
  ['OFF(a) AND b', 'Records with the word “b”, in title, abstract, author keywords or headings.'],
  [
    'a OR b OR c OR d OR e',
    'Records with any of these 5: the word “a”, the word “b” …, in title, abstract, author keywords or headings.',
  ],
  [
    '(a OR b) AND (c OR d NOT e)',
    'Records with (the word “a” or the word “b”) and (the word “c” or (the word “d” without the word “e”)), in title, abstract, author keywords or headings.',
  ],
  [
    '@bats AND @light AND @sleep',
    'Records with any of 7 terms for bats and any of 3 terms for light in the title or abstract, the rest in title, abstract, author keywords or headings.',
  ],
  ['@light', 'Records with any of 3 terms for light in the title or abstract.'],
  ['@sleep', 'Nothing is asked for yet.'],
  ['OFF(a)', 'Nothing is asked for yet.'],
  ['', 'Nothing is asked for yet.'],
])('%s', (text, expected) => {
  expect(describeText(text)).toBe(expected);
});

it('any query has a sentence', () => {
  fc.assert(
    fc.property(arbitraryText, (query) => {
      expect(joinSentence(describeQuery(query))).toMatch(/^(Records with .+|Nothing is asked for yet)\.$/s);
    }),
  );
});
