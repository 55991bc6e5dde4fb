/** One line of a history before it is read: its number, as it was labelled, its string, and the count beside it. */
export interface RawLine {
  readonly number: number;
  readonly label: string;
  readonly text: string;
  readonly count?: number;
}

/** The most lines and the longest text, in UTF-16 units, that are read. */
export const MAX_LINES = 2_000;
export const LONGEST_HISTORY = 1_000_000;

const NUMBERED = /^\s*#?(\d{1,4})\s*(?:[.):\t]|\s{1,}(?=\S))\s*(.*)$/u;
const LETTERED = /^\s*#?([A-Z])\s*[.):\t]\s*(.*)$/u;
const NUMBER = '((?:\\d{1,3}(?:[,. ’]\\d{3})+)|\\d+)';
const COUNTED = '(?:results?|records?|hits?)';
const COUNT = new RegExp(
  `(?:\\t+|\\s{2,}|\\s+[=→–—-]+\\s*|\\s*\\()\\s*(?:n\\s*=\\s*)?${NUMBER}\\s*${COUNTED}?\\s*\\)?\\s*$`,
  'iu',
);
/** A number behind a single blank: a count only if every line ends so. */
const LOOSE_COUNT = /\s+((?:\d{1,3}(?:[,.’]\d{3})+)|\d+)\s*$/u;
/** A number in front of the string, set off from it: a count only if every line begins so. */
const FRONT_COUNT = new RegExp(
  `^\\s*(?:[([]\\s*(?:n\\s*=\\s*)?${NUMBER}\\s*${COUNTED}?\\s*[)\\]]\\s*|${NUMBER}(?:\\s*${COUNTED}\\b\\s*:?\\s*|\\t+|\\s{2,}|\\s+[=→–—:|]\\s+))(.+)$`,
  'isu',
);
/** A number behind an operator is a line that is combined. */
const ENDS_IN_OPERATOR = /(?:^|[\s)])(?:and|or|not|except|und|oder|nicht|et|ou|sauf|y|o|[|&+-])$/iu;

/** True if a text looks like several numbered or lettered lines. */
export function isHistory(text: string): boolean {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const isMany = (pattern: RegExp): boolean =>
    lines.filter((line) => pattern.test(line)).length >= Math.max(2, lines.length / 2);
  return lines.length > 1 && (isMany(NUMBERED) || isLettered(lines));
}

/** The first lines are A, B …: a single capital before a dot may be anything. */
function isLettered(lines: readonly string[]): boolean {
  const letters = lines.flatMap((line) => LETTERED.exec(line)?.[1] ?? []);
  return letters.length >= 2 && letters.every((letter, at) => letter === String.fromCharCode(65 + at));
}

/** The lines of a history; what has no number or letter of its own goes on with the line before. */
export function splitLines(text: string): RawLine[] {
  const written = text
    .slice(0, LONGEST_HISTORY)
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '');
  const pattern = !written.some((line) => NUMBERED.test(line)) && isLettered(written) ? LETTERED : NUMBERED;
  const lines: { number: number; label: string; text: string }[] = [];
  for (const line of written) {
    const [, label, rest = ''] = pattern.exec(line) ?? [];
    const number =
      label === undefined ? NaN : pattern === LETTERED ? label.charCodeAt(0) - 64 : Number(label);
    const open = lines.at(-1);
    const isNew = label !== undefined && (open === undefined || number > open.number);
    if (isNew && lines.length < MAX_LINES) lines.push({ number, label, text: rest });
    else if (open) open.text += `\n${line.trim()}`;
    else lines.push({ number: 1, label: '1', text: line.trim() });
  }
  return takeCounts(lines);
}

function takeCounts(lines: readonly RawLine[]): RawLine[] {
  const front = lines.map(takeFrontCount);
  if (lines.length > 1 && front.every((line) => line !== undefined)) return front;
  const strict = lines.map((line) => takeCount(line, COUNT));
  if (strict.some(({ count }) => count !== undefined) || lines.length < 2) return strict;
  const loose = lines.map((line) => takeCount(line, LOOSE_COUNT));
  const isEvery = loose.every(
    ({ text: string, count }) => count !== undefined && !ENDS_IN_OPERATOR.test(string),
  );
  return isEvery ? loose : strict;
}

/** A line with the count that a pattern finds behind it, if there is one. */
function takeCount(line: RawLine, pattern: RegExp): RawLine {
  const whole = line.text;
  const match = pattern.exec(whole);
  const text = match ? whole.slice(0, match.index).trim() : whole.trim();
  if (!match || text === '' || !isBalanced(text)) return { ...line, text: whole.trim() };
  return { ...line, text, count: readNumber(match[1]) };
}

function takeFrontCount(line: RawLine): RawLine | undefined {
  const [, bracketed, bare, text = ''] = FRONT_COUNT.exec(line.text) ?? [];
  const number = bracketed ?? bare;
  return number === undefined ? undefined : { ...line, text: text.trim(), count: readNumber(number) };
}

function readNumber(text: string | undefined): number {
  return Number((text ?? '').replace(/\D/g, ''));
}

/** A count in brackets must not be the inside of a bracket of the string. */
function isBalanced(text: string): boolean {
  return text.split('(').length === text.split(')').length && text.split('"').length % 2 === 1;
}
