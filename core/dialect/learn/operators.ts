import type { Dialect, OperatorWords } from '../profile';
import type { Ask } from './question';
import { OPERATOR_WORDS } from './signs';

type Operator = 'and' | 'or' | 'not';
const OPERATORS: readonly Operator[] = ['and', 'or', 'not'];

/** The operators of some strings; words in capitals that no table knows are asked about. */
export function findOperators(
  texts: readonly string[],
  nearWords: readonly string[],
  ask: Ask,
): Dialect['operators'] {
  const words = texts.map(listBareWords);
  const isCapital = words.flat().some((word) => ['AND', 'OR', 'NOT'].includes(word));
  const strange = listStrangeWords(words, nearWords);
  const meanings = new Map(
    strange.map((word) => [
      word,
      ask(
        `word ${word}`,
        `What does ${word} mean between two things?`,
        [
          ['and', 'both'],
          ['or', 'any of them'],
          ['not', 'the first without the second'],
          ['word', 'it is a word to be searched'],
        ],
        'word',
      ),
    ]),
  );
  const describe = (operator: Operator): OperatorWords => {
    const taught = strange.filter((word) => meanings.get(word) === operator);
    const seen = [...taught, ...listSeen(words, OPERATOR_WORDS[operator])];
    const other = isCapital ? operator.toUpperCase() : operator;
    const capital = seen.find((word) => word === word.toUpperCase());
    const write = capital ?? seen[0] ?? (operator === 'and' && isBlankAnd(texts) ? '' : other);
    const forms = [...new Set([write, ...seen].map((word) => (capital ? word.toUpperCase() : word)))];
    const anyCase = seen.some((word) => word !== word.toUpperCase());
    return { write, read: forms.filter((word) => word !== ''), anyCase: anyCase || seen.length === 0 };
  };
  const [and, or, not] = OPERATORS.map(describe) as [OperatorWords, OperatorWords, OperatorWords];
  return { and, or, not };
}

/** Words and signs outside quotation marks, brackets taken off. */
function listBareWords(text: string): string[] {
  return text
    .replace(/"[^"]*"?/g, ' " ')
    .replace(/[()]/g, ' ')
    .split(/\s+/)
    .filter((word) => word !== '');
}

/** The operators of a kind that stand in the examples, longer ones before those that they hold. */
function listSeen(words: readonly (readonly string[])[], known: readonly string[]): string[] {
  const seen: string[] = [];
  for (const list of words)
    for (let at = 1; at < list.length - 1; at++) {
      const [one = '', two = ''] = list.slice(at);
      const before = (list[at - 1] ?? '').toLowerCase();
      const pair = `${one} ${two}`;
      if (known.includes(pair.toLowerCase())) seen.push(pair);
      else if (known.includes(one.toLowerCase()) && !isPairEnd(before, one) && !isPairStart(one, two))
        seen.push(one);
    }
  return [...new Set(seen)].sort((a, b) => b.length - a.length);
}

function isPairEnd(before: string, word: string): boolean {
  return OPERATOR_WORDS.not.includes(`${before} ${word.toLowerCase()}`);
}

function isPairStart(word: string, next: string): boolean {
  return OPERATOR_WORDS.not.includes(`${word} ${next}`.toLowerCase());
}

/** Words in capitals between other words that no table knows; what near it counts is known otherwise. */
function listStrangeWords(words: readonly (readonly string[])[], nearWords: readonly string[]): string[] {
  const strange = words.flatMap((list) =>
    list
      .slice(1, -1)
      .filter((word) => /^\p{Lu}{2,}$/u.test(word) && !isOperatorWord(word) && !nearWords.includes(word)),
  );
  const all = new Map<string, number>();
  for (const word of strange) all.set(word, (all.get(word) ?? 0) + 1);
  return [...all.keys()].slice(0, 6);
}

/** True if no AND stands anywhere, but words or phrases side by side do. */
function isBlankAnd(texts: readonly string[]): boolean {
  if (listSeen(texts.map(listBareWords), OPERATOR_WORDS.and).length > 0) return false;
  const or = { write: '', anyCase: true, read: OPERATOR_WORDS.or };
  const levels = texts.map((text) => text.replace(/"[^"]*"?/g, ' x ').replace(/[()]/g, ' '));
  return levels.some((text) => hasNeighbours(text.toLowerCase().split(/\s+/), or));
}

/** True for a word that is an operator somewhere. */
export function isOperatorWord(word: string): boolean {
  return OPERATORS.some((operator) => OPERATOR_WORDS[operator].includes(word.toLowerCase()));
}

/** True if AND and OR stand on one level of brackets somewhere; a blank may be the AND. */
export function hasMixedLevels(texts: readonly string[], { and, or }: Dialect['operators']): boolean {
  const isBlankAnd = and.write === '';
  const isOf = (words: OperatorWords, word: string): boolean =>
    words.read.some((one) => one.toLowerCase() === word.toLowerCase());
  return texts.some((text) => {
    let rest = text.replace(/"[^"]*"?/g, ' x ');
    for (let last = ''; last !== rest;) {
      last = rest;
      const inner = /\([^()]*\)/.exec(rest)?.[0] ?? rest;
      const words = inner.replace(/[()]/g, ' ').split(/\s+/);
      const hasAnd = isBlankAnd ? hasNeighbours(words, or) : words.some((word) => isOf(and, word));
      if (hasAnd && words.some((word) => isOf(or, word))) return true;
      rest = rest.replace(/\([^()]*\)/, ' x ');
    }
    return false;
  });
}

/** Two things side by side without an OR between. */
function hasNeighbours(words: readonly string[], { read }: OperatorWords): boolean {
  const things = words.filter((word) => word !== '');
  return things.some((word, at) => {
    const next = things[at + 1];
    return next !== undefined && !read.includes(word) && !read.includes(next) && !/^[-&|]/.test(next);
  });
}
