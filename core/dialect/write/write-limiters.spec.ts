import { describe, expect, it } from 'vitest';
import { isSameLimiters, type Limiters } from '../../limiter';
import { parseQuery, printQuery } from '../../query';
import { DIALECTS, findDialect } from '../profile';
import { readString } from '../read';
import { readDialect } from '../profile';
import { writeQuery } from './writer';

const { root } = parseQuery('bats OR lamps NOT roads');
const write = (database: string, limiters: Limiters) =>
  writeQuery(root, findDialect(database)!, { limiters });

describe('limiters in a dialect', () => {
  it('go round the bracketed whole, never behind a trailing NOT', () => {
    const text = write('cardinal', { years: { from: 2015 } }).text;
    expect(text).toMatch(/^\(.*\) AND years\(2015-9999\)$/);
  });

  it.each<[string, Limiters, string]>([
    ['heronsmere', { entered: { from: '2026-01', to: '2026-06' } }, 'entered:2026-01..2026-06'],
    ['heronsmere', { entered: { from: '2026-01' } }, 'entered:2026-01..9999-12'],
    ['heronsmere', { sources: ['Night "Ecology"'] }, 'journal:"Night  Ecology"'],
    ['gantry', { sources: ['Lamps', 'Roads'] }, '("Lamps"{source} or "Roads"{source})'],
    ['cardinal', { sources: ['Lamps'] }, 'in(source: "Lamps")'],
    ['northern', { subjects: ['zoology'] }, 'dc.subject = "zoology"'],
  ])('%s writes %j', (database, limiters, wanted) => {
    expect(write(database, limiters).text.endsWith(` ${wanted}`)).toBe(true);
  });

  it('of entry are ticked in one database, written in another and not to be had elsewhere', () => {
    const limiters: Limiters = { entered: { to: '2025-12' } };
    expect(write('marlstone', limiters)).toMatchObject({ sentLimiters: limiters, steps: [{ how: 'box' }] });
    const omitted = DIALECTS.filter(({ limiters: rules }) => rules.entered.how === 'none');
    for (const { id } of omitted)
      expect(write(id, limiters)).toMatchObject({
        sentLimiters: {},
        steps: [{ limiter: 'entered', how: 'none' }],
      });
    expect(omitted).toHaveLength(4);
  });

  it('of entry are read back from a string, and a source as words in its field', () => {
    const heronsmere = findDialect('heronsmere')!;
    const limiters: Limiters = {
      entered: { from: '2026-01', to: '2026-06' },
      years: { from: 2015, to: 2020 },
    };
    const read = readString(write('heronsmere', limiters).text, heronsmere);
    expect(read.problems).toEqual([]);
    expect(isSameLimiters(read.limiters, limiters)).toBe(true);
    const journal = readString('bats AND journal:"Night Ecology"', heronsmere);
    expect(printQuery(journal.root)).toContain('source: "Night Ecology"');
  });

  it('that a dialect of older days does not name are not to be had there', () => {
    const document = structuredClone(findDialect('heronsmere')!) as unknown as {
      limiters: Record<string, unknown>;
    };
    for (const name of ['entered', 'sources', 'subjects']) delete document.limiters[name];
    const { dialect } = readDialect(document);
    expect(dialect?.limiters.entered).toEqual({ how: 'none' });
    delete document.limiters['years'];
    expect(readDialect(document).dialect).toBeUndefined();
  });
});

describe('an identifier in a dialect', () => {
  const write = (identifier: string, value: string, base = 'cardinal') => {
    const dialect = findDialect(base)!;
    const own = { ...dialect, fields: { ...dialect.fields, identifier } };
    const rendering = writeQuery(parseQuery(`bats OR doi: "${value}"`).root, own);
    return { rendering, back: readString(rendering.text, own) };
  };

  it.each([
    ['doi("{value}")', '10.5555/bats.12'],
    ['doi("{value}")', '10.5555/(bats)2:1<8::aid>3'],
    ['doi:{value}', '10.5555/bats.12'],
    ['doi({value})', '10.5555/bats-12_a'],
  ])('%s is written for %s and read back', (form, value) => {
    const { rendering, back } = write(form, value);
    expect(rendering).toMatchObject({ whole: 'same', problems: [] });
    expect(back.problems).toEqual([]);
    expect(printQuery(back.root)).toContain(`doi: "${value}"`);
  });

  it('is left out, and that is said, where it would end what it stands in', () => {
    const { rendering } = write('doi({value})', '10.5555/(bats)2');
    expect(rendering.text).not.toContain('10.5555');
    expect(rendering.whole).toBe('narrower');
    expect([...rendering.fidelity.values()].flatMap(({ reasons }) => reasons)).toContainEqual({
      code: 'property-missing',
      data: { property: 'identifier (DOI)' },
    });
  });

  it('has signs that mean something between quotation marks made ordinary', () => {
    const { rendering } = write('dc.identifier == "{value}"', '10.5555/a*b', 'northern');
    expect(rendering.text).toContain('"10.5555/a\\*b"');
  });
});
