import { foldLetters, splitWords } from '../../../text';
import { findContainer, findPublisher, type RecordWriter } from '../../file/record-writer';
import { nameAuthor, type Author, type BibliographicRecord, type DocumentType } from '../../record';

/** The entry type for each kind of document, and what tells apart those that share one. */
const TYPES: Readonly<Record<DocumentType, readonly [type: string, subtype: string]>> = {
  article: ['article', ''],
  review: ['article', 'review'],
  'conference paper': ['inproceedings', ''],
  book: ['book', ''],
  thesis: ['phdthesis', ''],
  report: ['techreport', ''],
  news: ['article', 'newspaper'],
};
/** The field that the publisher stands in. */
const PUBLISHER_FIELDS: Partial<Record<DocumentType, string>> = { thesis: 'school', report: 'institution' };
/** Signs that have a meaning in LaTeX. */
const ESCAPES: Readonly<Record<string, string>> = {
  '\\': '\\textbackslash{}',
  '{': '\\{',
  '}': '\\}',
  $: '\\$',
  '&': '\\&',
  '#': '\\#',
  '%': '\\%',
  _: '\\_',
  '~': '\\textasciitilde{}',
  '^': '\\textasciicircum{}',
};

/** The files of the BibTeX program, in UTF-8. */
export const BIBTEX_WRITER: RecordWriter = {
  id: 'bibtex',
  name: 'BibTeX',
  ending: 'bib',
  mediaType: 'application/x-bibtex',
  lacks: 'subject headings and places of work',
  head: '',
  separator: '\n',
  foot: '',
  write: (record, place) => {
    const container = findContainer(record);
    const [type, subtype] = TYPES[record.type];
    const isChapter = record.type === 'book' && container !== '';
    const fields: (readonly [string, string])[] = [
      // Braces keep the capitals of a title.
      ['title', `{${escapeLatex(record.title)}}`],
      ['author', record.authors.map(writeName).join(' and ')],
      ['year', String(record.year ?? '')],
      [type === 'article' ? 'journal' : 'booktitle', escapeLatex(container)],
      ['volume', escapeLatex(record.volume ?? '')],
      ['number', escapeLatex(record.issue ?? '')],
      ['pages', escapeLatex((record.pages ?? '').replace(/-/g, '--'))],
      [PUBLISHER_FIELDS[record.type] ?? 'publisher', escapeLatex(findPublisher(record))],
      ['entrysubtype', subtype],
      ['doi', escapeLatex(record.doi ?? '')],
      ['language', record.language],
      ['keywords', record.keywords.map(escapeLatex).join('; ')],
      ['abstract', escapeLatex(record.abstract)],
    ];
    const lines = fields
      .filter(([, value]) => value !== '' && value !== '{}')
      .map(([name, value]) => `  ${name} = {${value}},\n`);
    return `@${isChapter ? 'incollection' : type}{${createKey(record, place)},\n${lines.join('')}}\n`;
  },
};

/** A text in which nothing is a command: quotation marks and dashes stay as they are. */
function escapeLatex(text: string): string {
  return text
    .replace(/[\\{}$&#%_~^]/g, (sign) => ESCAPES[sign] ?? sign)
    .replace(/--/g, '-{}-')
    .replace(/--/g, '-{}-')
    .replace(/([`'])(?=\1)/g, '$1{}')
    .replace(/\s+/g, ' ')
    .trim();
}

/** An organisation stands in braces of its own: it is not divided at an “and”. */
function writeName(author: Author): string {
  return author.given === '' ? `{${escapeLatex(author.family)}}` : escapeLatex(nameAuthor(author));
}

/** A key that tells people which work it is, and is unique in a file by its number. */
function createKey({ authors, year }: BibliographicRecord, place: number): string {
  const [first] = authors;
  const name = splitWords(foldLetters(first?.family ?? 'anon'))
    .map(({ text }) => text.replace(/[^a-z0-9]/g, ''))
    .join('');
  return `${name || 'anon'}${year ?? ''}-${place + 1}`;
}
