import { expect, it } from 'vitest';
import { findDialect, writeQuery } from '#core/dialect/index';
import { parseQuery } from '#core/query/index';
import { describeStep, listFidelityNotes } from './rendering-notes';

it('gathers equal reasons, each with the pieces that it is about', () => {
  const { root } = parseQuery('"street light*" OR "flight path*" OR heading(heronsmere): "Bats"');
  const notes = listFidelityNotes(root, writeQuery(root, findDialect('gantry')!));
  expect(notes.find((note) => note.reason.startsWith('a cut phrase'))?.pieces).toEqual([
    '"street light*"',
    '"flight path*"',
  ]);
  expect(notes.find((note) => note.isHarmless)?.pieces).toEqual(['heading(heronsmere): "Bats"']);
  expect(listFidelityNotes(root, writeQuery(root, findDialect('heronsmere')!))).toEqual([]);
});

it('says what is left to do by hand', () => {
  expect(describeStep({ limiter: 'peerReviewed', how: 'box', value: 'peer-reviewed' })).toBe(
    'Tick there: peer-reviewed',
  );
  expect(describeStep({ limiter: 'fullText', how: 'none', value: 'full text' })).toBe(
    'Not to be had there: full text',
  );
});
