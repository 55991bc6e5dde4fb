import type { Span } from '../../text';

/** A token of CQL: `word` is anything unquoted, `sign` a bracket, a slash or a comparison. */
export type CqlToken = Span & {
  readonly kind: 'word' | 'quoted' | 'sign' | 'unclosed';
  /** Without quotation marks; backslashes stay. */
  readonly text: string;
};

const TOKEN = /\s*(?:"((?:\\[^]|[^"\\])*)("?)|(<=|>=|<>|==|[=<>()/])|([^\s()=<>"/]+))/uy;

/** Splits a string by the lexical rules of CQL 1.2; every sign belongs to some token. */
export function splitCql(text: string): CqlToken[] {
  const tokens: CqlToken[] = [];
  TOKEN.lastIndex = 0;
  for (let match = TOKEN.exec(text); match; match = TOKEN.exec(text)) {
    const [all, quoted, closing, sign, word] = match;
    const end = TOKEN.lastIndex;
    const start = end - all.trimStart().length;
    if (quoted !== undefined)
      tokens.push({ kind: closing === '"' ? 'quoted' : 'unclosed', text: quoted, start, end });
    else if (sign !== undefined) tokens.push({ kind: 'sign', text: sign, start, end });
    else tokens.push({ kind: 'word', text: word ?? '', start, end });
  }
  return tokens;
}
