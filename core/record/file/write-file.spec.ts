import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createTestRecord } from '../../testing/records';
import { DOCUMENT_TYPES, type Author, type BibliographicRecord } from '../record';
import { readRecordFile } from './read-file';
import { RECORD_WRITERS, writeRecordFile } from './write-file';

const createId = (place: number): string => `r${place}`;

function writeAndRead(records: readonly BibliographicRecord[], id: string) {
  const writer = RECORD_WRITERS.find((one) => one.id === id)!;
  const text = [...writeRecordFile(records, writer)].join('');
  return { text, reading: readRecordFile(`file.${writer.ending}`, text, createId) };
}

const WORK: BibliographicRecord = createTestRecord({
  id: 'r0',
  title: 'Bats & lamps: 100 % of {curly} $signs_ and “quotes” – a <review> of M. brandtii',
  abstract: 'We asked it; 5 < 6 & 7 > 2. It cost $5 ~ #1, C:\\bats\\^.',
  keywords: ['street light', 'bats (Chiroptera)'],
  headings: [{ label: 'Chiroptera' }, { label: 'Night lighting' }],
  authors: [
    { given: 'Freya A.', family: 'Okonjo' },
    { given: 'Jan', family: 'van der Berg' },
    { given: 'Anna, Jr.', family: 'Söderström-Łódź' },
    { given: '', family: 'Night Ecology Group' },
  ],
  source: 'Annals of Night Ecology',
  volume: '12',
  issue: '3',
  pages: '120-131',
  publisher: 'Tarn Press',
  year: 2021,
  type: 'article',
  language: 'de',
  peerReviewed: 'unknown',
  hasFullText: false,
  doi: '10.5555/night_(2021)<12>3;x',
  entered: '',
  references: [],
});

/** What each kind of file has no place for. */
function leaveOut(record: BibliographicRecord, id: string): BibliographicRecord {
  return { ...record, headings: id === 'csv' || id === 'marcxml' ? record.headings : [] };
}

const name = fc
  .stringMatching(/^\p{Lu}\p{Ll}{1,8}$/u)
  .filter((word) => word.normalize('NFC') === word && !/^(And|Others|The|Of|For)$/.test(word));
const author: fc.Arbitrary<Author> = fc.oneof(
  fc.record({ given: name, family: name }),
  fc.record({
    given: name.map((one) => `${one.charAt(0)}. B.`),
    family: name.map((one) => `van der ${one}`),
  }),
  name.map((one) => ({ given: '', family: `${one} Society` })),
);
/** Words with the signs that formats have a meaning for; a text does not begin or end with one. */
const words = fc
  .array(
    fc.oneof(
      name,
      fc.constantFrom('a & b', '5 % of', '$3', 'C_2', '{x}', '“so”', 'it’s', '–', '<3', 'x ~ y', '#7'),
    ),
    { minLength: 1, maxLength: 8 },
  )
  .map((parts) => `Bats ${parts.join(' ')} end`);
const optional = <T>(value: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> =>
  fc.option(value, { nil: undefined });
const anyRecord: fc.Arbitrary<BibliographicRecord> = fc
  .record({
    title: words,
    abstract: fc.oneof(words, fc.constant('')),
    keywords: fc.uniqueArray(name, { maxLength: 4 }),
    authors: fc.array(author, { maxLength: 5 }),
    source: name.map((one) => `Annals of ${one}`),
    volume: optional(fc.integer({ min: 1, max: 400 }).map(String)),
    issue: optional(fc.integer({ min: 1, max: 12 }).map(String)),
    pages: optional(fc.integer({ min: 1, max: 900 }).map((first) => `${first}-${first + 9}`)),
    year: optional(fc.integer({ min: 1900, max: 2026 })),
    type: fc.constantFrom(...DOCUMENT_TYPES),
    language: fc.constantFrom('en', 'de', 'fr', ''),
    doi: optional(fc.constantFrom('10.5555/a.1', '10.5555/b_(2)', '10.5555/c<3>4')),
    headings: fc.uniqueArray(name, { maxLength: 3 }).map((labels) => labels.map((label) => ({ label }))),
  })
  .map((made) => {
    const filled = Object.fromEntries(Object.entries(made).filter(([, value]) => value !== undefined));
    return { ...WORK, ...{ volume: '', issue: '', pages: '' }, ...filled };
  })
  .map(({ volume, issue, pages, publisher: _, year: __, doi: ___, ...rest }) => ({
    ...rest,
    ...(volume && { volume }),
    ...(issue && { issue }),
    ...(pages && { pages }),
  }));

describe('files of records that are written', () => {
  it.each(RECORD_WRITERS.map(({ id }) => id))('%s gives back what it was given', (id) => {
    const records = DOCUMENT_TYPES.map((type, at) => ({ ...WORK, id: createId(at), type }));
    const { reading } = writeAndRead(records, id);
    expect(reading.skipped).toEqual([]);
    expect(reading.records).toEqual(records.map((record) => leaveOut(record, id)));
  });

  it.each(RECORD_WRITERS.map(({ id }) => id))('%s gives back any records, each once', (id) => {
    fc.assert(
      fc.property(fc.array(anyRecord, { maxLength: 5 }), (made) => {
        const records = made.map((record, at) => ({ ...record, id: createId(at) }));
        const { reading } = writeAndRead(records, id);
        expect(reading.records).toEqual(records.map((record) => leaveOut(record, id)));
      }),
      { numRuns: 150 },
    );
  });

  it('of books that stand alone have their publisher as such, and a chapter its book', () => {
    const { volume: _, issue: __, pages: ___, publisher: ____, ...bare } = WORK;
    const book: BibliographicRecord = { ...bare, type: 'book', source: 'Tarn Press' };
    const chapter: BibliographicRecord = { ...book, source: 'A Book of Lamps', publisher: 'Tarn Press' };
    expect(writeAndRead([book], 'ris').text).toContain('TY  - BOOK\r\n');
    expect(writeAndRead([book], 'ris').text).toContain('PB  - Tarn Press\r\n');
    expect(writeAndRead([chapter], 'ris').text).toContain('T2  - A Book of Lamps\r\n');
    for (const { id } of RECORD_WRITERS)
      expect(writeAndRead([book, chapter], id).reading.records).toEqual(
        [book, chapter].map((record, at) => ({ ...leaveOut(record, id), id: createId(at) })),
      );
  });

  it('have keys of BibTeX that are unique and tell the work', () => {
    const { text } = writeAndRead([WORK, WORK, { ...WORK, authors: [] }], 'bibtex');
    expect([...text.matchAll(/^@\w+\{(.+),$/gm)].map(([, key]) => key)).toEqual([
      'okonjo2021-1',
      'okonjo2021-2',
      'anon2021-3',
    ]);
  });

  it('are tables in which no cell is taken for a formula', () => {
    const { text } = writeAndRead([{ ...WORK, title: '=1+1' }], 'csv');
    expect(text).toContain("'=1+1");
  });
});
