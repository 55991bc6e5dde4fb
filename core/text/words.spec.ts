import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { foldLetters, splitWords } from './words';

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
    expect(texts('летучая 🦇 蝙蝠')).toEqual(['летучая', '蝙蝠']);
    expect(texts('— … 🦇')).toEqual([]);
  });

  it('gives the place of each word in the value', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (value) => {
        for (const word of splitWords(value)) {
          expect(foldLetters(value.slice(word.start, word.end))).toBe(word.text);
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
});
