import { mergeParts, type Pattern, type PatternPart } from '#core/query/index';
import { isWordSign } from '#core/text/index';

/** The signs of one service that stand for letters. */
export interface WildcardSigns {
  readonly any?: string;
  readonly one?: string;
}

/** So many runs of signs are remembered for each service: the strings of a batch have most words in common. */
const MOST_REMEMBERED = 5_000;
const REMEMBERED = new WeakMap<WildcardSigns, Map<string, readonly Pattern[]>>();

/** The patterns in a run of signs: wildcards as the service writes them, everything else split into words. */
export function splitPatterns(raw: string, signs: WildcardSigns): readonly Pattern[] {
  const runs = REMEMBERED.get(signs) ?? new Map<string, readonly Pattern[]>();
  REMEMBERED.set(signs, runs);
  const known = runs.get(raw);
  if (known) return known;
  if (runs.size >= MOST_REMEMBERED) runs.clear();
  const patterns = readPatterns(raw, signs);
  runs.set(raw, patterns);
  return patterns;
}

function readPatterns(raw: string, signs: WildcardSigns): Pattern[] {
  const patterns: Pattern[] = [];
  let parts: PatternPart[] = [];
  const finish = (): void => {
    if (parts.some((part) => part.kind === 'letters')) patterns.push(mergeParts(parts));
    parts = [];
  };
  for (const sign of raw) {
    if (sign === signs.any) parts.push({ kind: 'any' });
    else if (sign === signs.one) parts.push({ kind: 'one' });
    else if (isWordSign(sign)) parts.push({ kind: 'letters', text: sign });
    else finish();
  }
  finish();
  return patterns;
}

/** The letters of a pattern before its first `any`. */
export function countLettersBefore(pattern: Pattern): number {
  let letters = 0;
  for (const part of pattern) {
    if (part.kind === 'any') break;
    if (part.kind === 'letters') letters += [...part.text].length;
  }
  return letters;
}

/** All letters of a pattern. */
export function countLetters(pattern: Pattern): number {
  return pattern.reduce((sum, part) => sum + (part.kind === 'letters' ? [...part.text].length : 0), 0);
}

/** Every pattern has its `any`, if it has one, at its end. */
export function isCutAtEnd(pattern: Pattern): boolean {
  return pattern.every((part, at) => part.kind !== 'any' || (at === pattern.length - 1 && at > 0));
}

/** True if a pattern begins with the sign for one letter. */
export function beginsWithOne(pattern: Pattern): boolean {
  return pattern[0]?.kind === 'one';
}

/** True if a pattern has any wildcard. */
export function hasWildcard(pattern: Pattern): boolean {
  return pattern.some((part) => part.kind !== 'letters');
}
