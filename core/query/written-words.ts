import { isWordSign, spellOutTerm, type Span } from '../text';
import { createProblem, type Fix, type Problem } from '../problem';
import { countLetters, createWordPattern, mergeParts, type Pattern, type PatternPart } from './pattern';

/** Fewer letters than this before a wildcard draw a problem. */
export const LEAST_LETTERS = 3;

/** What a written term comes to: its words, the problems met, and a better text where it was misread. */
export interface WrittenWords {
  readonly words: readonly Pattern[];
  readonly problems: readonly Problem[];
  /** Query text to read in place of the term (square brackets that were meant otherwise). */
  readonly instead?: string;
}

const NO_WORDS: WrittenWords = { words: [], problems: [] };
const PLAIN_WORD = /^[a-zA-Z0-9]+$/;
const FIELD_LIKE = /^(title|abstract|keywords|heading|author|firstauthor|affiliation|source|text)$/i;

/** Reads the signs of one word or of the inside of a phrase; `offset` is its place in the text. */
export function parseWrittenWords(written: string, offset: number, inPhrase: boolean): WrittenWords {
  if (written === '') return NO_WORDS;
  if (PLAIN_WORD.test(written)) return { words: [createWordPattern(written)], problems: [] };
  const raw = spellOutTerm(written);
  const instead = inPhrase || !raw.includes('[') ? undefined : findBracketMisuse(raw);
  if (instead !== undefined) {
    const span = { start: offset, end: offset + raw.length };
    const fix: Fix = { label: `Write ${instead}`, edits: [{ span, text: instead }] };
    return {
      words: [],
      instead,
      problems: [createProblem('bracket-in-word', 'error', { term: raw }, span, [fix])],
    };
  }
  const words: Pattern[] = [];
  const problems: Problem[] = [];
  let parts: PatternPart[] = [];
  let start = 0;
  const finish = (end: number): void => {
    if (parts.length > 0) {
      const pattern = parts.length === 1 ? parts : mergeParts(parts);
      const span = { start: offset + start, end: offset + end };
      if (pattern[0]?.kind !== 'letters' || pattern.length > 1) {
        const problem = checkPattern(pattern, raw.slice(start, end), span);
        if (problem) problems.push(problem);
      }
      words.push(pattern);
    }
    parts = [];
  };
  let at = 0;
  while (at < raw.length) {
    const end = findPlainEnd(raw, at);
    if (end > at) {
      if (parts.length === 0) start = at;
      parts.push({ kind: 'letters', text: raw.slice(at, end) });
      at = end;
      continue;
    }
    const { part, length } = readPart(raw, at);
    if (part) {
      if (parts.length === 0) start = at;
      parts.push(part);
    } else finish(at);
    at += length;
  }
  finish(raw.length);
  return {
    words: words.filter((word) => word.some((part) => part.kind !== 'any') || words.length === 1),
    problems,
  };
}

/** Where the run of plain letters and digits ends that begins at a place. */
function findPlainEnd(raw: string, from: number): number {
  let at = from;
  while (at < raw.length && raw.charCodeAt(at) < 128 && isWordSign(raw.charAt(at))) at++;
  return at;
}

/** The part that begins at a place, or none for a separator, and how many units it takes. */
function readPart(raw: string, at: number): { part?: PatternPart; length: number } {
  const sign = String.fromCodePoint(raw.codePointAt(at) ?? 32);
  if (sign === '\\' && at + 1 < raw.length) {
    const next = String.fromCodePoint(raw.codePointAt(at + 1) ?? 32);
    return { ...(isWordSign(next) && { part: { kind: 'letters', text: next } }), length: 1 + next.length };
  }
  if (sign === '*') return { part: { kind: 'any' }, length: 1 };
  if (sign === '?') return { part: { kind: 'one' }, length: 1 };
  if (sign === '[') {
    const maybe = /^\[(\p{L}\p{M}*|\p{Nd})\](?=[\p{L}\p{Nd}*?[])/u.exec(raw.slice(at, at + 12));
    if (maybe) return { part: { kind: 'maybe', letter: maybe[1] ?? '' }, length: maybe[0].length };
  }
  return { ...(isWordSign(sign) && { part: { kind: 'letters', text: sign } }), length: sign.length };
}

/** What was probably meant by brackets that are not "a letter that may be there", as query text. */
function findBracketMisuse(raw: string): string | undefined {
  const match = /^([^[\]\\]*)\[([^[\]\\]*)\]([^[\]\\]*)$/.exec(raw);
  if (!match) return undefined;
  const [, before = '', inside = '', after = ''] = match;
  const single = /^(\p{L}\p{M}*|\p{Nd})$/u.test(inside);
  if (single && after !== '' && isWordSign(String.fromCodePoint(after.codePointAt(0) ?? 32)))
    return undefined;
  if (single && /^[*?]/.test(after)) return undefined;
  if (after === '' && FIELD_LIKE.test(inside) && before !== '') return `${inside.toLowerCase()}: ${before}`;
  if (!/^[\p{L}\p{Nd}]{1,8}$/u.test(inside)) return before + after === '' ? undefined : `${before}${after}`;
  if (single) return `(${before}${after} OR ${before}${inside}${after})`;
  return `(${[...inside].map((letter) => `${before}${letter}${after}`).join(' OR ')})`;
}

function checkPattern(pattern: Pattern, raw: string, span: Span): Problem | undefined {
  const wild = pattern.some((part) => part.kind !== 'letters');
  const letters = countLetters(pattern);
  if (wild && letters === 0) return createProblem('wildcards-only', 'error', { term: raw }, span);
  if (pattern.some((part) => part.kind === 'any') && letters < LEAST_LETTERS) {
    return createProblem('truncation-too-short', 'warning', { term: raw, least: LEAST_LETTERS }, span);
  }
  return undefined;
}
