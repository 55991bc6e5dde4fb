import { findDoi, normaliseTitle } from '../record';

/** What a pasted line or reference says of a work. */
export interface PastedWork {
  /** Its title; for an identifier alone, empty. */
  readonly title: string;
  readonly identifier?: string;
}

/** A piece of a list that names no work, with the line that it begins in, from 1, and why. */
export interface UnreadPiece {
  readonly line: number;
  readonly text: string;
  readonly reason: 'no-words' | 'one-word';
}

/** What came of a pasted list; each work once, in its order. */
export interface PastedList {
  readonly works: readonly PastedWork[];
  readonly unread: readonly UnreadPiece[];
}

/** What stands before an entry of a list: a bullet, or a number. */
const BULLET = /^\s*(?:[-•*–▪◦]\s+|\(?\d{1,4}[.)]\s+|\[\d{1,4}\]\s*)/;
/** What stands before an identifier and is no word of a title. */
const RESOLVER = /(?:https?:\/\/\S+?\/)?(?:doi:\s*)?10\.\d{4,9}\S+/gi;
/** A year in brackets, behind the names of a reference. */
const YEAR_IN_BRACKETS = /\((?:1[89]|20)\d\d[a-z]?(?:,[^)]*)?\)[.,:]?\s+/;
const YEAR = /\b(?:1[89]|20)\d\d[a-z]?\b/;
const QUOTED = /["“„«‘]([^"“”„»’]{12,}?)[,.?!]?["”“»’]/;
/** Names with initials, at the beginning of a reference: `Okonjo FA, van der Berg J.` and `Okonjo, F. A., & Hale, M.` */
const NAMES =
  /^(?:\p{L}[\p{L}'’-]*(?: [\p{L}'’-]+){0,3},?\s+(?:\p{Lu}\.?[\s-]?){0,3}\p{Lu}\.?(?!\p{L}),?\s*(?:(?:&|and|und|et)\s+)?)+(?:et al\.?,?\s*)?[.:]?\s*/u;
/** So much of an entry is looked at for its title. */
const LOOKED_AT = 2_000;
/** Longer ones are a reference, not a title alone. */
const MOST_WORDS_OF_TITLE = 40;

/**
 * Reads a list of works as people paste it: titles, identifiers or whole references, one a line, or over several lines
 * as a document breaks them (then with a number, a bullet or an empty line before each). A word that is divided at the
 * end of a line is joined. Of a reference its title is taken, in quotation marks, behind the year or behind the names.
 */
export function readPastedList(pasted: string): PastedList {
  const works: PastedWork[] = [];
  const unread: UnreadPiece[] = [];
  const known = new Set<string>();
  for (const { line, text } of splitEntries(pasted)) {
    const identifier = findDoi([text]);
    const words = identifier === undefined ? text : text.replace(RESOLVER, '').trim();
    const title = findTitle(words);
    const count = normaliseTitle(title).length;
    if (identifier === undefined && count < 2) {
      unread.push({ line, text: text.trim(), reason: count === 0 ? 'no-words' : 'one-word' });
      continue;
    }
    const key = identifier?.toLowerCase() ?? normaliseTitle(title).join(' ');
    if (known.has(key)) continue;
    known.add(key);
    works.push({ title, ...(identifier !== undefined && { identifier }) });
  }
  return { works, unread };
}

interface Entry {
  readonly line: number;
  readonly text: string;
}

/** The entries of a list: a line each, or what stands from one number, bullet or empty line to the next. */
function splitEntries(pasted: string): Entry[] {
  const lines = pasted.split(/\r\n?|\n/);
  const filled = lines.filter((line) => line.trim() !== '');
  const marked = filled.filter((line) => BULLET.test(line)).length;
  // Some lines begin an entry and others do not: those go on with it.
  const isMarked = marked > 1 && marked < filled.length && BULLET.test(filled[0] ?? '');
  const isSpaced = marked === 0 && filled.some((line) => isBroken(line)) && /\n\s*\n/.test(pasted.trim());
  const entries: { line: number; text: string }[] = [];
  let isOpen = false;
  lines.forEach((whole, at) => {
    const bare = whole.trim();
    if (bare === '') {
      isOpen = false;
      return;
    }
    const goesOn = isOpen && ((isMarked && !BULLET.test(whole)) || isSpaced);
    const last = entries.at(-1);
    if (goesOn && last) last.text = joinLines(last.text, bare);
    else entries.push({ line: at + 1, text: bare.replace(BULLET, '') });
    isOpen = true;
  });
  return entries;
}

/** A line that a document broke off: it ends in the middle of a word or of a sentence. */
function isBroken(line: string): boolean {
  return /(?:\p{L}-|[\p{Ll},;:&]|\b(?:the|of|and|in))\s*$/u.test(line) && line.trim().length > 40;
}

/** A word that was divided is joined; a hyphen before a capital or a digit belongs to the word. */
function joinLines(before: string, next: string): string {
  return /\p{Ll}-$/u.test(before) && /^\p{Ll}/u.test(next) ? before.slice(0, -1) + next : `${before} ${next}`;
}

/** The title in a reference; the whole text where it is none. */
function findTitle(text: string): string {
  const bare = text
    .slice(0, LOOKED_AT)
    .replace(/^["“„«](.*)["”“»][.,]?$/u, '$1')
    .trim();
  const isReference =
    YEAR.test(bare) && (NAMES.test(bare) || YEAR_IN_BRACKETS.test(bare) || QUOTED.test(bare));
  if (!isReference && normaliseTitle(bare).length <= MOST_WORDS_OF_TITLE) return bare;
  const quoted = QUOTED.exec(bare)?.[1];
  if (quoted !== undefined) return quoted.trim();
  const year = YEAR_IN_BRACKETS.exec(bare);
  const behind = year ? bare.slice(year.index + year[0].length) : bare.replace(NAMES, '');
  // Up to the full stop behind which the source begins; an initial or an abbreviation has none behind it.
  const sentence = /^(.{12,}?[^\s.]{3,})[.?!](?=\s+[\p{Lu}\d]|\s*$)/su.exec(behind)?.[1];
  return (sentence ?? behind).replace(/[.,\s]+$/, '').trim();
}
