import type { Span } from '../text';

/** A token of query text with its place. */
export type Token = Span &
  (
    | { readonly kind: 'open' | 'close' }
    | { readonly kind: 'word'; readonly raw: string }
    | { readonly kind: 'quote'; readonly raw: string; readonly closed: boolean; readonly curly: boolean }
    | {
        readonly kind: 'field';
        readonly names: readonly { text: string; start: number; end: number }[];
        readonly vocabulary?: string;
      }
    | { readonly kind: 'block'; readonly name: string }
    | { readonly kind: 'comment'; readonly text: string }
    | { readonly kind: 'off-open' }
    | { readonly kind: 'in-open'; readonly databases: readonly string[] }
  );

const BLANK = /\s/;
const QUOTES = '"“”„«»‟';
const COMMENT = /\/\/([^\n]*)/y;
const BACKSLASH = 92;
const OPEN = 40;
const CLOSE = 41;

/** By its code: most signs are plain letters, for which a look into a pattern is slow. */
function isBlank(code: number): boolean {
  return code <= 32
    ? BLANK.test(String.fromCharCode(code))
    : code > 127 && BLANK.test(String.fromCharCode(code));
}

function isQuote(code: number): boolean {
  return code === 34 || (code > 127 && QUOTES.includes(String.fromCharCode(code)));
}

/** A list of fields stands before its colon within so many units. */
const LONGEST_FIELD_LIST = 160;
const FIELD_START = /\p{L}/u;
const FIELD = /(\p{L}+)(?:\(([\w-]+)\))?((?:\s*,\s*\p{L}+)*)\s*:(?!\/\/)/uy;
const BLOCK = /@([\p{L}\p{M}\p{Nd}_-]+)/uy;
const OFF_OPEN = /OFF\s*\(/y;
const IN_OPEN = /IN\s*\(\s*([\w-]+(?:\s*,\s*[\w-]+)*)\s*:/y;

/** Splits any text into tokens; never fails. Comments are tokens, blanks are not. */
export function splitTokens(text: string): Token[] {
  const tokens: Token[] = [];
  let at = 0;
  let colon = -1;
  const take = (pattern: RegExp): RegExpExecArray | null => {
    pattern.lastIndex = at;
    return pattern.exec(text);
  };
  const isColonNear = (): boolean => {
    if (colon < at) {
      colon = text.indexOf(':', at);
      if (colon === -1) colon = Infinity;
    }
    return colon - at < LONGEST_FIELD_LIST;
  };
  while (at < text.length) {
    const sign = text.charAt(at);
    if (isBlank(text.charCodeAt(at))) {
      at++;
      continue;
    }
    const token = takeToken(text, at, sign, take, isColonNear);
    tokens.push(token);
    at = token.end;
  }
  return tokens;
}

function takeToken(
  text: string,
  start: number,
  sign: string,
  take: (pattern: RegExp) => RegExpExecArray | null,
  isColonNear: () => boolean,
): Token {
  if (sign === '(') return { kind: 'open', start, end: start + 1 };
  if (sign === ')') return { kind: 'close', start, end: start + 1 };
  if (isQuote(text.charCodeAt(start))) return takeQuote(text, start);
  if (sign === '/' && (start === 0 || BLANK.test(text.charAt(start - 1)))) {
    const comment = take(COMMENT);
    if (comment)
      return { kind: 'comment', text: (comment[1] ?? '').trim(), start, end: start + comment[0].length };
  }
  if (sign === '@') {
    const block = take(BLOCK);
    if (block) return { kind: 'block', name: block[1] ?? '', start, end: start + block[0].length };
  }
  if (sign === 'O') {
    const off = take(OFF_OPEN);
    if (off) return { kind: 'off-open', start, end: start + off[0].length };
  }
  if (sign === 'I') {
    const only = take(IN_OPEN);
    if (only) {
      const databases = (only[1] ?? '').split(',').map((name) => name.trim());
      return { kind: 'in-open', databases, start, end: start + only[0].length };
    }
  }
  const field = isColonNear() && FIELD_START.test(sign) ? take(FIELD) : null;
  if (field) return createFieldToken(field, start);
  return takeWord(text, start);
}

function createFieldToken(match: RegExpExecArray, start: number): Token {
  const list = match[0].replace(/\([\w-]+\)/, (inner) => ' '.repeat(inner.length));
  const names = [...list.matchAll(/\p{L}+/gu)].map((name) => ({
    text: name[0],
    start: start + name.index,
    end: start + name.index + name[0].length,
  }));
  const end = start + match[0].length;
  return { kind: 'field', names, start, end, ...(match[2] !== undefined && { vocabulary: match[2] }) };
}

/** A quote ends at the next mark; an unclosed one at the end of its line, before closing brackets. */
function takeQuote(text: string, start: number): Token {
  let curly = text.charAt(start) !== '"';
  for (let at = start + 1; at < text.length; at++) {
    const sign = text.charAt(at);
    if (sign === '\\') {
      at++;
      continue;
    }
    if (sign === '\n') return createOpenQuote(text, start, at);
    if (QUOTES.includes(sign)) {
      curly ||= sign !== '"';
      return { kind: 'quote', raw: text.slice(start + 1, at), closed: true, curly, start, end: at + 1 };
    }
  }
  return createOpenQuote(text, start, text.length);
}

function createOpenQuote(text: string, start: number, lineEnd: number): Token {
  let end = lineEnd;
  while (end > start + 1 && (BLANK.test(text.charAt(end - 1)) || text.charAt(end - 1) === ')')) end--;
  const curly = text.charAt(start) !== '"';
  return { kind: 'quote', raw: text.slice(start + 1, end), closed: false, curly, start, end };
}

function takeWord(text: string, start: number): Token {
  let at = start;
  while (at < text.length) {
    const code = text.charCodeAt(at);
    if (code === BACKSLASH && at + 1 < text.length) {
      at += 2;
      continue;
    }
    if (code === OPEN || code === CLOSE || isBlank(code) || isQuote(code)) break;
    at++;
  }
  const end = Math.max(at, start + 1);
  return { kind: 'word', raw: text.slice(start, end), start, end };
}
