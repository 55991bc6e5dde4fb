import { expect, it } from 'vitest';
import { parseQuery } from '#core/query/index';
import { ROW_KINDS, writeRow, type RowParts } from './row-kinds';

const parts: RowParts = {
  kind: 'words',
  words: '',
  others: '',
  distance: 3,
  ordered: false,
  fields: [],
  scope: 'heading',
  vocabulary: '',
  block: '',
};

it.each<[Partial<RowParts>, string]>([
  [{ words: 'lamp*\nstreet light' }, 'lamp* OR "street light"'],
  [{ words: 'lamp*', fields: ['title'] }, 'title: lamp*'],
  [{ words: 'a1, b2', fields: ['title', 'abstract'] }, 'title,abstract: (a1 OR b2)'],
  [{ kind: 'every', words: 'lamp\nroad' }, 'lamp AND road'],
  [
    { kind: 'near', words: 'lamp\nlight', others: 'road', distance: 5, ordered: true },
    '(lamp OR light) BEFORE 5 road',
  ],
  [{ kind: 'near', words: 'lamp', others: 'road', fields: ['title'] }, 'title: (lamp WITHIN 3 road)'],
  [{ kind: 'near', words: 'lamp', others: '' }, ''],
  [{ kind: 'near', words: 'lamp', others: 'road', distance: NaN }, ''],
  [
    { kind: 'heading', words: ' Night  lighting ', scope: 'branch', vocabulary: 'heronsmere' },
    'branch(heronsmere): "Night lighting"',
  ],
  [{ kind: 'author', words: 'Ivy Marsh' }, 'author: (Ivy WITHIN 1 Marsh)'],
  [{ kind: 'firstauthor', words: 'Sherson, Elena' }, 'firstauthor: (Elena WITHIN 1 Sherson)'],
  [
    { kind: 'author', words: 'Sherson, Elena\nMoss\n\nvan der Berg, Jo' },
    'author: ((Elena WITHIN 1 Sherson) OR Moss OR (Jo WITHIN 1 "van der Berg"))',
  ],
  [{ kind: 'author', words: 'Moss' }, 'author: Moss'],
  [{ kind: 'year', words: '2015-2024' }, 'year: 2015..2024'],
  [{ kind: 'type', words: 'review\nConference paper' }, 'type: review OR type: "conference paper"'],
  [{ kind: 'language', words: 'en' }, 'language: en'],
  [{ kind: 'doi', words: 'https://resolver.example/10.5555/Bat.1' }, 'doi: "10.5555/bat.1"'],
  [{ kind: 'doi', words: 'bats' }, ''],
  [{ kind: 'type', words: 'review\npoem' }, ''],
  [{ kind: 'source', words: 'Night Studies\nLamp Letters' }, 'source: ("Night Studies" OR "Lamp Letters")'],
  [{ kind: 'block', block: 'bats' }, '@bats'],
  [{ kind: 'block' }, ''],
  [{ words: ' \n ' }, ''],
])('%j is %s', (given, text) => {
  expect(writeRow({ ...parts, ...given })).toBe(text);
  if (text !== '') expect(parseQuery(text).problems).toEqual([]);
});

it('every kind has a label, a hint and something to fill in', () => {
  for (const kind of ROW_KINDS) expect([kind.label, kind.hint, kind.takes.length > 0]).not.toContain('');
});
