import { describe, expect, it } from 'vitest';
import { checkDialect } from './check-dialect';
import { DIALECT_FORM, readEntry, writeEntry, type FormEntry } from './form';
import { DIALECTS, OPEN_DIALECTS, TEMPLATE_DIALECTS, findDialect } from '../profile';

const entries = DIALECT_FORM.flatMap((section) => section.entries);
const entry = (path: string): FormEntry => entries.find((one) => one.path === path)!;
const faults = (document: unknown): string[] =>
  checkDialect(document).problems.map(({ data }) => `${String(data['path'])}: ${String(data['fault'])}`);

describe('the form over a dialect', () => {
  it('shows and writes back every entry of every dialect without a change', () => {
    for (const dialect of [...DIALECTS, ...OPEN_DIALECTS, ...TEMPLATE_DIALECTS]) {
      for (const one of entries) {
        const text = readEntry(dialect, one);
        const isAbsent = text === '' || (one.kind === 'yes-no' && text === 'no');
        if (!isAbsent) expect(writeEntry(dialect, one, text), `${dialect.id} ${one.path}`).toEqual(dialect);
      }
    }
  });

  it('changes only what it is about, and drops what is emptied', () => {
    const heronsmere = findDialect('heronsmere')!;
    const changed = writeEntry(heronsmere, entry('operators.and.write'), 'UND');
    expect(changed).toEqual({
      ...heronsmere,
      operators: { ...heronsmere.operators, and: { ...heronsmere.operators.and, write: 'UND' } },
    });
    const { headings: _, ...flat } = heronsmere;
    expect(writeEntry(heronsmere, entry('headings.heading'), '')).toEqual(flat);
    const cardinal = findDialect('cardinal')!;
    expect(writeEntry(cardinal, entry('proximity.0.form'), '')).toEqual({ ...cardinal, proximity: [] });
    expect(writeEntry(cardinal, entry('most.characters'), '')).toEqual({ ...cardinal, most: {} });
    expect(writeEntry({}, entry('proximity.0.form'), '{a} near {n} {b}')).toEqual({
      proximity: [{ form: '{a} near {n} {b}' }],
    });
    expect(writeEntry(cardinal, entry('stopWords'), 'der, die,  das')).toMatchObject({
      stopWords: ['der', 'die', 'das'],
    });
  });
});

describe('checking a dialect', () => {
  it('takes every one that ships', () => {
    for (const dialect of [...DIALECTS, ...OPEN_DIALECTS, ...TEMPLATE_DIALECTS])
      expect(faults(dialect)).toEqual([]);
  });

  const base = findDialect('heronsmere')!;
  const { operators, fields, wildcards } = base;
  it.each([
    [
      { ...base, operators: { ...operators, or: operators.and } },
      'operators: two operators are written alike',
    ],
    [
      { ...base, operators: { ...operators, and: { ...operators.and, write: '' } }, sideBySide: 'error' },
      'operators.and: without a word for “and”, words side by side must mean it',
    ],
    [
      { ...base, operators: { ...operators, or: { ...operators.or, write: 'ODER' } } },
      'operators: what is written must be read, too',
    ],
    [
      { ...base, wildcards: { ...wildcards, one: { ...wildcards.one!, sign: '*' } } },
      'wildcards: two wildcards have the same sign',
    ],
    [
      { ...base, fields: { ...fields, mark: '<{field}>{item}</f>' } },
      'fields.mark: a mark that stands on both sides must end with )',
    ],
    [
      { ...base, fields: { ...fields, codes: { title: 'x', abstract: 'X' } } },
      'fields.codes: two fields have the same code',
    ],
    [
      { ...base, fields: { ...fields, held: ['title'] } },
      'fields.held: what is searched without a mark must be held',
    ],
  ])('finds what is odd: %#', (document, fault) => {
    expect(faults(document)).toContain(fault);
  });

  it('tells all faults of the shape at once', () => {
    expect(faults({ ...base, sideBySide: 'maybe', stopWords: 'of' })).toHaveLength(2);
  });
});
