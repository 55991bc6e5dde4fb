import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DIALECTS, OWN_RECORDS, findDialect, writeQuery, type Dialect } from '../dialect';
import { parseQuery } from '../query';
import { arbitraryQuery } from '../testing/arbitraries';
import { readBack } from './read-back';

const read = (text: string, dialect: Dialect) => {
  const { root } = parseQuery(text);
  return readBack(root, writeQuery(root, dialect, { limiters: { years: { from: 2000 } } }), dialect);
};

describe('a rendering read back', () => {
  it('is shown to be the same query where the dialect says it as it is', () => {
    expect(read('bat* AND (title: lamp OR "street light")', OWN_RECORDS)).toEqual({
      text: 'bat* AND (title: lamp OR "street light")',
      verdict: 'same',
      faults: 0,
    });
  });

  it('is the same query where only headings of other thesauri are left out', () => {
    const back = read('bat AND (lamp OR heading(gantry): "Street lighting")', findDialect('heronsmere')!);
    expect(back).toMatchObject({ text: 'bat AND lamp', verdict: 'same' });
  });

  it('differs as the rendering says where the dialect cannot say it', () => {
    const back = read('bat AND focus: "Chiroptera"', findDialect('gantry')!);
    expect(back).toMatchObject({ verdict: 'as-said', faults: 0 });
  });

  it('is not shown to be the same by a profile that cannot read what it writes', () => {
    const heronsmere = findDialect('heronsmere')!;
    const { root } = parseQuery('bat NOT lamp');
    const foreign = { ...writeQuery(root, heronsmere), ...writeQuery(root, findDialect('cardinal')!) };
    expect(readBack(root, foreign, heronsmere)?.verdict).toBe('not-shown');
  });

  it('has no faults in any dialect that ships, whatever the query', () => {
    fc.assert(
      fc.property(arbitraryQuery, fc.constantFrom(...DIALECTS, OWN_RECORDS), (query, dialect) => {
        const rendering = writeQuery(query, dialect);
        const back = readBack(query, rendering, dialect);
        expect(back?.faults ?? 0, rendering.text).toBe(0);
        if (back?.verdict === 'same') expect(back.text).not.toBe('');
      }),
      { numRuns: 400, endOnFailure: true },
    );
  });

  it('is nothing where nothing was written', () => {
    expect(read('OFF(bat)', OWN_RECORDS)).toBeUndefined();
  });
});
