import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createDocument } from '../collection/document';
import type { BibliographicRecord } from '../record';
import { satisfies } from '../testing/naive-evaluator';
import { build, createNameQuery, parseQuery, readPersonName, writePersonName } from '.';

it.each([
  ['Sherson, Elena', 'Elena WITHIN 1 Sherson'],
  ['Elena Sherson', 'Elena WITHIN 1 Sherson'],
  ['"Sherson, Elena"', 'Elena WITHIN 1 Sherson'],
  ['Sherson', 'Sherson'],
  ['Sherson, E.', 'E* WITHIN 1 Sherson'],
  ['Sherson E', 'E* WITHIN 1 Sherson'],
  ['Sherson EM', '"E* M*" WITHIN 1 Sherson'],
  ['E. M. Sherson', '"E* M*" WITHIN 1 Sherson'],
  ['Elena Maria Sherson', '"Elena Maria" WITHIN 1 Sherson'],
  ['van der Berg, Ludwig', 'Ludwig WITHIN 1 "van der Berg"'],
  ['Ludwig van der Berg', 'Ludwig WITHIN 1 "van der Berg"'],
  ["O'Neil, Ada", 'Ada WITHIN 1 "O Neil"'],
  ['Moss-Reed, Jo', 'Jo WITHIN 1 "Moss Reed"'],
  ['  ', ''],
  ['---', ''],
])('%s is %s', (name, text) => {
  expect(writePersonName(name)).toBe(text);
  if (text === '') return;
  const { problems } = parseQuery(`author: (${text})`);
  // That an initial is short is worth a warning, and no fault.
  expect(problems.filter(({ severity }) => severity === 'error')).toEqual([]);
});

describe('a name', () => {
  const person = fc.record({
    given: fc.constantFrom('Elena', 'Ada', 'Jo Marie'),
    family: fc.constantFrom('Sherson', 'Moss', 'van der Berg'),
  });
  const record = (authors: readonly { given: string; family: string }[]) =>
    createDocument({
      id: 'r',
      title: '',
      abstract: '',
      keywords: [],
      headings: [],
      authors,
      source: '',
      type: 'article',
      language: 'en',
      peerReviewed: 'yes',
      hasFullText: false,
      entered: '2020-01',
      references: [],
    } satisfies BibliographicRecord);

  it('finds just the records of that person, however it is written', () => {
    fc.assert(
      fc.property(person, fc.array(person, { minLength: 1, maxLength: 3 }), (wanted, authors) => {
        const { given, family } = wanted;
        const isThere = authors.some((one) => one.given === given && one.family === family);
        for (const written of [`${family}, ${given}`, `${given} ${family}`]) {
          const query = createNameQuery(readPersonName(written));
          expect(satisfies(record(authors), build.fielded(['author'], query!)), written).toBe(isThere);
        }
        const initial = createNameQuery(readPersonName(`${family}, ${given.charAt(0)}.`));
        const begins = authors.some(
          (one) => one.family === family && one.given.split(' ').at(-1)?.startsWith(given.charAt(0)),
        );
        if (begins && !given.includes(' '))
          expect(satisfies(record(authors), build.fielded(['author'], initial!))).toBe(true);
      }),
    );
  });
});
