import type { Problem } from '../../problem';
import { build, mapChildren, printPattern, withIds, type QueryNode } from '../../query';
import { escapePattern } from '../../text';
import type { Dialect } from '../dialect';
import type { Limiters } from '../limiters';
import { readString } from './read-string';

/** One line of a search history: its number, its string, and the count that was written behind it. */
export interface HistoryLine {
  readonly number: number;
  readonly text: string;
  readonly count?: number;
  /** What it means; lines that it combines are blocks named by `nameLine`. */
  readonly root: QueryNode;
  readonly limiters: Limiters;
  /** The numbers of the lines that it combines. */
  readonly uses: readonly number[];
  /** With places in `text`. */
  readonly problems: readonly Problem[];
}

/** A history as blocks, in the order of its lines. */
export interface History {
  readonly lines: readonly HistoryLine[];
  /** The line that no other one uses, the last of these: what the history was for. */
  readonly last: HistoryLine | undefined;
}

/** The most lines and the longest text, in UTF-16 units, that are read. */
export const MOST_LINES = 2_000;
export const LONGEST_HISTORY = 1_000_000;

const NUMBERED = /^\s*#?(\d{1,4})\s*(?:[.):\t]|\s{1,}(?=\S))\s*(.*)$/u;
const COUNT =
  /(?:\t+|\s{2,}|\s+[=→–—-]+\s*|\s*\()\s*(?:n\s*=\s*)?((?:\d{1,3}(?:[,. ’]\d{3})+)|\d+)\s*(?:results?|records?|hits?)?\s*\)?\s*$/iu;
/** A number behind a single blank: a count only if every line ends so. */
const LOOSE_COUNT = /\s+((?:\d{1,3}(?:[,.’]\d{3})+)|\d+)\s*$/u;
/** A number behind an operator is a line that is combined. */
const ENDS_IN_OPERATOR = /(?:^|[\s)])(?:and|or|not|except|und|oder|nicht|et|ou|sauf|y|o|[|&+-])$/iu;
/** A word that stands for a line while its string is read by the dialect. */
const STAND_IN = 'ewerline';

/** The name of the block that a line becomes. */
export function nameLine(number: number): string {
  return `line-${number}`;
}

/** True if a text looks like several numbered lines. */
export function isHistory(text: string): boolean {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  return (
    lines.length > 1 && lines.filter((line) => NUMBERED.test(line)).length >= Math.max(2, lines.length / 2)
  );
}

/**
 * Reads a history of numbered lines in a dialect: a number, a string, a count perhaps; later lines
 * combine earlier ones by number (`1 AND 2`, `#1 or #2`, or as the dialect writes it). Lines without a
 * number go on with the one before. Every line gives a tree; what is not understood is a problem.
 */
export function readHistory(text: string, dialect: Dialect): History {
  const raw = splitLines(text.slice(0, LONGEST_HISTORY));
  const known = new Set(raw.map(({ number }) => number));
  const lines = raw.map((line) => readLine(line, known, dialect));
  const used = new Set(lines.flatMap(({ uses }) => uses));
  const last = lines.findLast(({ number }) => !used.has(number));
  return { lines, last };
}

/** The strings of a text that are in some syntax: the lines of a history that do not only combine others, or all of it. */
export function listStrings(text: string): string[] {
  if (!isHistory(text)) return [text];
  return splitLines(text.slice(0, LONGEST_HISTORY))
    .map((line) => line.text)
    .filter((line) => !isCombination(line));
}

/** Numbers and words that may be operators, nothing else. */
function isCombination(text: string): boolean {
  const item = '(?:#?\\d{1,4}|[a-z|&+-]+)';
  return new RegExp(`^[\\s()]*${item}(?:[\\s(),]+${item})*[\\s()]*$`, 'i').test(text) && /\d/.test(text);
}

interface RawLine {
  readonly number: number;
  readonly text: string;
  readonly count?: number;
}

function splitLines(text: string): RawLine[] {
  const lines: { number: number; text: string }[] = [];
  for (const line of text.split(/\r?\n/)) {
    if (line.trim() === '') continue;
    const [, number, rest = ''] = NUMBERED.exec(line) ?? [];
    const open = lines.at(-1);
    const isNew = number !== undefined && (open === undefined || Number(number) > open.number);
    if (isNew && lines.length < MOST_LINES) lines.push({ number: Number(number), text: rest });
    else if (open) open.text += `\n${line.trim()}`;
    else lines.push({ number: 1, text: line.trim() });
  }
  const strict = lines.map((line) => takeCount(line, COUNT));
  if (strict.some(({ count }) => count !== undefined) || lines.length < 2) return strict;
  const loose = lines.map((line) => takeCount(line, LOOSE_COUNT));
  const isEvery = loose.every(
    ({ text: string, count }) => count !== undefined && !ENDS_IN_OPERATOR.test(string),
  );
  return isEvery ? loose : strict;
}

