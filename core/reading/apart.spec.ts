import { describe, expect, it } from 'vitest';
import type { BibliographicRecord } from '../record';
import { createTestRecord } from '../testing/records';
import { listSeparators } from './index';

const titled = (title: string): BibliographicRecord => createTestRecord({ title });
const on = ['under', 'and', 'of', 'near', 'with', 'in', 'at', 'for'].map((word, at) =>
  titled(at < 7 ? `bats ${word} lamps` : `${word} lamps`),
);
const off = ['at', 'and', 'near', 'of', 'with', 'in', 'on', 'for'].map((word) =>
  titled(`moths ${word} lamps`),
);

describe('what sets good records from bad ones', () => {
  it('is left out where more of the bad have it, asked for where more of the good do', () => {
    const found = listSeparators(on, off, 'words', 9);
    expect(found.map(({ text, use }) => `${use} ${text}`)).toEqual(['not moths', 'and bats']);
    expect(found[0]).toMatchObject({ on: 0, off: 8 });
    expect(found[1]).toMatchObject({ on: 7, off: 0 });
  });

  it('is nothing where either side is too small or both are alike', () => {
    expect(listSeparators(on.slice(0, 1), off, 'words', 9)).toEqual([]);
    expect(listSeparators(on, on, 'words', 9)).toEqual([]);
    // Three of six against none of four may well be chance.
    const few = [...on.slice(0, 3), ...['lamps', 'old lamps', 'new lamps'].map(titled)];
    const others = ['lamps', 'red lamps', 'lit lamps', 'dim lamps'].map(titled);
    expect(listSeparators(few, others, 'words', 9)).toEqual([]);
  });

  it('counts what it would cost as one does by reading', () => {
    for (const { text, on: good, off: bad } of listSeparators(on, off, 'words', 9)) {
      const has = ({ title }: BibliographicRecord): boolean => ` ${title} `.includes(` ${text} `);
      expect([good, bad]).toEqual([on.filter(has).length, off.filter(has).length]);
    }
  });
});
