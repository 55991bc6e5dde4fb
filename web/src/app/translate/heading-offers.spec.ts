import { describe, expect, it } from 'vitest';
import { findDialect } from '#core/dialect/index';
import type { Concept } from '#core/project/index';
import { createThesauri } from '#demo/thesauri/index';
import { listHeadingOffers } from './heading-offers';

const thesauri = createThesauri();
const find = (id: string) => (id === 'heronsmere' || id === 'gantry' ? thesauri[id] : undefined);
const concept = (...texts: string[]): Concept => ({
  id: 'c',
  name: 'light',
  block: 'light',
  off: false,
  terms: texts.map((text, at) => ({ id: `t${at}`, text, off: false })),
});
const offer = (database: string, ...texts: string[]) =>
  listHeadingOffers([concept(...texts)], findDialect(database)!, find).map(({ text, words }) => [
    text,
    words,
  ]);

describe('headings of one database in another', () => {
  it('are offered by an exact match, and with their branch', () => {
    expect(offer('gantry', 'branch(heronsmere): "Light pollution"')).toEqual([
      ['branch(gantry): "Obtrusive light"', 'the thesauri say that they are the same'],
    ]);
  });

  it('are offered by a close match, which is said', () => {
    expect(offer('gantry', 'heading(heronsmere): "Light"')[0]?.[1]).toContain('not quite the same');
  });

  it('are offered as words where the database has no such heading, or none at all', () => {
    expect(offer('gantry', 'heading(heronsmere): "Chiroptera"')).toEqual([
      ['"chiroptera"', 'no such heading here: its words'],
    ]);
    expect(offer('marlstone', 'heading(heronsmere): "Night lighting"')[0]?.[0]).toBe('"night lighting"');
  });

  it('are not offered where the concept has a heading of the database, or the words already', () => {
    expect(offer('gantry', 'heading(heronsmere): "Light pollution"', 'heading(gantry): "Glare"')).toEqual([]);
    expect(offer('marlstone', 'heading(heronsmere): "Night lighting"', '"night lighting"')).toEqual([]);
    expect(offer('marlstone', 'heading(heronsmere): "Chiroptera"', 'chiropter*')).toEqual([]);
    expect(offer('heronsmere', 'heading(heronsmere): "Night lighting"')).toEqual([]);
  });
});
