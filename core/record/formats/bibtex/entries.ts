/** An entry as it stands in a file. */
export interface Entry {
  /** The line that it begins in, counted from 1. */
  readonly line: number;
  readonly text: string;
  /** The place behind it in the text of the file. */
  readonly end: number;
  /** In small letters: `article`. */
  readonly type: string;
  /** What it is cited by; empty where it has none. */
  readonly key: string;
  /** By their names in small letters; the first one of a name counts. */
  readonly fields: ReadonlyMap<string, string>;
  /** A brace or a quotation mark is opened in it and never closed. */
  readonly isBroken: boolean;
}

const BEGIN = /@([A-Za-z]+)\s*([{(])/y;
/** A broken entry ends where a line begins with the next one. */
const NEXT_LINE = /\s*@[A-Za-z]+\s*[{(]/y;
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/**
 * Reads the entries of a file one by one; abbreviations (`@string`) are put in, remarks left out. Entries may stand on
 * one line; a broken one takes nothing with it but itself.
 */
export function* readEntries(text: string): Iterable<Entry> {
  const strings = new Map(MONTHS.map((month) => [month, month]));
  let line = 1;
  let counted = 0;
  for (let at = text.indexOf('@'); at >= 0; at = text.indexOf('@', at)) {
    BEGIN.lastIndex = at;
    const begin = BEGIN.exec(text);
    if (!begin) {
      at++;
      continue;
    }
    for (; counted < at; counted++) if (text.charCodeAt(counted) === 10) line++;
    const type = (begin[1] ?? '').toLowerCase();
    const { end, isClosed } = findEnd(text, BEGIN.lastIndex, begin[2] === '(' ? ')' : '}');
    const body = text.slice(BEGIN.lastIndex, isClosed ? end - 1 : end);
    const from = at;
    at = end;
    if (type === 'comment' || type === 'preamble') continue;
    if (type === 'string') {
      if (isClosed) for (const [name, value] of readFields(body, strings).fields) strings.set(name, value);
      continue;
    }
    const { key, rest } = splitKey(body);
    const { fields, isBroken } = readFields(rest, strings);
    yield { line, text: text.slice(from, end), end, type, key, fields, isBroken: isBroken || !isClosed };
  }
}

/** Where an entry ends: behind its closing sign or, if that is missing, before the line that begins with another one. */
function findEnd(text: string, from: number, closing: string): { end: number; isClosed: boolean } {
  let depth = 0;
  for (let at = from; at < text.length; at++) {
    const sign = text.charAt(at);
    if (sign === '\\') at++;
    else if (sign === '{') depth++;
    else if (depth === 0 && sign === closing) return { end: at + 1, isClosed: true };
    else if (sign === '}') depth--;
    else if (sign === '\n') {
      NEXT_LINE.lastIndex = at + 1;
      if (NEXT_LINE.test(text)) return { end: at + 1, isClosed: false };
    }
  }
  return { end: text.length, isClosed: false };
}

/** The key of an entry and the fields behind it; an entry without a key begins with its fields. */
function splitKey(body: string): { readonly key: string; readonly rest: string } {
  const comma = body.indexOf(',');
  const key = (comma < 0 ? body : body.slice(0, comma)).trim();
  if (key.includes('=')) return { key: '', rest: body };
  return { key, rest: comma < 0 ? '' : body.slice(comma + 1) };
}

function readFields(
  body: string,
  strings: ReadonlyMap<string, string>,
): { readonly fields: ReadonlyMap<string, string>; readonly isBroken: boolean } {
  const fields = new Map<string, string>();
  const name = /[\s,]*([^\s=,{}"]+)\s*=\s*/y;
  let at = 0;
  for (;;) {
    name.lastIndex = at;
    const found = name.exec(body);
    if (!found) return { fields, isBroken: false };
    const value = readValue(body, name.lastIndex, strings);
    if (!value) return { fields, isBroken: true };
    const key = (found[1] ?? '').toLowerCase();
    if (!fields.has(key)) fields.set(key, value.text);
    at = value.end;
  }
}

/** A value of parts with `#` between: in braces, in quotation marks, a number or an abbreviation. */
function readValue(
  body: string,
  from: number,
  strings: ReadonlyMap<string, string>,
): { readonly text: string; readonly end: number } | undefined {
  let text = '';
  let at = from;
  for (;;) {
    const sign = body.charAt(at);
    if (sign === '{' || sign === '"') {
      const end = findClosing(body, at + 1, sign === '{' ? '}' : '"');
      if (end === undefined) return undefined;
      text += body.slice(at + 1, end);
      at = end + 1;
    } else {
      const [bare = ''] = /^[^\s,#{}"]*/.exec(body.slice(at, at + 1_000)) ?? [];
      text += strings.get(bare.toLowerCase()) ?? bare;
      at += bare.length;
    }
    const [joint] = /^\s*#\s*/.exec(body.slice(at, at + 100)) ?? [];
    if (joint === undefined) return { text, end: at };
    at += joint.length;
  }
}

function findClosing(body: string, from: number, closing: string): number | undefined {
  let depth = 0;
  for (let at = from; at < body.length; at++) {
    const sign = body.charAt(at);
    if (sign === '\\') at++;
    else if (depth === 0 && sign === closing) return at;
    else if (sign === '{') depth++;
    else if (sign === '}') depth--;
  }
  return undefined;
}
