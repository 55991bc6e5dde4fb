import type { Text } from '@codemirror/state';
import { splitTokens, type Token } from '#core/query/index';

const KNOWN = new WeakMap<Text, readonly Token[]>();

/** The tokens of a text of the editor, split once for all that look at them. */
export function readTokens(document: Text): readonly Token[] {
  const known = KNOWN.get(document);
  if (known) return known;
  const tokens = splitTokens(document.toString());
  KNOWN.set(document, tokens);
  return tokens;
}
