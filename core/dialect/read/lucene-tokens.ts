import type { Span } from '../../text';

/** A token of the classic Lucene syntax. */
export type LuceneToken = Span & {
  readonly kind:
    'and' | 'or' | 'not' | 'plus' | 'minus' | 'sign' | 'quote' | 'term' | 'boost' | 'fuzzy' | 'regex';
  /** Of a quote, without its marks; of boost and fuzzy, the number behind the sign; escapes stay. */
  readonly text: string;
  /** Of a quote: it has its closing mark. */
  readonly isClosed?: boolean;
};

const START = '[^\\s+\\-!():^\\[\\]"{}~*?\\\\/]|\\\\[^]';
const TERM = new RegExp(`(?:${START}|[*?])(?:${START}|[*?]|[-+])*`, 'uy');
const RULES: readonly (readonly [LuceneToken['kind'], RegExp])[] = [
  ['quote', /"((?:\\[^]|[^"\\])*)("?)/uy],
  ['boost', /\^(\d+(?:\.\d+)?)?/uy],
  ['fuzzy', /~(\d+(?:\.\d+)?)?/uy],
  ['regex', /\/(?:\\\/|[^/])*\//uy],
  ['plus', /\+/y],
  ['minus', /-/y],
  ['not', /!/y],
  ['sign', /[():[\]{}]/y],
];
const WORDS: Readonly<Record<string, LuceneToken['kind']>> = {
  AND: 'and',
  '&&': 'and',
  OR: 'or',
  '||': 'or',
  NOT: 'not',
};

/** Splits a string by the lexical rules of the classic Lucene query parser; every sign belongs to some token. */
export function splitLucene(text: string): LuceneToken[] {
  const tokens: LuceneToken[] = [];
  let at = 0;
  while (at < text.length) {
    if (/\s/u.test(text.charAt(at))) {
      at++;
      continue;
    }
    const token = takeToken(text, at);
    tokens.push(token);
    at = token.end;
  }
  return tokens;
}

function takeToken(text: string, start: number): LuceneToken {
  TERM.lastIndex = start;
  const word = TERM.exec(text)?.[0];
  if (word !== undefined) return { kind: WORDS[word] ?? 'term', text: word, start, end: start + word.length };
  for (const [kind, pattern] of RULES) {
    pattern.lastIndex = start;
    const match = pattern.exec(text);
    if (!match) continue;
    const end = start + match[0].length;
    if (kind === 'quote') return { kind, text: match[1] ?? '', isClosed: match[2] === '"', start, end };
    return { kind, text: kind === 'boost' || kind === 'fuzzy' ? (match[1] ?? '') : match[0], start, end };
  }
  const raw = String.fromCodePoint(text.codePointAt(start) ?? 0);
  return { kind: 'sign', text: raw, start, end: start + raw.length };
}
