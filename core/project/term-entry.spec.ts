import { describe, expect, it } from 'vitest';
import { createTerm, printTerm, splitPastedTerms, tidyTerm } from './term-entry';
import { createTermKey } from './term-key';
import { describeTermKind, withTermKind } from './term-kind';

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
    ['bat*', 'truncated word'],
    ['"street light"', 'phrase'],
    ['ALAN', 'acronym'],
    ['branch: "Chiroptera"', 'heading'],
    ['flight WITHIN 3 path', 'proximity'],
    ['(a OR b)', 'group'],
    ['author: "Lund Mira"', 'author'],
    ['affiliation: Marlstone', 'organisation'],
    ['летучая', 'other language'],
  ] as const)('%s is seen as %s', (text, kind) => {
    expect(describeTermKind({ text })).toBe(kind);
  });

  it('keeps letters of every script and drops signs that nobody can see', () => {
    expect(tidyTerm('עטלף\u200f')).toBe('עטלף');
    expect(tidyTerm('bat\u0007 \u200bbox')).toBe('"bat box"');
  });

  it('takes IN(…) round the whole as the databases that it is meant for, and prints it again', () => {
    const made = createTerm('1', 'IN(gantry: street light)', 'typed');
    expect(made).toEqual({ id: '1', text: '"street light"', off: false, databases: ['gantry'] });
    expect(printTerm(made)).toBe('IN(gantry: "street light")');
    expect(createTerm('2', 'bats', 'pasted')).toEqual({
      id: '2',
      text: 'bats',
      off: false,
      source: 'pasted',
    });
  });

  it('knows the same term in other letters and layout', () => {
    expect(createTermKey({ text: '"Street  Light"' })).toBe(createTermKey({ text: '"street light"' }));
    expect(createTermKey({ text: 'bat' })).not.toBe(createTermKey({ text: 'bat', databases: ['gantry'] }));
  });
});

describe('correcting the kind of a term', () => {
  it.each([
    ['"street light"', 'proximity', 'street WITHIN 3 light'],
    ['"street light"', 'heading', 'heading: "street light"'],
    ['heading: "Light"', 'word', 'Light'],
    ['light', 'truncated word', 'light*'],
    ['"Lund Mira"', 'author', 'author: "Lund Mira"'],
    ['Marlstone', 'organisation', 'affiliation: Marlstone'],
    ['flight WITHIN 3 path', 'phrase', '"flight path"'],
  ] as const)('%s as %s is %s', (text, kind, expected) => {
    const made = withTermKind({ id: '1', off: false, text }, kind);
    expect(made.text).toBe(expected);
    expect(describeTermKind(made)).toBe(kind);
  });

  it('keeps the text where only the name of the kind changes', () => {
    expect(withTermKind({ text: 'Led' }, 'acronym')).toEqual({ text: 'Led', kind: 'acronym' });
    const foreign = withTermKind({ text: 'Fledermaus' }, 'other language', 'de');
    expect(foreign).toEqual({ text: 'Fledermaus', language: 'de' });
    expect(withTermKind(foreign, 'word')).toEqual({ text: 'Fledermaus' });
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
