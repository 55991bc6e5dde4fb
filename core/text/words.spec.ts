import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FOLDED_PAIRS } from './folding';
import { foldLetters, spellOutTerm, splitWords } from './words';

const texts = (value: string) => splitWords(value).map((word) => word.text);

describe('splitting into words', () => {
  it('takes hyphens and apostrophes as separators and keeps digits with letters', () => {
    expect(texts("bat-friendly lamps, 2700K: don't")).toEqual([
      'bat',
      'friendly',
      'lamps',
      '2700k',
      'don',
      't',
    ]);
  });

  it('folds case and diacritics, composed or not', () => {
    expect(texts('Fledermäuse MURCIÉLAGO Straße')).toEqual(['fledermause', 'murcielago', 'strasse']);
    expect(foldLetters('é')).toBe('e');
  });

  it('keeps letters of every script and drops what has none', () => {
    expect(texts('летучая 🦇 蝙蝠')).toEqual(['летучая', '蝙', '蝠']);
    expect(texts('— … 🦇')).toEqual([]);
  });

  it('gives the place of each word in the value', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (value) => {
        for (const word of splitWords(value)) {
          // A sign that comes to several words is the place of each of them.
          const inside = texts(value.slice(word.start, word.end));
          expect(inside).toContain(word.text);
        }
      }),
    );
  });

  it('splits a text with letters beyond ASCII as it splits its parts', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (a, b) => {
        expect(texts(`${a} ü ${b}`)).toEqual([...texts(a), 'u', ...texts(b)]);
      }),
    );
  });

  it.each([
    ['CO₂ and m²', ['co2', 'and', 'm2']],
    ['№ 5', ['no', '5']],
    ['2½ or ½', ['2', '1', '2', 'or', '1', '2']],
    ['ＬＥＤ ﬁsh ﬂight', ['led', 'fish', 'flight']],
    ['light\u00adhouse', ['lighthouse']],
    ['Øresund Łódź Ærø straße Œuvre', ['oresund', 'lodz', 'aero', 'strasse', 'oeuvre']],
    ['हिन्दी में', ['हिन्दी', 'में']],
    ['ガラス', ['ガ', 'ラ', 'ス']],
    ['か が', ['か', 'が']],
    ['ﾗｲﾄ', ['ラ', 'イ', 'ト']],
    ['йод ёлка їжак', ['йод', 'елка', 'їжак']],
    ['Σίσυφος', ['σισυφοσ']],
    ['كِتَاب', ['كتاب']],
    ['ค้างคาว', ['ค้', 'า', 'ง', 'ค', 'า', 'ว']],
    ['㎡ ℃ Ⅳ', ['m2', 'c', 'iv']],
    ['한국어 박쥐', ['한국어', '박쥐']],
  ])('%s', (value, words) => {
    expect(texts(value)).toEqual(words);
    // What is written as a term comes to the same words.
    expect(texts(spellOutTerm(value))).toEqual(words);
    expect(texts(value.normalize('NFD'))).toEqual(words);
  });

  it('folds what it has folded no further', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (value) => {
        for (const word of texts(value)) expect(texts(word).join('')).toBe(word);
      }),
      { numRuns: 2_000 },
    );
  });

  it('has every letter that is folded in the documentation', () => {
    const page = readFileSync(join(import.meta.dirname, '../../docs/reference/words.md'), 'utf8');
    const rows = [...page.matchAll(/^\| (\S) +\| (\S+) +\|$/gmu)].map(([, letter, as]) => [letter, as]);
    expect(rows).toEqual(FOLDED_PAIRS);
    for (const [letter, as] of FOLDED_PAIRS) expect(foldLetters(letter)).toBe(as);
  });
});
