import type { Dialect } from '../dialect';
import { readString } from './read-string';
import { createStringSplitter } from './string-tokens';

/** How well a dialect reads a string, and what speaks for it. */
export interface DialectGuess {
  readonly dialect: Dialect;
  /** Things in the string that the dialect does not take. */
  readonly faults: number;
  /** What only a dialect that knows the string's signs would see, in words. */
  readonly evidence: readonly string[];
}

const EVIDENCE = [
  ['mark', 'field mark'],
  ['heading', 'heading'],
  ['limiter', 'limiter'],
  ['near', 'nearness'],
  ['pair', 'nearness'],
  ['operator', 'operator'],
] as const;

/** The dialects by how well they read some strings: fewest faults first, then the most of their own signs. */
export function rankDialects(texts: readonly string[], dialects: readonly Dialect[]): DialectGuess[] {
  return dialects
    .map((dialect) => ({ ...judge(texts, dialect), dialect }))
    .sort((a, b) => a.faults - b.faults || b.weight - a.weight)
    .map(({ dialect, faults, evidence }) => ({ dialect, faults, evidence }));
}

function judge(
  texts: readonly string[],
  dialect: Dialect,
): { faults: number; weight: number; evidence: string[] } {
  const problems = texts.flatMap((text) => readString(text, dialect).problems);
  const split = createStringSplitter(dialect);
  const tokens = texts.flatMap(split);
  const counts = new Map<string, number>();
  for (const token of tokens) {
    const [, name] = EVIDENCE.find(([kind]) => kind === token.kind) ?? [];
    if (name) counts.set(name, (counts.get(name) ?? 0) + 1);
  }
  // Words that are operators elsewhere and stand here as words speak against a dialect.
  const strays = tokens.filter(
    (token) => token.kind === 'word' && /^(and|or|not|near|within)$/i.test(token.raw),
  );
  const faults = problems.filter(({ severity }) => severity === 'error').length + strays.length;
  const evidence = [...counts].map(([name, count]) => `${count} × ${name}`);
  const weight = [...counts].reduce((sum, [name, count]) => sum + count * (name === 'operator' ? 1 : 3), 0);
  return { faults, weight, evidence };
}
