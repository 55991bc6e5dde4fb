import { createProblem, type Problem } from '../../problem';
import { countLetters, isPlain, mergeParts, printPattern, type Pattern, type PatternPart } from '../../query';
import { isWordSign, spellOutTerm, type Span } from '../../text';
import type { Dialect, WildcardRule } from '../profile';

/** The most readings of signs that stand for any character or none. */
const MAX_READINGS = 64;

/** Where a run of signs stands: outside quotation marks every wildcard counts. */
export interface RunPlace {
  readonly isQuoted: boolean;
  readonly span: Span;
}

/**
 * The patterns of a run of signs: wildcards by the dialect's signs, everything else as words. A wildcard
 * where the system does not take it is a problem.
 */
export function readPatterns(raw: string, dialect: Dialect, place: RunPlace, problems: Problem[]): Pattern[] {
  const isWild = !place.isQuoted || dialect.phrase.wildcards !== 'none';
  const patterns = splitPatterns(raw, dialect, isWild).filter((pattern) =>
    pattern.some(({ kind }) => kind === 'letters'),
  );
  const { wildcards } = dialect;
  const signs = Object.values(wildcards).map(({ sign }) => sign);
  if (!isWild && signs.some((sign) => raw.includes(sign)))
    problems.push(createProblem('wildcard-in-quotes', 'warning', { words: raw }, place.span));
  patterns.forEach((pattern, at) => {
    if (!isWild || isPlain(pattern)) return;
    const isLastOnly = place.isQuoted && dialect.phrase.wildcards === 'last-word';
    const isCutInside = isLastOnly && at < patterns.length - 1 && pattern.at(-1)?.kind === 'any';
    if (isCutInside || !isTaken(pattern, wildcards))
      problems.push(createProblem('wildcard-refused', 'error', { term: printPattern(pattern) }, place.span));
  });
  return patterns;
}

/** True if every wildcard of a pattern stands where the system takes it, behind enough letters. */
function isTaken(pattern: Pattern, wildcards: Dialect['wildcards']): boolean {
  return pattern.every((part, at) => {
    if (part.kind === 'letters') return true;
    const rule: WildcardRule | undefined = wildcards[part.kind];
    if (!rule) return false;
    if (rule.where === 'end' && (at < pattern.length - 1 || at === 0)) return false;
    if (rule.where === 'not-first' && at === 0) return false;
    return countLetters(pattern) >= rule.leastLetters;
  });
}

/** Where a sign stands for any character or none, both readings of it. */
export function spellMaybe(patterns: readonly Pattern[], { wildcards: { maybe } }: Dialect): Pattern[][] {
  if (maybe?.means !== 'any-character') return [[...patterns]];
  let rows: Pattern[][] = [[]];
  for (const pattern of patterns) {
    const choices = pattern.reduce<PatternPart[][]>(
      (forms, part) =>
        part.kind === 'maybe' && forms.length < MAX_READINGS
          ? forms.flatMap((form) => [form, [...form, { kind: 'one' } as const]])
          : forms.map((form) => [...form, part.kind === 'maybe' ? ({ kind: 'one' } as const) : part]),
      [[]],
    );
    rows = rows
      .flatMap((row) => choices.map((choice) => [...row, mergeParts(choice)]))
      .slice(0, MAX_READINGS);
  }
  return rows;
}

function splitPatterns(raw: string, { wildcards, escape }: Dialect, isWild: boolean): Pattern[] {
  const { any, one, maybe } = wildcards;
  const patterns: Pattern[] = [];
  let parts: PatternPart[] = [];
  const finish = (): void => {
    // Two signs for any letters in a row are kept: not every system takes them.
    if (parts.length > 0)
      patterns.push(parts.filter(({ kind }) => kind === 'any').length > 1 ? parts : mergeParts(parts));
    parts = [];
  };
  let isEscaped = false;
  for (const sign of spellOutTerm(raw)) {
    const last = parts.at(-1);
    const isLetter = isWordSign(sign);
    if (isEscaped) {
      isEscaped = false;
      if (isLetter) parts.push({ kind: 'letters', text: sign });
      else finish();
    } else if (sign === escape?.sign) isEscaped = true;
    else if (isLetter && last?.kind === 'maybe' && last.letter === '' && maybe?.means === 'letter-behind')
      parts[parts.length - 1] = { kind: 'maybe', letter: sign };
    else if (isWild && sign === any?.sign) parts.push({ kind: 'any' });
    else if (isWild && sign === one?.sign) parts.push({ kind: 'one' });
    else if (isWild && sign === maybe?.sign) parts.push({ kind: 'maybe', letter: '' });
    else if (isLetter) parts.push({ kind: 'letters', text: sign });
    else finish();
  }
  finish();
  return patterns;
}
