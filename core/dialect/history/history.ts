import { createProblem, type Problem } from '../../problem';
import type { Limiters } from '../../limiter';
import { build, mapChildren, printPattern, withIds, type QueryNode } from '../../query';
import { escapePattern } from '../../text';
import type { Dialect } from '../profile';
import { looksCombined, looksLimited, nameLine, readCombination, type FindLine } from './combined-lines';
import { isHistory, splitLines, type RawLine } from './history-lines';
import { dropFlags, liftLimiters } from '../read';
import { readKeepingLimiters } from '../read';

/** One line of a search history: its number and label, its string, and the count that was written beside it. */
export interface HistoryLine {
  readonly number: number;
  /** As it was written: a number or a letter. */
  readonly label: string;
  readonly text: string;
  readonly count?: number;
  /** What it means; lines that it combines are blocks named by `nameLine`. */
  readonly root: QueryNode;
  /** Those of the last line, where they are ANDed with the whole; other lines have theirs in `root`. */
  readonly limiters: Limiters;
  /** The numbers of the lines that it combines. */
  readonly uses: readonly number[];
  /** With places in `text`. */
  readonly problems: readonly Problem[];
  /** Its terms, as query text, if it is made of ORs alone: it could be a concept. */
  readonly choices?: readonly QueryNode[];
}

/** A history as blocks, in the order of its lines. */
export interface History {
  readonly lines: readonly HistoryLine[];
  /** The line that no other one uses, the last of these: what the history was for. */
  readonly last: HistoryLine | undefined;
}

/** A word that stands for a line while its string is read by the dialect. */
const STAND_IN = 'ewerline';

/**
 * Reads a history of numbered or lettered lines in a dialect: a label, a string, a count perhaps; later lines
 * combine earlier ones (`1 AND 2`, `#1 or #2`, `OR 1-4`, or as the dialect writes it) or limit one. Lines without
 * a label go on with the one before. Every line gives a tree; what is not understood is a problem.
 */
export function readHistory(text: string, dialect: Dialect): History {
  const raw = splitLines(text);
  const numbers = new Map(
    raw.flatMap(({ label, number }) => [[label, number] as const, [String(number), number] as const]),
  );
  const lines = raw.map((line) => readLine(line, numbers, dialect));
  const used = new Set(lines.flatMap(({ uses }) => uses));
  const last = lines.findLast(({ number }) => !used.has(number));
  const finished = lines.map((line) => finishLine(line, line === last));
  return { lines: finished, last: finished.find(({ number }) => number === last?.number) };
}

/** The strings of a text that are in some syntax: the lines of a history that do not only combine others, or all of it. */
export function listStrings(text: string): string[] {
  if (!isHistory(text)) return [text];
  return splitLines(text)
    .map((line) => line.text)
    .filter((line) => !looksCombined(line) && !looksLimited(line));
}

/** A limiter of the last line is one of the whole search; in other lines it belongs to the line alone. */
function finishLine(line: HistoryLine, isLast: boolean): HistoryLine {
  const problems = [...line.problems];
  const { root: kept, limiters } = isLast
    ? liftLimiters(line.root, problems)
    : { root: dropFlags(line.root, problems) ?? build.empty(), limiters: {} };
  return {
    ...line,
    root: withIds(kept),
    limiters,
    problems,
    ...listChoices(kept),
  };
}

function listChoices(root: QueryNode): Pick<HistoryLine, 'choices'> {
  const isChoice = (node: QueryNode): boolean =>
    node.kind === 'term' ||
    node.kind === 'phrase' ||
    node.kind === 'heading' ||
    (node.kind === 'fielded' && isChoice(node.item));
  return root.kind === 'or' && root.items.every(isChoice) ? { choices: root.items } : {};
}

function readLine(line: RawLine, numbers: ReadonlyMap<string, number>, dialect: Dialect): HistoryLine {
  const findLine: FindLine = (label) => {
    const number = numbers.get(label.toUpperCase());
    return number !== undefined && number < line.number ? number : undefined;
  };
  const combined = readCombination(line.text, findLine, dialect);
  if (combined) return { ...line, ...combined, limiters: {} };
  return readMixed(line, findLine, dialect);
}

/** A string in which earlier lines may be named: `#1 AND lamps`, or as the dialect refers to them. */
function readMixed(line: RawLine, findLine: FindLine, dialect: Dialect): HistoryLine {
  const uses = new Set<number>();
  const forms = ['#{n}', ...(dialect.setReference === undefined ? [] : [dialect.setReference])];
  let text = line.text;
  for (const form of forms) {
    const pattern = new RegExp(
      `(?<![\\p{L}\\p{N}])${escapePattern(form).replace('\\{n\\}', '(\\d{1,4}|[A-Z])')}(?![\\p{L}\\p{N}])`,
      'giu',
    );
    text = text.replace(pattern, (all, label: string) => {
      const number = findLine(label);
      if (number === undefined) return all;
      uses.add(number);
      return `${STAND_IN}${number}`;
    });
  }
  const read = readKeepingLimiters(text, dialect);
  const problems = read.problems.filter(({ data }) => !isStandIn(data['word']));
  return {
    ...line,
    root: putBlocks(read.root),
    limiters: {},
    uses: [...uses].sort((a, b) => a - b),
    // Places in a text with stand-ins are not those of the line.
    problems: [
      ...(text === line.text ? problems : problems.map(({ span: _, ...problem }) => problem)),
      ...findLikelyLines(line.text, findLine),
    ],
  };
}

/** Numbers in a string that are probably lines, though they were read as words: that is said at once. */
function findLikelyLines(text: string, findLine: FindLine): Problem[] {
  const lines = (text.match(/\d+/g) ?? []).filter((label) => findLine(label) !== undefined);
  if (looksCombined(text) && (lines.length > 1 || /\d\s*[-–]\s*#?\d/.test(text)))
    return [createProblem('line-not-understood', 'error', { line: text.slice(0, 60) })];
  const bare = /(?:^|\s)(\d{1,3})\s+(?:and|or|not)\s|\s(?:and|or|not)\s+(\d{1,3})(?:\s|$)/iu.exec(text);
  const label = bare?.[1] ?? bare?.[2];
  if (label === undefined || findLine(label) === undefined) return [];
  return [createProblem('line-number-as-word', 'error', { line: label })];
}

function isStandIn(word: unknown): boolean {
  return typeof word === 'string' && word.startsWith(STAND_IN);
}

function putBlocks(node: QueryNode): QueryNode {
  if (node.kind === 'term') {
    const number = new RegExp(`^${STAND_IN}(\\d+)$`).exec(printPattern(node.pattern))?.[1];
    return number === undefined ? node : { ...build.block(nameLine(Number(number))), span: node.span };
  }
  return mapChildren(node, putBlocks);
}
