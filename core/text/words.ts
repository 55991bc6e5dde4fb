import { foldSigns } from './folding';
import { spellOut } from './spelling-out';

/** A word of a text: its folded letters and where it stands (UTF-16 units). */
export interface Word {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

/** A longest run of what can come to letters and digits, and of unseen signs. */
const WORD_RUN = /[\u200d\u200c\u00ad\u2060\p{L}\p{M}\p{N}\u2100-\u214f\u3200-\u33ff]+/gu;
const PLAIN = /^[a-z0-9]*$/;

/** True for a sign that belongs to a word: a letter, a mark or a digit. */
export function isWordSign(sign: string): boolean {
  const code = sign.charCodeAt(0);
  return code < 128 ? isPlainSign(code) : /^[\p{L}\p{M}\p{Nd}]$/u.test(sign);
}

/**
 * Case folding, compatibility forms and removal of diacritics: `Ü` is `u`, `ß` is `ss`, `ﬁ` is `fi`, `ø` is `o`.
 * Marks that belong to a letter stay (docs/reference/words.md).
 */
export function foldLetters(text: string): string {
  const lower = text.toLowerCase();
  if (PLAIN.test(lower)) return lower;
  return foldSigns(lower);
}

/**
 * A written term as the letters that the index has: compatibility forms spelled out, blanks where it comes to
 * several words, all other signs as they stand. What reads wildcards sign by sign reads this.
 */
export function spellOutTerm(raw: string): string {
  return isAscii(raw) ? raw : raw.replace(WORD_RUN, (run) => spellOut(run));
}

/** Splits a value into its words in order; everything but letters, marks and digits separates (docs/reference/words.md). */
export function splitWords(value: string): Word[] {
  const words: Word[] = [];
  visitWords(value, (text, start, end) => words.push({ text, start, end }));
  return words;
}

/** Calls `visit` for each word of the value; the same split as `splitWords` without the list. */
export function visitWords(value: string, visit: (text: string, start: number, end: number) => void): void {
  const length = value.length;
  let at = 0;
  while (at < length) {
    const code = value.charCodeAt(at);
    if (code > 127) return visitUnicodeWords(value, at, visit);
    if (!isPlainSign(code)) {
      at++;
      continue;
    }
    const start = at;
    let upper = false;
    let here = code;
    while (here < 128 && isPlainSign(here)) {
      if (here < 91 && here > 64) upper = true;
      at++;
      if (at === length) break;
      here = value.charCodeAt(at);
    }
    if (at < length && here > 127) return visitUnicodeWords(value, start, visit);
    const text = value.slice(start, at);
    visit(upper ? text.toLowerCase() : text, start, at);
  }
}

function visitUnicodeWords(
  value: string,
  from: number,
  visit: (text: string, start: number, end: number) => void,
): void {
  WORD_RUN.lastIndex = from;
  for (let match = WORD_RUN.exec(value); match; match = WORD_RUN.exec(value)) {
    const [run] = match;
    const end = match.index + run.length;
    if (isAscii(run)) {
      visit(run.toLowerCase(), match.index, end);
      continue;
    }
    const word = recallWord(run);
    if (word === undefined) visitPieces(run, spellOut(run), match.index, visit);
    else if (word !== '') visit(word, match.index, end);
  }
}

/** So many runs are remembered: names and words with accents come again and again. */
const MAX_REMEMBERED = 10_000;
const REMEMBERED = new Map<string, string | undefined>();

/** The one word that a run comes to; nothing if it comes to several. */
function recallWord(run: string): string | undefined {
  if (REMEMBERED.has(run)) return REMEMBERED.get(run);
  const plain = spellOut(run);
  const word = plain.includes(' ') ? undefined : foldLetters(plain);
  if (REMEMBERED.size >= MAX_REMEMBERED) REMEMBERED.clear();
  REMEMBERED.set(run, word);
  return word;
}

/** The words of a run that comes to several; each in its place where no sign of the run was exchanged. */
function visitPieces(
  run: string,
  plain: string,
  start: number,
  visit: (text: string, start: number, end: number) => void,
): void {
  const pieces = plain.split(' ').filter((piece) => piece !== '');
  const isUnchanged = pieces.join('') === run;
  let at = start;
  for (const piece of pieces) {
    const text = foldLetters(piece);
    if (text !== '')
      visit(text, isUnchanged ? at : start, isUnchanged ? at + piece.length : start + run.length);
    at += piece.length;
  }
}

function isPlainSign(code: number): boolean {
  return (code > 96 && code < 123) || (code > 64 && code < 91) || (code > 47 && code < 58);
}

function isAscii(text: string): boolean {
  for (let at = 0; at < text.length; at++) if (text.charCodeAt(at) > 127) return false;
  return true;
}
