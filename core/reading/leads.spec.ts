import { describe, expect, it } from 'vitest';
import type { BibliographicRecord } from '../record';
import { createLeadQuery } from './leads';
import { isVersionOf, writeRequest } from './request-text';

const record: BibliographicRecord = {
  id: 'r7',
  title: 'Warm Lamps and Bats',
  abstract: '',
  keywords: [],
  headings: [],
  authors: [{ given: 'Freya', family: 'Okonjo' }],
  source: 'Lamplight',
  year: 2021,
  type: 'article',
  language: 'en',
  peerReviewed: 'yes',
  hasFullText: false,
  doi: '10.5555/made.7',
  entered: '2021-03',
  references: [],
};

describe('what finds a lead', () => {
  it.each([
    ['author', 'Okonjo, Freya', 'author: ("Freya Okonjo" OR "Okonjo Freya")'],
    ['author', 'Fieldmark Society', 'author: "Fieldmark Society"'],
    ['affiliation', 'Institute of Night, Harbour', 'affiliation: "Institute of Night Harbour"'],
    ['source', 'Lamplight', 'source: Lamplight'],
    ['words', 'warm lamps', '"warm lamps"'],
    ['words', '—', ''],
  ] as const)('%s %s', (kind, name, query) => {
    expect(createLeadQuery({ kind, name })).toBe(query);
  });
});

describe('the text of a request', () => {
  it('says all that is known of the work, and no more', () => {
    expect(writeRequest(record, 'Gantry', '2026-01-31').split('\n')).toEqual([
      'Please get me the full text of this work.',
      '',
      'Title: Warm Lamps and Bats',
      'Authors: Okonjo, Freya',
      'In: Lamplight',
      'Year: 2021',
      'Document type: article',
      'Language: en',
      'DOI: 10.5555/made.7',
      'Found in: Gantry, record r7',
      'Date: 2026-01-31',
      '',
      'Name:',
      'Address:',
      '',
    ]);
    const { doi: _, year: __, ...bare } = record;
    expect(writeRequest({ ...bare, source: '' }, 'Gantry', '2026-01-31')).not.toMatch(/DOI|Year|In:/);
  });
});

describe('versions of one work', () => {
  it('have its title and first author, however they are written', () => {
    expect(
      isVersionOf(record, { ...record, title: 'WARM LAMPS, AND BATS', year: 2019, type: 'report' }),
    ).toBe(true);
    expect(isVersionOf(record, { ...record, title: 'Warm lamps and owls' })).toBe(false);
    expect(isVersionOf(record, { ...record, authors: [{ given: 'F', family: 'Ode' }] })).toBe(false);
    expect(isVersionOf(record, { ...record, authors: [] })).toBe(true);
  });
});
