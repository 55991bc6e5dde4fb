import { describe, expect, it } from 'vitest';
import { applyChange, createProject, type Change, type Project, type Term } from '../project';
import { createTakeChange, type TakeWay } from './index';

const terms = (...texts: string[]): Term[] => texts.map((text) => ({ id: text, text, off: false }));
const apply = (project: Project, change: Change): Project => {
  const made = applyChange(project, change);
  if (!made.ok) throw new Error('The change was refused.');
  return made.value;
};
const before = apply(createProject('p', 'Bats', '2026-01-01T00:00:00Z', []), {
  kind: 'add-concept',
  id: 'a',
  name: 'light',
  terms: terms('lamp*', 'glare'),
});
const take = (way: TakeWay) =>
  apply(before, createTakeChange(way, terms('lantern', '"night light"'))).working.concepts.map(
    (concept) => `${concept.name}: ${concept.terms.map(({ text }) => text).join(' ')}`,
  );

describe('what was learnt', () => {
  it('is taken in one step beside the terms, in place of one, or as a concept', () => {
    expect(take({ kind: 'beside', concept: 'a' })).toEqual(['light: lamp* glare lantern "night light"']);
    expect(take({ kind: 'instead', term: 'lamp*' })).toEqual(['light: lantern "night light" glare']);
    expect(take({ kind: 'concept', id: 'b', name: 'lantern' })).toEqual([
      'light: lamp* glare',
      'lantern: lantern "night light"',
    ]);
  });
});
