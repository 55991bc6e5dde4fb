import { decodeHTML } from 'entities';
import { foldLetters } from '../../text';
import { readName } from '../names';
import { DOCUMENT_TYPES, type Author, type BibliographicRecord, type DocumentType } from '../record';

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

/** The first year of four digits in a text. */
export function readYear(text: string | undefined): number | undefined {
  const year = /(?<!\d)(1[0-9]{3}|20[0-9]{2})(?!\d)/.exec(text ?? '')?.[1];
  return year === undefined ? undefined : Number(year);
}

/** The kind of document that some words name; an article if none is known. */
export function readType(texts: readonly string[]): DocumentType {
  const exact = texts.flatMap(
    (text) => DOCUMENT_TYPES.find((type) => text.trim().toLowerCase() === type) ?? [],
  )[0];
  if (exact) return exact;
  return TYPE_WORDS.find(([pattern]) => texts.some((text) => pattern.test(text)))?.[1] ?? 'article';
}

/** Languages by their names, as files write them in English and in themselves. */
const LANGUAGE_NAMES: Readonly<Record<string, string>> = {
  english: 'en',
  american: 'en',
  british: 'en',
  usenglish: 'en',
  ukenglish: 'en',
  german: 'de',
  ngerman: 'de',
  deutsch: 'de',
  french: 'fr',
  francais: 'fr',
  spanish: 'es',
  espanol: 'es',
  italian: 'it',
  portuguese: 'pt',
  dutch: 'nl',
  russian: 'ru',
  chinese: 'zh',
  japanese: 'ja',
  swedish: 'sv',
  danish: 'da',
  norwegian: 'no',
  finnish: 'fi',
  polish: 'pl',
};

/** A language as ISO 639-1, of several the first; empty if it is not known. */
export function readLanguage(text: string | undefined): string {
  const code = (text ?? '').trim().toLowerCase();
  const named = LANGUAGE_NAMES[foldLetters(/^\p{L}+/u.exec(code)?.[0] ?? '')];
  if (named !== undefined) return named;
  if (/^[a-z]{2}(-|$)/.test(code)) return code.slice(0, 2);
  return LANGUAGE_CODES[code.slice(0, 3)] ?? '';
}

/** A text as it is read: entities as their signs, without marks of layout, single blanks. */
export function tidyText(value = ''): string {
  // Some files have `&amp;lt;`: what was written twice is read twice.
  const plain = value.includes('&') ? decodeHTML(decodeHTML(value)) : value;
  const bare = plain.includes('<') ? plain.replace(LAYOUT, '') : plain;
  return bare.replace(UNEVEN_BLANKS, ' ').trim();
}

/** Blanks that are not a single ordinary one. */
const UNEVEN_BLANKS = /[^\S ]\s*| \s+/g;
const LAYOUT =
  /<\/?(?:i|b|u|em|strong|sub|sup|span|p|br|sc|div|title|bold|italic|ulink|inline-formula|jats:[\w-]+|mml:[\w-]+)(?:\s[^<>]*)?\/?>/gi;

/** The people and organisations of a list of names, each in a text of its own. */
export function readAuthors(names: readonly string[]): Author[] {
  return names.flatMap((name) => readName(tidyText(name)) ?? []);
}

/** Keywords that stand in one text, with semicolons between, else with commas. */
export function splitKeywords(text: string): string[] {
  const signs = text.includes(';') ? /[;|]/ : text.includes('|') ? /\|/ : /,/;
  return text
    .split(signs)
    .map((word) =>
      tidyText(word)
        .replace(/,(?=\S)/g, ', ')
        .replace(/\s+/g, ' ')
        .trim(),
    )
    .filter((word) => word !== '');
}

/** Where a record stands in its source. */
type PlaceInSource = Pick<BibliographicRecord, 'volume' | 'issue' | 'pages' | 'publisher'>;

/** Where a record stands in its source, as far as a file says it; a publisher that is the source is left out. */
export function readPlace(
  source: string,
  written: Readonly<Record<keyof PlaceInSource, string>>,
): PlaceInSource {
  const place = {
    volume: tidyText(written.volume),
    issue: tidyText(written.issue),
    pages: readPages(written.pages),
    publisher: tidyText(written.publisher),
  };
  return Object.fromEntries(
    Object.entries(place).filter(([part, text]) => text !== '' && !(part === 'publisher' && text === source)),
  );
}

/** Pages as they are kept: without `pp.`, with a single hyphen between the first and the last. */
function readPages(text: string): string {
  return tidyText(text)
    .replace(/^pp?\.\s*/i, '')
    .replace(/\s*[-–—]+\s*/g, '-')
    .replace(/^-|-$/g, '');
}
