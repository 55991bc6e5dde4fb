import { describe, expect, it } from 'vitest';
import { describeTermKind, splitPastedTerms, tidyTerm } from './term-entry';

describe('terms as typed', () => {
  it.each([
    ['street light', '"street light"'],
    ['  bats ', 'bats'],
    ['light and dark', '"light and dark"'],
    ['"street light*"', '"street light*"'],
    ['title: bats', 'title: bats'],
    ['flight WITHIN 3 path', 'flight WITHIN 3 path'],
    ['bat-friendly', 'bat-friendly'],
    ['', ''],
  ])('%s becomes %s', (typed, text) => {
    expect(tidyTerm(typed)).toBe(text);
  });

  it.each([
    ['bats', 'word'],
    ['bat*', 'cut word'],
    ['"street light"', 'phrase'],
    ['ALAN', 'acronym'],
    ['branch: "Chiroptera"', 'heading'],
    ['flight WITHIN 3 path', 'proximity'],
    ['(a OR b)', 'group'],
  ] as const)('%s is seen as %s', (text, kind) => {
    expect(describeTermKind(text)).toBe(kind);
  });
});

describe('pasted lists', () => {
  it.each([
    ['bat\nbats\n\nstreet light\n', ['bat', 'bats', '"street light"']],
    ['bat, bats; noctule\tserotine', ['bat', 'bats', 'noctule', 'serotine']],
    ['bat* OR "street light" OR lamp', ['bat*', '"street light"', 'lamp']],
    ['- bat\n2) bats\n• noctule', ['bat', 'bats', 'noctule']],
    ['bat\nbat', ['bat']],
    ['"a, b"', ['"a, b"']],
    ['—\n🦇', []],
  ])('%j', (pasted, terms) => {
    expect(splitPastedTerms(pasted)).toEqual(terms);
  });
});