/** A line with the count that a pattern finds behind it, if there is one. */
function takeCount({ number, text: whole }: Pick<RawLine, 'number' | 'text'>, pattern: RegExp): RawLine {
  const match = pattern.exec(whole);
  const string = match ? whole.slice(0, match.index).trim() : whole.trim();
  if (!match || string === '' || !isBalanced(string)) return { number, text: whole.trim() };
  return { number, text: string, count: Number((match[1] ?? '').replace(/\D/g, '')) };
}

/** A count in brackets must not be the inside of a bracket of the string. */
function isBalanced(text: string): boolean {
  return text.split('(').length === text.split(')').length && text.split('"').length % 2 === 1;
}

function readLine(line: RawLine, known: ReadonlySet<number>, dialect: Dialect): HistoryLine {
  const isEarlier = (text: string): boolean => known.has(Number(text)) && Number(text) < line.number;
  const uses = new Set<number>();
  const stand = (number: string): string => {
    uses.add(Number(number));
    return `${STAND_IN}${number}`;
  };
  let text = line.text;
  if (
    isCombination(line.text) &&
    listNumbers(text).every(isEarlier) &&
    listWords(text).every((word) => isOperator(word, dialect))
  )
    text = writeOperators(text, dialect).replace(/#?(\d+)/g, (_, number: string) => stand(number));
  else {
    const forms = ['#{n}', ...(dialect.setReference === undefined ? [] : [dialect.setReference])];
    for (const form of forms) {
      const pattern = new RegExp(
        `(?<![\\p{L}\\p{N}])${escapePattern(form).replace('\\{n\\}', '(\\d{1,4})')}(?![\\p{L}\\p{N}])`,
        'giu',
      );
      text = text.replace(pattern, (all, number: string) => (isEarlier(number) ? stand(number) : all));
    }
  }
  const read = readString(text, dialect);
  const isMoved = text !== line.text;
  return {
    ...line,
    root: withIds(putBlocks(read.root)),
    limiters: read.limiters,
    uses: [...uses].sort((a, b) => a - b),
    // Places in a text with stand-ins are not those of the line.
    problems: isMoved
      ? read.problems.filter(({ data }) => !isStandIn(data['word'])).map(({ span: _, ...problem }) => problem)
      : read.problems,
  };
}

function isStandIn(word: unknown): boolean {
  return typeof word === 'string' && word.startsWith(STAND_IN);
}

function listNumbers(text: string): string[] {
  return text.match(/\d+/g) ?? [];
}

function listWords(text: string): string[] {
  return text.match(/[a-z|&+-]+/gi) ?? [];
}

const COMMON: Readonly<Record<string, 'and' | 'or' | 'not'>> = {
  and: 'and',
  or: 'or',
  not: 'not',
  '&': 'and',
  '|': 'or',
  '+': 'and',
  '-': 'not',
  except: 'not',
};

function findOperator(word: string, dialect: Dialect): 'and' | 'or' | 'not' | undefined {
  const own = (['and', 'or', 'not'] as const).find((operator) =>
    dialect.operators[operator].read.some((read) => read.toLowerCase() === word.toLowerCase()),
  );
  return own ?? COMMON[word.toLowerCase()];
}

function isOperator(word: string, dialect: Dialect): boolean {
  return findOperator(word, dialect) !== undefined;
}

/** The operators as the dialect writes them; `and not` is one. */
function writeOperators(text: string, dialect: Dialect): string {
  return text
    .replace(/\band\s+not\b/gi, 'not')
    .replace(/[a-z|&+-]+/gi, (word) => {
      const operator = findOperator(word, dialect);
      return operator
        ? ` ${dialect.operators[operator].write}${operator === 'not' && dialect.exclusion === 'before' ? '' : ' '}`
        : word;
    })
    .replace(/(-)\s+/g, '$1');
}

function putBlocks(node: QueryNode): QueryNode {
  if (node.kind === 'term') {
    const number = new RegExp(`^${STAND_IN}(\\d+)$`).exec(printPattern(node.pattern))?.[1];
    return number === undefined ? node : { ...build.block(nameLine(Number(number))), span: node.span };
  }
  return mapChildren(node, putBlocks);
}
