import { describe, expect, it } from 'vitest';
import { createDemoProject } from '../../demo/demo-project';
import { applyChange, type KeptWork } from '../project';
import { MAX_KEPT, restoreProject, storeProject } from '../project';
import type { BibliographicRecord } from '../record';
import { createRecordKeys } from '../record/same-work';
import { applyAll } from '../testing/projects';
import { createTestRecord } from '../testing/records';
import {
  addPlace,
  createKeptFinder,
  createKeptWork,
  listKept,
  listLabels,
  tidyLabel,
  type ShelfView,
} from './kept-works';

const createRecord = (part: Partial<BibliographicRecord>): BibliographicRecord =>
  createTestRecord({
    id: 'h-1',
    title: 'Warm lamps on quiet roads',
    authors: [{ given: 'Freya', family: 'Okonjo' }],
    source: 'Annals of Night Ecology',
    year: 2021,
    hasFullText: true,
    fullText: 'A long text.',
    references: ['3', '4'],
    ...part,
  });

const keep = (id: string, part: Partial<BibliographicRecord> = {}): KeptWork =>
  createKeptWork(createRecord(part), {
    id,
    kept: `2026-01-0${id.length}T00:00:00.000Z`,
    place: { database: 'heronsmere', record: `h-${id}` },
    found: { database: 'heronsmere', string: 'bats', limiters: {}, variant: 'v1' },
  });
const ids = (works: readonly KeptWork[]): string[] => works.map(({ id }) => id);

describe('the shelf of a project', () => {
  it('keeps works, changes them in their places, and puts back what was taken off', () => {
    const [one, two, three] = [keep('a'), keep('bb', { title: 'Owls' }), keep('ccc', { title: 'Moths' })];
    const kept = applyAll(
      createDemoProject(),
      { kind: 'keep-works', works: [one, two] },
      { kind: 'keep-works', works: [three] },
    );
    expect(ids(kept.kept)).toEqual(['a', 'bb', 'ccc']);
    const noted = applyAll(kept, { kind: 'keep-works', works: [{ ...two, note: 'Read again.' }] });
    expect(noted.kept[1]?.note).toBe('Read again.');
    const without = applyAll(noted, { kind: 'remove-kept', ids: ['bb'] });
    expect(ids(without.kept)).toEqual(['a', 'ccc']);
    expect(applyAll(without, { kind: 'keep-works', works: [noted.kept[1]!], at: 1 }).kept).toEqual(
      noted.kept,
    );
  });

  it('takes so many works and no more, and no two under one id', () => {
    const works = Array.from({ length: MAX_KEPT + 1 }, (_, at) => ({ ...keep('a'), id: `w${at}` }));
    expect(applyChange(createDemoProject(), { kind: 'keep-works', works }).ok).toBe(false);
    const twice = applyAll(
      createDemoProject(),
      { kind: 'keep-works', works: [keep('a')] },
      { kind: 'keep-works', works: [keep('a')] },
    );
    expect(ids(twice.kept)).toEqual(['a']);
  });

  it('is in the project file, whole', () => {
    const work: KeptWork = {
      ...keep('a'),
      labels: ['method'],
      note: 'Good.',
      quotations: [{ id: 'q', text: 'Bats were counted.', page: '12', comment: 'How?' }],
      answers: { 'Who paid for it?': 'Nobody says.' },
    };
    const project = applyAll(createDemoProject(), { kind: 'keep-works', works: [work] });
    const restored = restoreProject(JSON.parse(JSON.stringify(storeProject(project))));
    expect(restored).toEqual({ ok: true, value: project });
  });
});

describe('kept works', () => {
  it('come without full text and references, which stay in their database', () => {
    const { record, labels, places } = keep('a');
    expect(record).not.toHaveProperty('fullText');
    expect(record.references).toEqual([]);
    expect(labels).toEqual([]);
    expect(places).toEqual([{ database: 'heronsmere', record: 'h-a' }]);
  });

  it('are found by their place, and in other databases by what tells the work', () => {
    const withDoi = keep('a', { doi: '10.5555/made.1' });
    const without = keep('bb', { title: 'Dim light along hedges at night' });
    const find = createKeptFinder([withDoi, without]);
    const nowhere = { database: 'gantry', record: 'g-9' };
    const keys = (part: Partial<BibliographicRecord>) => createRecordKeys(createRecord(part));
    expect(find({ database: 'heronsmere', record: 'h-a' }, keys({ title: 'x' }))).toBe(withDoi);
    expect(find(nowhere, keys({ title: 'Another', doi: 'https://doi.org/10.5555/MADE.1' }))).toBe(withDoi);
    expect(find(nowhere, keys({ title: 'DIM light along hedges at night.' }))).toBe(without);
    expect(find(nowhere, keys({ title: 'Something else at night here' }))).toBeUndefined();
  });

  it('have each place once', () => {
    const work = addPlace(keep('a'), { database: 'gantry', record: 'g-1' });
    expect(work.places).toHaveLength(2);
    expect(addPlace(work, { database: 'gantry', record: 'g-1' })).toBe(work);
  });

  const shelf: readonly KeptWork[] = [
    { ...keep('a', { title: 'Öl lamps', year: 2010 }), labels: ['method', 'read'] },
    { ...keep('bb', { title: 'Zebra crossings', authors: [], source: '' }), note: 'On hedges.' },
    { ...keep('ccc', { title: 'owls', authors: [{ given: 'A', family: 'Ábel' }] }), labels: ['read'] },
    (({ record: { year: _, ...record }, ...rest }) => ({ ...rest, record }))(
      keep('dddd', { title: 'Moths' }),
    ),
  ];
  const view = (part: Partial<ShelfView>): string[] =>
    ids(listKept(shelf, { order: 'kept', labels: [], words: '', ...part }));

  it.each([
    ['kept', ['dddd', 'ccc', 'bb', 'a']],
    ['title', ['dddd', 'a', 'ccc', 'bb']],
    ['author', ['ccc', 'dddd', 'a', 'bb']],
    ['newest', ['ccc', 'bb', 'a', 'dddd']],
    ['oldest', ['a', 'ccc', 'bb', 'dddd']],
    ['source', ['dddd', 'ccc', 'a', 'bb']],
  ] as const)('are put in order: %s', (order, expected) => {
    expect(view({ order })).toEqual(expected);
  });

  it('are looked for by labels, all of them, and by the beginnings of words', () => {
    expect(view({ labels: ['read'] })).toEqual(['ccc', 'a']);
    expect(view({ labels: ['read', 'method'] })).toEqual(['a']);
    expect(view({ words: 'hedg' })).toEqual(['bb']);
    expect(view({ words: 'abel OWL' })).toEqual(['ccc']);
    expect(view({ words: 'nothing' })).toEqual([]);
  });

  it('have labels that are counted and tidy', () => {
    expect(listLabels(shelf)).toEqual([
      { label: 'method', works: 1 },
      { label: 'read', works: 2 },
    ]);
    expect(tidyLabel('  two   words ')).toBe('two words');
  });
});
