import { describe, expect, it } from 'vitest';
import { applyChange, createProject, type Concept, type Term } from '../../project';
import { createVocabulary } from '../../vocabulary';
import { findTermMarks, type TermFacts } from './index';

const term = (id: string, text: string, more: Partial<Term> = {}): Term => ({
  id,
  text,
  off: false,
  ...more,
});
const concept = (id: string, ...terms: Term[]): Concept => ({ id, name: id, block: id, terms, off: false });
const thesaurus = createVocabulary('heronsmere', [
  { label: 'Animals', entryTerms: [], broader: [], related: [] },
  { label: 'Chiroptera', entryTerms: [], broader: ['Animals'], related: [] },
]);
const facts = (counts: Record<string, [number, number]>): TermFacts => ({
  databases: [
    { id: 'heronsmere', name: 'Heronsmere' },
    { id: 'gantry', name: 'Gantry' },
  ],
  findsOf: ({ text }, database) => counts[text]?.[database === 'heronsmere' ? 0 : 1],
  sizeOf: () => 1_000,
  vocabularyOf: (database) => (database === 'heronsmere' ? thesaurus : undefined),
});
const codes = (concepts: readonly Concept[], counts: Record<string, [number, number]> = {}) =>
  Object.fromEntries(
    [...findTermMarks(concepts, facts(counts))].map(([id, marks]) => [
      id,
      marks.map((mark) => mark.problem.code),
    ]),
  );

describe('marks on terms', () => {
  it('for terms that bring nothing, nearly everything, or nothing in one database', () => {
    const one = concept('a', term('1', 'batz'), term('2', 'light*'), term('3', 'noctule'), term('4', 'bat'));
    expect(codes([one], { batz: [0, 0], 'light*': [400, 3], noctule: [7, 0], bat: [5, 5] })).toEqual({
      1: ['term-brings-nothing'],
      2: ['term-brings-everything'],
      3: ['term-unknown-here'],
    });
  });

  it('name the database where nothing is found, count several, and offer just the others', () => {
    const databases = ['Heronsmere Life Index', 'Paperbark, Essays', 'Gantry Engineering Abstracts'].map(
      (name) => ({ id: name.split(' ')[0]!.toLowerCase().replace(',', ''), name }),
    );
    const find = (...finds: (number | undefined)[]) => {
      const known: TermFacts = {
        ...facts({}),
        databases,
        findsOf: (_, database) => finds[databases.findIndex(({ id }) => id === database)],
      };
      const marks = findTermMarks([concept('a', term('1', 'noctule'), term('2', 'bat'))], known).get('1');
      return marks?.map(({ words, fixes }) => [words, fixes[0]?.label, fixes[0]?.change]);
    };
    const only = (...ids: string[]) => ({
      kind: 'describe-term',
      id: '1',
      term: { text: 'noctule', databases: ids },
    });
    // A name with a comma is one database, and one that is not counted yet is not left out.
    expect(find(5, 0, undefined)).toEqual([
      [
        'nothing in Paperbark',
        'Search it only in Heronsmere Life Index, Gantry Engineering Abstracts',
        only('heronsmere', 'gantry'),
      ],
    ]);
    expect(find(5, 0, 0)).toEqual([
      ['nothing in 2 databases', 'Search it only in Heronsmere Life Index', only('heronsmere')],
    ]);
  });

  it('say nothing of counts that are not there, of terms that are off or meant for others', () => {
    const one = concept(
      'a',
      term('1', 'x y'),
      term('2', 'batz', { off: true }),
      term('3', 'noctule', { databases: ['heronsmere'] }),
    );
    expect(codes([one], { batz: [0, 0], noctule: [7, 0] })).toEqual({ 1: ['side-by-side'] });
  });

  it('for terms covered by another, by the thesaurus too, and terms that stand twice', () => {
    const one = concept(
      'a',
      term('1', 'sports'),
      term('2', 'sport*'),
      term('3', 'heading: "Chiroptera"'),
      term('4', 'branch: "Animals"'),
      term('5', 'SPORT*'),
      term('6', 'sportive', { databases: ['gantry'] }),
    );
    expect(codes([one])).toEqual({
      1: ['term-covered'],
      3: ['term-covered'],
      5: ['term-repeated'],
      6: ['term-covered'],
    });
    const meant = concept('a', term('1', 'sports'), term('2', 'sport*', { databases: ['gantry'] }));
    expect(codes([meant])).toEqual({});
  });

  it('for the same term in two concepts, and for sentences and single letters', () => {
    const two = [
      concept('a', term('1', 'bat'), term('2', 'x')),
      concept('b', term('3', 'Bat'), term('4', 'does light change how bats fly?')),
    ];
    expect(codes(two)).toMatchObject({ 1: ['term-elsewhere'], 2: ['term-too-short'], 3: ['term-elsewhere'] });
    expect(codes(two)[4]).toContain('term-is-sentence');
  });

  it('are found quickly, and at once when only counts come in', () => {
    const texts = Array.from({ length: 200 }, (_, at) =>
      at % 3 === 0 ? `stem${at}*` : `stem${at} word${at}`,
    );
    const large = concept(
      'a',
      ...texts.map((text, at) => term(String(at), text.includes(' ') ? `"${text}"` : text)),
    );
    findTermMarks([large], facts({}));
    const times = [0, 1, 2, 3, 4].map((turn) => {
      const start = performance.now();
      findTermMarks([large], facts({ 'stem0*': [turn, 1] }));
      return performance.now() - start;
    });
    expect(Math.min(...times)).toBeLessThan(20);
  });

  it('have fixes that mend what they are about', () => {
    const concepts = [
      concept(
        'a',
        term('1', 'sports'),
        term('2', 'sport*'),
        term('3', 'noctule'),
        term('4', 'batz'),
        term('5', '"open'),
      ),
      concept('b', term('6', 'sport*')),
    ];
    const counts: Record<string, [number, number]> = { noctule: [7, 0], batz: [0, 0] };
    const project = createProject('p', 'P', '2026-01-01T00:00:00.000Z', ['heronsmere', 'gantry']);
    const before = { ...project, working: { ...project.working, concepts, draft: '@a AND @b' } };
    const marks = findTermMarks(concepts, facts(counts));
    expect(marks.size).toBe(6);
    for (const [id, list] of marks) {
      for (const mark of list) {
        expect(mark.fixes.length).toBeGreaterThan(0);
        for (const fix of mark.fixes) {
          const made = applyChange(before, fix.change);
          const after = made.ok ? findTermMarks(made.value.working.concepts, facts(counts)).get(id) : list;
          expect(after?.map((left) => left.problem.code) ?? []).not.toContain(mark.problem.code);
        }
      }
    }
  });
});
