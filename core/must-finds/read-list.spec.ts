import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readPastedList } from './read-list';

const titles = (pasted: string): string[] => readPastedList(pasted).works.map(({ title }) => title);

describe('a pasted list of works', () => {
  it.each([
    [
      'titles, a line each',
      'Warm lamps and bats\nOwls near roads',
      ['Warm lamps and bats', 'Owls near roads'],
    ],
    [
      'numbers and bullets',
      '1. Warm lamps and bats\n- Owls near roads\n[3] Moths at dusk',
      ['Warm lamps and bats', 'Owls near roads', 'Moths at dusk'],
    ],
    [
      'quotation marks',
      '“Warm lamps and bats”\n"Owls near roads".',
      ['Warm lamps and bats', 'Owls near roads'],
    ],
    [
      'author and year',
      'Okonjo, F. A., & Hale, M. (2021). Warm lamps and bats: what light does. Annals of Night Ecology, 12(3), 120–131.',
      ['Warm lamps and bats: what light does'],
    ],
    [
      'numbers and initials',
      '3. Okonjo FA, van der Berg J. Warm lamps and bats. Annals of Night Ecology. 2021;12(3):120-31.',
      ['Warm lamps and bats'],
    ],
    [
      'a title in quotation marks',
      'Okonjo, Freya A., and Mo Hale. “Warm Lamps and Bats.” Annals of Night Ecology 12, no. 3 (2021): 120–31.',
      ['Warm Lamps and Bats'],
    ],
    ['a title with a year in it', 'Bats of Tarn, 1990 to 2010', ['Bats of Tarn, 1990 to 2010']],
    [
      'lines that a document broke, with numbers',
      '1. Warm lamps and their influ-\nence on bats along hedge-\nrows of Tarn\n2. Owls near\nroads',
      ['Warm lamps and their influence on bats along hedgerows of Tarn', 'Owls near roads'],
    ],
    [
      'lines that a document broke, with empty lines between',
      'Warm lamps and their influence on bats along the\nhedgerows of Tarn\n\nOwls near roads and what they hear at night, a\nlong study',
      [
        'Warm lamps and their influence on bats along the hedgerows of Tarn',
        'Owls near roads and what they hear at night, a long study',
      ],
    ],
    [
      'a hyphen that belongs to its word',
      '1. Lamps and light-\nAverse bats\n2. Owls near roads',
      ['Lamps and light- Averse bats', 'Owls near roads'],
    ],
  ])('%s', (_, pasted, expected) => {
    expect(titles(pasted)).toEqual(expected);
    expect(readPastedList(pasted).unread).toEqual([]);
  });

  it('holds identifiers however they are written; their words stay for where no database knows them', () => {
    const pasted = [
      'Okonjo F. (2021) Warm lamps and bats. Annals 4. https://doi.example/10.5555/made.3.',
      'doi: 10.5555%2Fmade.4',
      '10.5555/MADE.4',
    ].join('\n');
    expect(readPastedList(pasted).works).toEqual([
      { title: 'Warm lamps and bats', identifier: '10.5555/made.3' },
      { title: '', identifier: '10.5555/made.4' },
    ]);
  });

  it('keeps what names no work, with its line and the reason', () => {
    expect(readPastedList('Warm lamps and bats\n—\n\nReferences\nWarm lamps and bats')).toEqual({
      works: [{ title: 'Warm lamps and bats' }],
      unread: [
        { line: 2, text: '—', reason: 'no-words' },
        { line: 4, text: 'References', reason: 'one-word' },
      ],
    });
  });

  it('of any text loses no line, never throws, and is read in time that grows with its length', () => {
    const line = fc.oneof(
      fc.string({ maxLength: 60 }),
      fc.constantFrom(
        '1. Warm lamps and bats',
        '- Owls',
        '',
        '10.5555/a.1',
        'Okonjo F (2021). Bats at',
        'hedge-',
      ),
    );
    fc.assert(
      fc.property(fc.array(line, { maxLength: 20 }), (lines) => {
        const { works, unread } = readPastedList(lines.join('\n'));
        if (lines.some((one) => /[\p{L}\p{N}]/u.test(one)))
          expect(works.length + unread.length).toBeGreaterThan(0);
        for (const piece of unread) expect(piece.line).toBeLessThanOrEqual(lines.length);
      }),
    );
    const many = Array.from(
      { length: 5_000 },
      (_, at) =>
        `${at}. Okonjo, F. A., & Hale, M. (2021). Warm lamps and bats at site ${at}. Annals of Night Ecology, 12(3), 120–131.`,
    );
    expect(readPastedList(many.join('\n')).works).toHaveLength(5_000);
    expect(readPastedList('a'.repeat(200_000)).works).toEqual([]);
    expect(titles(`Okonjo F (2021). ${'a'.repeat(100_000)}`)).toHaveLength(0);
    expect(readPastedList('Okonjo F, '.repeat(5_000)).works.length).toBeLessThanOrEqual(1);
  });
});
