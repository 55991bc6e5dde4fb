import { describe, expect, it } from 'vitest';
import { createLeadQuery } from './leads';

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
