import type { DocumentType } from '../../record';

/** The parts of a record that are taken from a file of tags. */
type Part =
  | 'title'
  | 'abstract'
  | 'keywords'
  | 'authors'
  | 'editors'
  | 'source'
  | 'publisher'
  | 'volume'
  | 'issue'
  | 'firstPage'
  | 'lastPage'
  | 'year'
  | 'kind'
  | 'language'
  | 'doi';

/**
 * The tags that a part is taken from, the surest first: the first that a record has is used, of keywords, authors
 * and identifiers all. What else a record of a type has them for is in `TYPES`.
 */
export const PART_TAGS: Readonly<Record<Part, readonly string[]>> = {
  title: ['TI', 'T1', 'CT', 'BT', 'ST'],
  abstract: ['AB', 'N2'],
  keywords: ['KW', 'K1'],
  authors: ['AU', 'A1'],
  editors: ['A2', 'ED', 'A3', 'A4'],
  source: ['T2', 'JF', 'JO', 'JA', 'J2', 'J1', 'BT', 'T3'],
  publisher: ['PB'],
  volume: ['VL', 'VO'],
  issue: ['IS', 'CP'],
  firstPage: ['SP'],
  lastPage: ['EP'],
  year: ['PY', 'Y1', 'DA', 'C2'],
  kind: ['M3'],
  language: ['LA'],
  doi: ['DO', 'DI', 'M3', 'N1', 'UR', 'L3', 'ID', 'AN'],
};

/** All tags of the format: a line that begins like one of them and is none goes on with the line before. */
export const TAGS: ReadonlySet<string> = new Set([
  ...Object.values(PART_TAGS).flat(),
  ...[
    'TY',
    'ER',
    'A5',
    'A6',
    'AD',
    'AV',
    'C1',
    'C3',
    'C4',
    'C5',
    'C6',
    'C7',
    'C8',
    'CA',
    'CN',
    'CP',
    'CY',
    'DB',
    'DP',
  ],
  ...[
    'DS',
    'ED',
    'EP',
    'ET',
    'FD',
    'H1',
    'H2',
    'IP',
    'IS',
    'L1',
    'L2',
    'L4',
    'LB',
    'LK',
    'LL',
    'M1',
    'M2',
    'NO',
    'NV',
  ],
  ...[
    'OL',
    'OP',
    'PA',
    'PP',
    'PM',
    'RD',
    'RI',
    'RN',
    'RP',
    'SE',
    'SF',
    'SL',
    'SN',
    'SO',
    'SP',
    'SR',
    'SV',
    'T4',
    'TA',
  ],
  ...['TT', 'U1', 'U2', 'U3', 'U4', 'U5', 'UK', 'VL', 'VO', 'WP', 'WT', 'WV', 'XX', 'Y2', 'YR'],
]);

/** What the types of the format are here; those that are not named are articles. */
export const TYPES: Readonly<Record<string, DocumentType>> = {
  BOOK: 'book',
  CHAP: 'book',
  ECHAP: 'book',
  EBOOK: 'book',
  EDBOOK: 'book',
  SER: 'book',
  CLSWK: 'book',
  ANCIENT: 'book',
  DICT: 'book',
  ENCYC: 'book',
  CONF: 'conference paper',
  CPAPER: 'conference paper',
  THES: 'thesis',
  RPRT: 'report',
  GOVDOC: 'report',
  STAND: 'report',
  STD: 'report',
  GRNT: 'report',
  GRANT: 'report',
  UNBILL: 'report',
  UNPB: 'report',
  UNPD: 'report',
  WEB: 'report',
  ELEC: 'report',
  BLOG: 'news',
  NEWS: 'news',
  MGZN: 'news',
  INTV: 'news',
  PRESS: 'news',
  POD: 'news',
  RADIO: 'news',
  REVIEW: 'review',
};
