import type { Fix } from '../problem';
import type { Span } from '../text';
import type { Token } from './lexer';
import { OPERATORS, PROXIMITIES } from './operators';

/** Words behind a field of which it reaches the first only. */
export interface FieldReach {
  readonly item: string;
  readonly span: Span;
  readonly fixes: readonly Fix[];
}

/** `title: street light`: the field holds for the first word only, which is seldom what was meant. */
export function findFieldReach(
  tokens: readonly Token[],
  itemAt: number,
  text: string,
): FieldReach | undefined {
  const first = tokens[itemAt];
  if (first?.kind !== 'word') return undefined;
  let last = itemAt;
  for (
    let next = tokens[last + 1];
    next?.kind === 'word' && !isOperatorWord(next.raw);
    next = tokens[last + 1]
  )
    last++;
  if (last === itemAt) return undefined;
  const span = { start: first.start, end: tokens[last]?.end ?? first.end };
  const words = text.slice(span.start, span.end);
  const fixes: Fix[] = [
    { label: 'Search the words as a phrase in this field', edits: [{ span, text: `"${words}"` }] },
    {
      label: 'Search all the words in this field',
      edits: [{ span, text: `(${words.split(/\s+/).join(' AND ')})` }],
    },
  ];
  return { item: first.raw, span, fixes };
}

function isOperatorWord(raw: string): boolean {
  return OPERATORS.has(raw.toUpperCase()) || PROXIMITIES.has(raw.toUpperCase());
}
