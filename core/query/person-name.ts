import { build, createPattern } from './create';
import type { QueryNode } from './node';
import { printQuery } from './printer';
import { splitWords } from '../text';

/** A person's name in its two parts; a given name of one letter is an initial. */
export interface PersonName {
  readonly given: string;
  /** With its particles: “van der Berg”. */
  readonly family: string;
}

/**
 * A name as people and records write it: `Sherson, Elena`, `Elena Sherson`, `Sherson E`, `E. M. Sherson`, `Ludwig van
 * der Berg`. A single word is a family name.
 */
export function readPersonName(text: string): PersonName {
  const tidy = text.replace(/["“”]/g, ' ').replace(/\s+/g, ' ').trim();
  const [before = '', after] = tidy.split(/\s*,\s*/);
  if (after !== undefined) return { family: before, given: after };
  const words = tidy.split(' ');
  if (words.length < 2) return { family: tidy, given: '' };
  // Initials at the end stand behind the family name: “Sherson E”.
  const tail = words.findIndex((word, at) => at > 0 && words.slice(at).every(isInitials));
  if (tail > 0 && !words.slice(0, tail).every(isInitials))
    return { family: words.slice(0, tail).join(' '), given: words.slice(tail).join(' ') };
  const particle = words.findIndex((word, at) => at > 0 && /^\p{Ll}/u.test(word));
  const start = particle > 0 && particle < words.length - 1 ? particle : words.length - 1;
  return { given: words.slice(0, start).join(' '), family: words.slice(start).join(' ') };
}

function isInitials(word: string): boolean {
  return /^(?:\p{Lu}\.?-?){1,3}$/u.test(word);
}

/**
 * What finds a name: its given name right beside its family name, whichever stands first. An initial finds every
 * given name that begins with it. Nothing for a text without letters.
 */
export function createNameQuery({ given, family }: PersonName): QueryNode | undefined {
  const last = createWords(listWords(family));
  const first = createWords(listGivenWords(given));
  if (!last) return first;
  return first ? build.near(first, 1, last) : last;
}

/** The query text that finds a name; empty for a text without letters. */
export function writePersonName(text: string): string {
  const query = createNameQuery(readPersonName(text));
  return query ? printQuery(query) : '';
}

function listGivenWords(given: string): string[] {
  // “EM” are two initials.
  const apart = given.replace(/(\p{Lu})(?=\p{Lu}(?!\p{Ll}))/gu, '$1 ');
  return listWords(apart).map((word) => (word.length === 1 ? `${word}*` : word));
}

/** The words of a text with the letters that they are written in. */
function listWords(text: string): string[] {
  return splitWords(text).map(({ start, end }) => text.slice(start, end));
}

function createWords(words: readonly string[]): QueryNode | undefined {
  const patterns = words.map(createPattern);
  const [only] = patterns;
  if (!only) return undefined;
  return patterns.length === 1 ? build.term(only) : build.phrase(...patterns);
}
