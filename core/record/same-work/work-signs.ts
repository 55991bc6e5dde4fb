import { splitWords } from '../../text';
import { tidyText } from '../formats/loose-values';
import type { BibliographicRecord, DocumentType } from '../record';

/** What of a record tells its work, folded: letters without case and accents, words without signs. */
export interface WorkSigns {
  /** The words of the title without articles and the like. */
  readonly title: readonly string[];
  /** How many of them stand before a colon or a dash: what comes after may be left out. */
  readonly main: number;
  /** Of the first author; an organisation has only a family name. Empty if there is none. */
  readonly family: string;
  readonly given: string;
  /** 0 if it is not known. */
  readonly year: number;
  /** The first letters of the words of the source: an abbreviated name has the same. Empty if there is none. */
  readonly source: string;
  readonly type: DocumentType;
}

type SignedRecord = Pick<BibliographicRecord, 'title' | 'year' | 'authors'> &
  Partial<Pick<BibliographicRecord, 'source' | 'type'>>;

/** Words that titles and sources have or lack by habit. */
const SMALL_WORDS = new Set(
  'a an and as at by de der des die das el et for from in into la las le les los of on or the to und with y'.split(
    ' ',
  ),
);
/** Ends the main title: the first of these that has a word before it. */
const SUBTITLE = /[:;?!]\s|\.\s|\s[-–—]+\s/u;

/** What of a record tells its work. */
export function createWorkSigns({ title, year, authors, source, type }: SignedRecord): WorkSigns {
  const plain = stripLatex(tidyText(title));
  const [first] = authors;
  const cut = SUBTITLE.exec(plain)?.index ?? plain.length;
  return {
    title: listTellingWords(plain),
    main: listTellingWords(plain.slice(0, cut)).length,
    family: foldName(first?.family ?? ''),
    given: foldName(first?.given ?? ''),
    year: year ?? 0,
    source: listTellingWords(source ?? '')
      .map((word) => word[0])
      .join(''),
    type: type ?? 'article',
  };
}

/** A title without the commands and braces of LaTeX, where a file was not read as such. */
function stripLatex(text: string): string {
  return text
    .replace(/\\[`'^"~=.uvHcdb]\{?\\?([a-zA-Z])\}?/g, '$1')
    .replace(/\\[a-zA-Z]+\s?/g, '')
    .replace(/[{}$]/g, '');
}

function listTellingWords(text: string): string[] {
  const words = splitWords(text).map((word) => word.text);
  const telling = words.filter((word) => !SMALL_WORDS.has(word));
  return telling.length > 0 ? telling : words;
}

function foldName(name: string): string {
  return splitWords(name)
    .map(({ text }) => text)
    .join(' ');
}

/** As one text, to be kept and sent: its parts with `|` between, which no word has. */
export function writeWorkSigns({ title, main, family, given, year, source, type }: WorkSigns): string {
  return [year, type, family, given, source, main, title.join(' ')].join('|');
}

/** Reads what `writeWorkSigns` wrote; an empty text is of a record that tells nothing. */
export function readWorkSigns(text: string): WorkSigns {
  const [year = '', type = '', family = '', given = '', source = '', main = '', title = ''] = text.split('|');
  return {
    title: title === '' ? [] : title.split(' '),
    main: Number(main),
    family,
    given,
    year: Number(year),
    source,
    type: type as DocumentType,
  };
}
