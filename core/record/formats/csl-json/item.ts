import Joi from 'joi';
import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import type { Author, BibliographicRecord, DocumentType } from '../../record';
import { readDoi, readLanguage, readYear, splitKeywords } from '../loose-values';

interface CslName {
  readonly family?: string;
  readonly given?: string;
  readonly literal?: string;
  readonly 'non-dropping-particle'?: string;
}

interface CslDate {
  readonly 'date-parts'?: readonly (readonly (number | string)[])[];
  readonly raw?: string;
  readonly literal?: string;
}

/** What is read of an item in CSL-JSON (Citation Style Language 1.0.2, csl-data.json). */
interface CslItem {
  readonly type?: string;
  readonly title?: string;
  readonly abstract?: string;
  readonly keyword?: string;
  readonly author?: readonly CslName[];
  readonly editor?: readonly CslName[];
  readonly 'container-title'?: string;
  readonly publisher?: string;
  readonly issued?: CslDate;
  readonly language?: string;
  readonly DOI?: string;
}

const text = Joi.string().allow('');
const names = Joi.array().items(
  Joi.object({ family: text, given: text, literal: text, 'non-dropping-particle': text }).unknown(),
);
const ITEM = Joi.object<CslItem>({
  type: text,
  title: text,
  abstract: text,
  keyword: text,
  author: names,
  editor: names,
  'container-title': text,
  publisher: text,
  issued: Joi.object({
    'date-parts': Joi.array().items(Joi.array().items(Joi.number(), text)),
    raw: text,
    literal: text,
  }).unknown(),
  language: text,
  DOI: text,
}).unknown();

/** The kinds of the Citation Style Language and what they are here; the others are articles. */
const TYPES: Readonly<Record<string, DocumentType>> = {
  book: 'book',
  chapter: 'book',
  'paper-conference': 'conference paper',
  thesis: 'thesis',
  report: 'report',
  'article-newspaper': 'news',
  review: 'review',
  'review-book': 'review',
};

/** An item in CSL-JSON as a bibliographic record. `keywords` are those that are known apart from each other. */
export function createRecordFromItem(
  item: unknown,
  id: string,
  keywords?: readonly string[],
): Outcome<BibliographicRecord> {
  const result = ITEM.validate(item, { convert: false });
  if (result.error)
    return fail(createProblem('record-unreadable', 'warning', { detail: result.error.message }));
  const csl = result.value;
  const title = tidy(csl.title);
  if (title === '') return fail(createProblem('record-without-title', 'warning'));
  const year = findYear(csl.issued);
  const doi = readDoi([csl.DOI ?? '']);
  return succeed({
    id,
    title,
    abstract: tidy(csl.abstract),
    keywords: keywords ?? splitKeywords(csl.keyword ?? ''),
    headings: [],
    authors: (csl.author ?? csl.editor ?? []).map(createAuthor),
    source: tidy(csl['container-title'] ?? csl.publisher),
    ...(year !== undefined && { year }),
    type: TYPES[csl.type ?? ''] ?? 'article',
    language: readLanguage(csl.language),
    peerReviewed: 'unknown',
    hasFullText: false,
    ...(doi !== undefined && { doi }),
    entered: '',
    references: [],
  });
}

function createAuthor({ family = '', given = '', literal, ...rest }: CslName): Author {
  const particle = rest['non-dropping-particle'];
  return { given: tidy(given), family: tidy([particle, literal ?? family].filter(Boolean).join(' ')) };
}

function findYear(issued: CslDate | undefined): number | undefined {
  const first = issued?.['date-parts']?.[0]?.[0];
  return readYear(first === undefined ? (issued?.raw ?? issued?.literal) : String(first));
}

/** Without marks of layout and with single blanks. */
function tidy(value = ''): string {
  return value
    .replace(/<\/?(i|b|em|strong|sub|sup|span|p|jats:\w+)\b[^>]*>/gi, '')
    .replace(/\s+/g, ' ')
    .trim();
}
