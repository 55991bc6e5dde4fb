/** An item of a list in JSON as it stands in a text. */
export interface ItemText {
  /** The line that it begins in, counted from 1. */
  readonly line: number;
  readonly content: string;
  /** The place behind it. */
  readonly end: number;
}

/**
 * The items of a list in JSON (RFC 8259) one by one, or the one item that a text is. An item that is not closed
 * takes those behind it only if no line begins with the next one: a text in JSON never reaches over lines.
 */
export function* splitItems(text: string): Iterable<ItemText> {
  let line = 1;
  const start = /\S/.exec(text)?.index ?? text.length;
  for (let at = text.charAt(start) === '[' ? start + 1 : start, counted = 0; at < text.length;) {
    const sign = text.charAt(at);
    if (/[\s,\]]/.test(sign)) {
      at++;
      continue;
    }
    for (; counted < at; counted++) if (text.charCodeAt(counted) === 10) line++;
    const end = '{["'.includes(sign) ? findEnd(text, at) : findBareEnd(text, at);
    yield { line, content: text.slice(at, end), end };
    at = end;
  }
}

/** Behind the sign that closes what is opened at a place: a list, an object or a text. */
function findEnd(text: string, from: number): number {
  let depth = 0;
  let isText = false;
  for (let at = from; at < text.length; at++) {
    const sign = text.charCodeAt(at);
    if (sign === QUOTE) {
      isText = !isText;
      if (!isText && depth === 0) return at + 1;
    } else if (isText) {
      if (sign === BACKSLASH) at++;
      else if (sign === LINE_END) {
        isText = false;
        if (depth === 0) return at;
      }
    } else if (sign === BRACE || sign === BRACKET) depth++;
    else if ((sign === BRACE + 2 || sign === BRACKET + 2) && --depth === 0) return at + 1;
  }
  return text.length;
}

/** Where a number or a word ends. */
function findBareEnd(text: string, from: number): number {
  const end = /[\s,\]{["]/g;
  end.lastIndex = from + 1;
  return end.exec(text)?.index ?? text.length;
}

const QUOTE = 34;
const BACKSLASH = 92;
const LINE_END = 10;
const BRACKET = 91;
const BRACE = 123;
