import type { FieldMask, SetExpression, Slot } from '#core/collection/index';
import { mergeParts, type Pattern, type PatternPart } from '#core/query/index';
import { isWordSign, spellOutTerm } from '#core/text/index';

/** The signs of one service that stand for letters. */
export interface WildcardSigns {
  readonly any?: string;
  readonly one?: string;
}

/** So many runs of signs are remembered for each service: the strings of a batch have most words in common. */
const MAX_REMEMBERED = 5_000;
/** Longer runs are read anew each time. */
const LONGEST_REMEMBERED = 200;

/** Reads the patterns in a run of signs. */
export type PatternReader = (raw: string) => readonly Pattern[];

/** A reader that gives the same value for the same run, as long as it remembers it. */
export function rememberPatterns(read: PatternReader): PatternReader {
  const runs = new Map<string, readonly Pattern[]>();
  return (raw) => {
    const known = runs.get(raw);
    if (known) return known;
    const patterns = read(raw);
    if (raw.length > LONGEST_REMEMBERED) return patterns;
    if (runs.size >= MAX_REMEMBERED) runs.clear();
    runs.set(raw, patterns);
    return patterns;
  };
}

/** A reader of runs of signs: wildcards as the service writes them, everything else split into words. */
export function createPatternReader(signs: WildcardSigns): PatternReader {
  return rememberPatterns((raw) => readPatterns(raw, signs));
}

function readPatterns(raw: string, signs: WildcardSigns): Pattern[] {
  const patterns: Pattern[] = [];
  let parts: PatternPart[] = [];
  const finish = (): void => {
    if (parts.some((part) => part.kind === 'letters')) patterns.push(mergeParts(parts));
    parts = [];
  };
  for (const sign of spellOutTerm(raw)) {
    if (sign === signs.any) parts.push({ kind: 'any' });
    else if (sign === signs.one) parts.push({ kind: 'one' });
    else if (isWordSign(sign)) parts.push({ kind: 'letters', text: sign });
    else finish();
  }
  finish();
  return patterns;
}

/** By the patterns: those of equal runs are one value. */
const EXPRESSIONS = new WeakMap<readonly Pattern[], Map<FieldMask, SetExpression>>();

/**
 * A word, or several that stand in a row, in some fields. The same patterns give the same value, so that a
 * count of many strings knows their common words again at once.
 */
export function createWords(
  patterns: readonly Pattern[],
  fields: FieldMask,
  createSlot: (pattern: Pattern) => Slot = (pattern) => ({ pattern }),
): SetExpression {
  const byFields = EXPRESSIONS.get(patterns) ?? new Map<FieldMask, SetExpression>();
  const known = byFields.get(fields);
  if (known) return known;
  const slots = patterns.map(createSlot);
  const [slot] = slots;
  const made: SetExpression =
    slots.length === 1 && slot ? { kind: 'word', slot, fields } : { kind: 'phrase', slots, fields };
  EXPRESSIONS.set(patterns, byFields.set(fields, made));
  return made;
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
