import { escapeUTF8 } from 'entities';
import { findContainer, findPublisher, type RecordWriter } from '../../file/record-writer';
import { nameAuthor, type BibliographicRecord } from '../../record';

type Subfields = Readonly<Record<string, string>>;

/** What library catalogues read: MARC 21 as XML (Library of Congress, MARC21slim). */
export const MARCXML_WRITER: RecordWriter = {
  id: 'marcxml',
  name: 'MARCXML',
  ending: 'xml',
  mediaType: 'application/marcxml+xml',
  lacks: 'places of work',
  head: '<?xml version="1.0" encoding="UTF-8"?>\n<collection xmlns="http://www.loc.gov/MARC21/slim">\n',
  separator: '\n',
  foot: '\n</collection>\n',
  write: (record) => {
    const isPart = findContainer(record) !== '';
    // Language material; a part of something, or a book by itself.
    const leader = `<leader>00000na${isPart ? 'a' : 'm'} a2200000 a 4500</leader>`;
    return `<record>\n${leader}\n${listFields(record).join('')}</record>`;
  },
};

function listFields(record: BibliographicRecord): string[] {
  const container = findContainer(record);
  const doi: Subfields = { a: record.doi ?? '', 2: record.doi === undefined ? '' : 'doi' };
  return [
    writeField('024', doi, '7'),
    writeField('041', { a: record.language }),
    ...record.authors.map((author, at) =>
      author.given === ''
        ? writeField(at === 0 ? '110' : '710', { a: author.family }, '2')
        : writeField(at === 0 ? '100' : '700', { a: nameAuthor(author) }, '1'),
    ),
    writeField('245', { a: record.title }),
    writeField('264', { b: findPublisher(record), c: String(record.year ?? '') }, ' ', '1'),
    writeField('502', { a: record.type === 'thesis' ? 'thesis' : '' }),
    writeField('520', { a: record.abstract }),
    ...record.headings.map(({ label, qualifier = '' }) => writeField('650', { a: label, x: qualifier })),
    ...record.keywords.map((keyword) => writeField('653', { a: keyword })),
    writeField('655', { a: record.type }),
    writeField('773', { t: container, g: describePart(record) }),
  ].filter((field) => field !== '');
}

function describePart({ volume, issue, pages }: BibliographicRecord): string {
  return [
    ...(volume === undefined ? [] : [`vol. ${volume}`]),
    ...(issue === undefined ? [] : [`no. ${issue}`]),
    ...(pages === undefined ? [] : [`p. ${pages}`]),
  ].join(', ');
}

/** A field with its filled subfields; empty if there are none. */
function writeField(tag: string, subfields: Subfields, ind1 = ' ', ind2 = ' '): string {
  const parts = Object.entries(subfields)
    .filter(([, text]) => text !== '')
    .map(([code, text]) => `<subfield code="${code}">${encodeText(text)}</subfield>`);
  return parts.length === 0
    ? ''
    : `<datafield tag="${tag}" ind1="${ind1}" ind2="${ind2}">${parts.join('')}</datafield>\n`;
}

/** Signs that XML has no place for are left out. */
function encodeText(text: string): string {
  // eslint-disable-next-line no-control-regex
  return escapeUTF8(text.replace(/[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/g, ''));
}
