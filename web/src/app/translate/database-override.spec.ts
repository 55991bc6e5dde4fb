import { describe, expect, it } from 'vitest';
import type { Concept, Term } from '#core/project/index';
import { createOtherField, listDraftRows, setDraftRow } from './database-override';

const CHOSEN = ['heronsmere', 'gantry', 'marlstone'];
const toggle = (draft: string, place: number, isHere: boolean): string =>
  setDraftRow(draft, listDraftRows(draft)[place]!, 'gantry', isHere, CHOSEN);

describe('rows of the draft', () => {
  it('are those of its first level, exclusions too, and not what is switched off', () => {
    const rows = listDraftRows('@bats AND (a OR b) AND OFF(c) NOT "d e"');
    expect(rows.map(({ text }) => text)).toEqual(['@bats', 'a OR b', '"d e"']);
    expect(listDraftRows('')).toEqual([]);
  });

  it('are left out in one database and taken back, the rest of the text untouched', () => {
    const draft = '@bats AND  (a OR b)';
    const without = toggle(draft, 1, false);
    expect(without).toBe('@bats AND  IN(heronsmere, marlstone: a OR b)');
    expect(toggle(without, 1, true)).toBe(draft);
    expect(toggle('bat AND lamp', 0, false)).toBe('IN(heronsmere, marlstone: bat) AND lamp');
  });

  it('are left out nowhere else: the last database stays', () => {
    expect(toggle('IN(gantry: a) AND b', 0, false)).toBe('IN(gantry: a) AND b');
  });
});

describe('a term in another field in one database', () => {
  const term: Term = { id: 't', text: 'lamp*', off: false };
  const concept: Concept = { id: 'c', name: 'light', block: 'light', off: false, terms: [term] };

  it('stays as it is in the others', () => {
    expect(createOtherField(concept, term, 'title', 'gantry', CHOSEN, 'new')).toEqual([
      { kind: 'describe-term', id: 't', term: { text: 'lamp*', databases: ['heronsmere', 'marlstone'] } },
      {
        kind: 'add-terms',
        concept: 'c',
        terms: [{ id: 'new', text: 'title: lamp*', off: false, databases: ['gantry'] }],
      },
    ]);
  });

  it('that was meant for it alone is replaced, and its field exchanged', () => {
    const only = { ...term, text: 'title: lamp*', databases: ['gantry'] };
    const [first, second] = createOtherField(concept, only, 'abstract', 'gantry', CHOSEN, 'new');
    expect(first).toEqual({ kind: 'remove-terms', ids: ['t'] });
    expect(second).toMatchObject({ terms: [{ text: 'abstract: lamp*' }] });
  });
});
