import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BibliographicRecord } from '../record';
import { RECORD_FORMATS, readRecordFile } from './read-file';

const FORMATS = join(import.meta.dirname, '..', 'formats');
const createId = (place: number): string => `r${place}`;
const read = (file: string, text: string) => readRecordFile(file, text, createId);

/** Each case: a file as it comes, and what is expected of it, in a file of the same name ending in `.expected.json`. */
const cases = RECORD_FORMATS.flatMap(({ id }) => {
  const folder = join(FORMATS, id, 'fixtures');
  return readdirSync(folder)
    .filter((name) => !name.endsWith('.expected.json'))
    .map((name) => ({ format: id, name, folder }));
});

interface Expected {
  readonly records: readonly Partial<BibliographicRecord>[];
  readonly skipped: readonly { readonly line: number; readonly code: string }[];
}

describe('files of records', () => {
  it.each(cases)('$format: $name', ({ name, folder }) => {
    const expected = JSON.parse(readFileSync(join(folder, `${name}.expected.json`), 'utf8')) as Expected;
    const reading = read(name, readFileSync(join(folder, name), 'utf8'));
    expect(reading.problem).toBeUndefined();
    expect(reading.records).toHaveLength(expected.records.length);
    expect(reading.records).toMatchObject(expected.records);
    expect(reading.skipped.map(({ line, problem }) => ({ line, code: problem.code }))).toEqual(
      expected.skipped,
    );
    expect(reading.records.map(({ id }) => id)).toEqual(expected.records.map((_, at) => `r${at}`));
  });

  it.each(RECORD_FORMATS.map(({ id }) => id))('there are at least three of %s', (id) => {
    expect(cases.filter(({ format }) => format === id).length).toBeGreaterThanOrEqual(3);
  });

  it('are recognised by their content where the name lies', () => {
    const ris = 'TY  - JOUR\nTI  - Bats\nER  - \n';
    expect(read('records.csv', ris)).toMatchObject({ format: 'RIS', records: [{ title: 'Bats' }] });
    expect(read('nothing.txt', 'only words').problem?.code).toBe('file-of-no-records');
    expect(read('empty.ris', '').problem?.code).toBe('file-of-no-records');
  });

  it('that are broken as wholes are refused with a reason', () => {
    expect(read('x.csv', 'name,year\nBats,2019\n').problem?.code).toBe('table-without-title');
  });

  it('that are cut anywhere give a beginning of the same records', () => {
    const title = fc.constantFrom('Bats', 'Lamps at night', 'Über Eulen', 'A title; with signs');
    const write = {
      'x.ris': (titles: readonly string[]) =>
        titles.map((one) => `TY  - JOUR\nTI  - ${one}\nAB  - So\nand on\nER  - \n`).join(''),
      'x.json': (titles: readonly string[]) =>
        JSON.stringify(titles.map((one) => ({ title: one, abstract: 'So "and" on' }))),
      'x.bib': (titles: readonly string[]) => titles.map((one) => `@misc{k, title = {${one}}}\n`).join(''),
      'x.xml': (titles: readonly string[]) =>
        `<collection>${titles.map((one) => `<record><datafield tag="245"><subfield code="a">${one}</subfield></datafield></record>`).join('\n')}`,
      'x.csv': (titles: readonly string[]) =>
        `title,year\n${titles.map((one) => `"${one}",2001\n`).join('')}`,
    };
    const file = fc.constantFrom(...(Object.keys(write) as (keyof typeof write)[]));
    fc.assert(
      fc.property(
        file,
        fc.array(title, { minLength: 1, maxLength: 8 }),
        fc.nat(1_000),
        (name, titles, place) => {
          const text = write[name](titles);
          const cut = text.slice(0, place % (text.length + 1));
          const found = read(name, cut).records.map((one) => one.title);
          // The last one may be cut itself, or go on with half of the next tag.
          expect(titles.slice(0, Math.max(0, found.length - 1))).toEqual(found.slice(0, -1));
          const last = found.at(-1);
          const whole = titles[found.length - 1] ?? '';
          if (last !== undefined) expect(whole.startsWith(last) || last.startsWith(whole)).toBe(true);
        },
      ),
    );
  });

  it('of many short lines are read in time that grows with their length', () => {
    const long = `TY  - JOUR\nTI  - Bats\nAB  - ${'a b\n'.repeat(250_000)}ER  - \n`;
    expect(read('x.ris', long).records[0]?.abstract).toHaveLength(250_000 * 4 - 1);
  });

  it('never throw, whatever is in them, and account for every record', () => {
    const begin = fc.constantFrom(
      '',
      'TY  - JOUR\n',
      '@article{a,\n',
      '[',
      '[{',
      'title,year\n',
      '<record><datafield tag="245">',
      '<dc xmlns="http://purl.org/dc/terms/">',
    );
    const line = fc.oneof(
      fc.string({ maxLength: 40 }),
      fc.constantFrom(
        'TI  - Bats',
        'ER  - ',
        'title={Bats},',
        '}',
        '@misc{b, title="x"}',
        '"title": "Bats"',
        '<subfield code="a">Bats</subfield></datafield></record>',
        '<record><datafield tag="245">',
        '<title>Bats</title></dc><dc>',
        '},',
        ']',
      ),
    );
    fc.assert(
      fc.property(begin, fc.array(line, { maxLength: 12 }), (head, lines) => {
        const reading = read('file', head + lines.join('\n'));
        for (const { title } of reading.records) expect(title).not.toBe('');
        for (const one of reading.skipped) expect(one.line).toBeGreaterThan(0);
        if (reading.problem) expect(reading.records).toEqual([]);
      }),
      { numRuns: 400 },
    );
  });

  it('say how far they are', () => {
    const seen: string[] = [];
    const text = 'TY  - JOUR\nTI  - Bats\nER  - \n'.repeat(1_200);
    readRecordFile('many.ris', text, createId, (done, all) => seen.push(`${(1_200 * done) / all}`));
    expect(seen).toEqual(['500', '1000', '1200']);
  });
});
