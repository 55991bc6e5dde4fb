import { findContainer, findPublisher, splitPages, type RecordWriter } from '../../file/record-writer';
import { nameAuthor, type Author, type BibliographicRecord, type DocumentType } from '../../record';

/** The type of the format for each kind of document. A review is an article whose further tag says so. */
const TYPES: Readonly<Record<DocumentType, string>> = {
  article: 'JOUR',
  review: 'JOUR',
  'conference paper': 'CPAPER',
  book: 'BOOK',
  thesis: 'THES',
  report: 'RPRT',
  news: 'NEWS',
};

/** The tagged format of reference managers. */
export const RIS_WRITER: RecordWriter = {
  id: 'ris',
  name: 'RIS',
  ending: 'ris',
  mediaType: 'application/x-research-info-systems',
  lacks: 'subject headings and places of work',
  head: '',
  separator: '\r\n',
  foot: '',
  write: (record) =>
    listTags(record)
      .filter(([, value]) => value !== '')
      .map(([tag, value]) => `${tag}  - ${value.replace(/\s+/g, ' ').trim()}\r\n`)
      .join('') + 'ER  - \r\n',
};

function listTags(record: BibliographicRecord): (readonly [tag: string, value: string])[] {
  const container = findContainer(record);
  const [first, last] = splitPages(record);
  return [
    ['TY', record.type === 'book' && container !== '' ? 'CHAP' : TYPES[record.type]],
    ['TI', record.title],
    ...record.authors.map((author) => ['AU', writeName(author)] as const),
    ['PY', String(record.year ?? '')],
    ['T2', container],
    ['VL', record.volume ?? ''],
    ['IS', record.issue ?? ''],
    ['SP', first],
    ['EP', last],
    ['PB', findPublisher(record)],
    ['M3', record.type === 'review' ? 'review' : ''],
    ['AB', record.abstract],
    ...record.keywords.map((keyword) => ['KW', keyword] as const),
    ['LA', record.language],
    ['DO', record.doi ?? ''],
  ];
}

/** A comma behind an organisation tells that it is one name whole. */
function writeName(author: Author): string {
  return author.given === '' ? `${author.family},` : nameAuthor(author);
}
