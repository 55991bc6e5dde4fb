/** A word of a text: its folded letters and where it stands (UTF-16 units). */
export interface Word {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

const WORD_RUN = /[\p{L}\p{M}\p{Nd}]+/gu;
const MARKS = /\p{M}+/gu;
const PLAIN = /^[a-z0-9]*$/;

/** True for a sign that belongs to a word: a letter, a mark or a digit. */
export function isWordSign(sign: string): boolean {
  const code = sign.charCodeAt(0);
  return code < 128 ? isPlainSign(code) : /^[\p{L}\p{M}\p{Nd}]$/u.test(sign);
}

/** Case folding and removal of diacritics: `Ü` is `u`, `ß` is `ss`. */
export function foldLetters(text: string): string {
  const lower = text.toLowerCase();
  if (PLAIN.test(lower)) return lower;
  return lower.replaceAll('ß', 'ss').normalize('NFD').replace(MARKS, '').normalize('NFC');
}

/** Splits a value into its words in order; everything but letters, marks and digits separates. */
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
    const text = foldLetters(match[0]);
    if (text !== '') visit(text, match.index, match.index + match[0].length);
  }
}

function isPlainSign(code: number): boolean {
  return (code > 96 && code < 123) || (code > 64 && code < 91) || (code > 47 && code < 58);
}
