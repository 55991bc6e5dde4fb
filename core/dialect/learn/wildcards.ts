import type { Dialect } from '../profile';
import type { Ask } from './question';
import { WILDCARD_SIGNS } from './signs';

const NONE = 'none';

/** The signs in words of some strings, with what they mean. */
export function findWildcards(texts: readonly string[], ask: Ask): Dialect['wildcards'] {
  const rules: { any?: Rule; one?: Rule; maybe?: Rule } = {};
  for (const sign of Object.keys(WILDCARD_SIGNS)) {
    const places = texts.flatMap((text) => listWordsWith(text, sign));
    if (places.length === 0) continue;
    const meaning = ask(
      `sign ${sign}`,
      `What does ${sign} stand for, as in ${places[0]?.word ?? sign}?`,
      [
        ['any', 'any ending, of any length'],
        ['one', 'exactly one letter'],
        ['maybe', 'one letter or none'],
        [NONE, 'nothing: it is a sign like others'],
      ],
      WILDCARD_SIGNS[sign] ?? NONE,
    );
    if (meaning === NONE || rules[meaning as 'any']) continue;
    const isInside = places.some(({ isAtEnd }) => !isAtEnd);
    const leastLetters = Math.min(...places.map(({ letters }) => letters));
    rules[meaning as 'any'] = {
      sign,
      leastLetters: Math.min(leastLetters, 3),
      where: isInside ? 'anywhere' : 'end',
      ...(meaning === 'maybe' && { means: 'any-character' as const }),
    };
  }
  const { any, one, maybe } = rules;
  return {
    ...(any && { any }),
    ...(one && { one }),
    ...(maybe && { maybe: { ...maybe, means: 'any-character' } }),
  };
}

interface Rule {
  readonly sign: string;
  readonly leastLetters: number;
  readonly where: 'end' | 'anywhere';
}

/** Words that hold a sign with letters before it: where it stands in them, and how many letters they have. */
function listWordsWith(text: string, sign: string): { word: string; isAtEnd: boolean; letters: number }[] {
  const found = text.match(/[\p{L}\p{N}*%$!?#_+^]+/gu) ?? [];
  return found
    .filter((word) => word.indexOf(sign) > 0 && /^\p{L}/u.test(word))
    .map((word) => ({
      word,
      isAtEnd: word.endsWith(sign) && word.indexOf(sign) === word.length - 1,
      letters: word.replace(/[^\p{L}\p{N}]/gu, '').length,
    }));
}

/** Where signs stand in phrases. */
export function findPhraseWildcards(texts: readonly string[]): Dialect['phrase']['wildcards'] {
  const phrases = texts
    .flatMap((text) => text.match(/"[^"]*"/g) ?? [])
    .filter((phrase) => /[*%$?#!+^]/.test(phrase));
  if (phrases.length === 0) return 'none';
  return phrases.every((phrase) => /^[^*%$?#!+^]*[*%$?#!+^]"$/.test(phrase)) ? 'last-word' : 'all';
}
