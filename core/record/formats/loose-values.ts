import { DOCUMENT_TYPES, type Author, type DocumentType } from '../record';

const TYPE_WORDS: readonly (readonly [RegExp, DocumentType])[] = [
  [/review/i, 'review'],
  [/conference|proceeding/i, 'conference paper'],
  [/thes[ie]s|dissertation/i, 'thesis'],
  [/report/i, 'report'],
  [/news/i, 'news'],
  [/article|journal/i, 'article'],
  [/book|monograph|text/i, 'book'],
];
const LANGUAGE_CODES: Readonly<Record<string, string>> = {
  eng: 'en',
  fre: 'fr',
  fra: 'fr',
  ger: 'de',
  deu: 'de',
  spa: 'es',
  ita: 'it',
  por: 'pt',
  dut: 'nl',
  nld: 'nl',
  rus: 'ru',
  chi: 'zh',
  zho: 'zh',
  jpn: 'ja',
  swe: 'sv',
  dan: 'da',
  nor: 'no',
  fin: 'fi',
  pol: 'pl',
};

/** `Family, Given` or `Given Family` as an author. */
export function readAuthor(text: string): Author {
  const clean = text
    .replace(/\s+/g, ' ')
    .replace(/[\s,.;]+$/, '')
    .trim();
  const [family = '', given] = clean.split(/,\s*/);
  if (given !== undefined) return { family, given };
  const words = clean.split(' ');
  return { family: words.at(-1) ?? '', given: words.slice(0, -1).join(' ') };
}

/** The first year of four digits in a text. */
export function readYear(text: string | undefined): number | undefined {
  const year = /(?<!\d)(1[0-9]{3}|20[0-9]{2})(?!\d)/.exec(text ?? '')?.[1];
  return year === undefined ? undefined : Number(year);
}

/** The kind of document that some words name; an article if none is known. */
export function readType(texts: readonly string[]): DocumentType {
  const exact = DOCUMENT_TYPES.find((type) => texts.some((text) => text.trim().toLowerCase() === type));
  if (exact) return exact;
  return TYPE_WORDS.find(([pattern]) => texts.some((text) => pattern.test(text)))?.[1] ?? 'article';
}

/** A language as ISO 639-1; empty if it is not known. */
export function readLanguage(text: string | undefined): string {
  const code = (text ?? '').trim().toLowerCase();
  if (/^[a-z]{2}(-|$)/.test(code)) return code.slice(0, 2);
  return LANGUAGE_CODES[code.slice(0, 3)] ?? '';
}

/** The identifier of a document (DOI, ISO 26324) in a text. */
export function readDoi(texts: readonly string[]): string | undefined {
  return texts.flatMap((text) => /10\.\d{4,9}\/[^\s"<>]+/.exec(text)?.[0] ?? [])[0];
}

/** Keywords that stand in one text, with semicolons between, else with commas. */
export function splitKeywords(text: string): string[] {
  const signs = text.includes(';') ? /[;|]/ : text.includes('|') ? /\|/ : /,/;
  return text
    .split(signs)
    .map((word) =>
      word
        .replace(/,(?=\S)/g, ', ')
        .replace(/\s+/g, ' ')
        .trim(),
    )
    .filter((word) => word !== '');
}
