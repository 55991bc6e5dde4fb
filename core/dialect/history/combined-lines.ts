import { createProblem, type Problem } from '../../problem';
import { build, type QueryNode } from '../../query';
import { escapePattern } from '../../text';
import { COMMON_HISTORY, type Dialect } from '../profile';
import { joinRow, type Entry, type RowOperator } from '../read';
import { readLimitingWords } from './limiting-words';

/** Gives the number of an earlier line by its label; nothing for a label that no earlier line has. */
export type FindLine = (label: string) => number | undefined;

/** What a line that builds on earlier ones comes to. */
export interface Combined {
  readonly root: QueryNode;
  readonly uses: readonly number[];
  readonly problems: readonly Problem[];
}

/** The name of the block that a line becomes. */
export function nameLine(number: number): string {
  return `line-${number}`;
}

const LABEL = '#?(\\d{1,4}|[A-Z])';
const COMMON_OPERATORS: Readonly<Record<string, RowOperator>> = {
  and: 'and',
  or: 'or',
  not: 'not',
  '&': 'and',
  '|': 'or',
  '+': 'and',
  '-': 'not',
  except: 'not',
};

/**
 * A line that joins earlier lines or ranges of lines, or limits one line. Nothing if it is something else.
 */
export function readCombination(text: string, findLine: FindLine, dialect: Dialect): Combined | undefined {
  return readLimited(text, findLine, dialect) ?? readJoined(text, findLine, dialect);
}

/** True for a line of labels and words that may be operators, nothing else. */
export function looksCombined(text: string): boolean {
  const words = text.split(/[\s(),]+/).filter((word) => word !== '');
  const parts = words.map((word) => word.match(/\d+|[A-Za-z]+|[|&+/:#–-]+/g) ?? []);
  const isMadeOfParts = words.every((word, at) => parts[at]?.join('') === word);
  // A number right beside letters is a word: 2700K.
  const isApart = words.every((word) => !/\d{5}|\d[a-z]|[a-z]\d/i.test(word));
  return isMadeOfParts && isApart && /\d|\b[A-Z]\b/.test(text);
}

/** True for a line in one of the forms that limit an earlier one. */
export function looksLimited(text: string, dialect?: Dialect): boolean {
  return createLimitPatterns(dialect).some((pattern) => pattern.test(text));
}

/** `limit 3 to 2015-2024`, in the forms that the dialect has. */
function readLimited(text: string, findLine: FindLine, dialect: Dialect): Combined | undefined {
  for (const pattern of createLimitPatterns(dialect)) {
    const [, label, words = ''] = pattern.exec(text) ?? [];
    if (label === undefined) continue;
    const number = findLine(label);
    const fail = (code: Problem['code'], data: Problem['data']): Combined => ({
      root: number === undefined ? build.empty() : createLine(number),
      uses: number === undefined ? [] : [number],
      problems: [createProblem(code, 'error', data)],
    });
    if (number === undefined) return fail('line-unknown', { line: label });
    const nodes = readLimitingWords(words, dialect);
    if (!nodes) return fail('limit-not-understood', { words });
    return { root: build.and(createLine(number), ...nodes), uses: [number], problems: [] };
  }
  return undefined;
}

function createLimitPatterns(dialect: Dialect | undefined): RegExp[] {
  const { limits } = dialect?.history ?? COMMON_HISTORY;
  const parts: Readonly<Record<string, string>> = { '{n}': LABEL, '{limiter}': '(.+)' };
  return limits.map((form) => {
    const source = form
      .split(/(\{\w+\})/)
      .map((part) => parts[part] ?? escapePattern(part).replace(/ +/g, '\\s+'))
      .join('');
    return new RegExp(`^\\s*${source}\\s*$`, 'isu');
  });
}

type Piece =
  | { readonly kind: 'node'; readonly node: QueryNode }
  | { readonly kind: 'operator'; readonly operator: RowOperator; readonly word: string }
  | { readonly kind: 'open' | 'close' };

function readJoined(text: string, findLine: FindLine, dialect: Dialect): Combined | undefined {
  if (!looksCombined(text)) return undefined;
  const reader = new CombinationReader(findLine, dialect);
  const pieces = reader.split(text);
  if (!pieces || !reader.namesLines) return undefined;
  const root = reader.join(pieces);
  // The pieces have no places: the whole line is meant.
  const problems = reader.problems.map(({ span: _, ...problem }) => problem);
  return { root, uses: [...reader.uses].sort((a, b) => a - b), problems };
}

interface Taken {
  readonly piece: Piece;
  readonly length: number;
}

/** So deep brackets of a combination are read. */
const DEEPEST = 50;
const NO_PLACE = { start: 0, end: 0 };

/** Reads one line of labels, operators, ranges and brackets. */
class CombinationReader {
  readonly uses = new Set<number>();
  readonly problems: Problem[] = [];
  /** An earlier line was named, alone or in a range. */
  namesLines = false;
  private at = 0;
  private readonly ranges: readonly RegExp[];
  private readonly joining: Dialect;

  constructor(
    private readonly findLine: FindLine,
    private readonly dialect: Dialect,
  ) {
    this.ranges = createRangePatterns(dialect);
    // Systems that ask for brackets in a string seldom do so in combinations: they are read as most systems do.
    const { mixedOperators: _, ...rest } = dialect;
    this.joining = { ...rest, sideBySide: 'error' };
  }

  /** The pieces of a line; nothing if something in it is neither a line nor an operator. */
  split(text: string): Piece[] | undefined {
    const pieces: Piece[] = [];
    let rest = text.trim();
    while (rest !== '') {
      const range = this.ranges.map((pattern) => pattern.exec(rest)).find((match) => match !== null);
      const taken = (range && this.readRange(range)) ?? this.readPiece(rest);
      if (!taken) return undefined;
      pieces.push(taken.piece);
      rest = rest.slice(taken.length).trimStart();
    }
    return pieces;
  }

  join(pieces: readonly Piece[]): QueryNode {
    this.at = 0;
    const root = this.joinRow(pieces, 0);
    if (this.at < pieces.length) this.report('unopened-bracket');
    return root ?? build.empty();
  }

  private report(code: Problem['code'], data: Problem['data'] = {}): void {
    this.problems.push(createProblem(code, 'error', data));
  }

  /** Every line from one to another, joined by one operator. */
  private readRange({ 0: all, groups }: RegExpExecArray): Taken | undefined {
    const operator = findOperator(groups?.['operator'] ?? '', this.dialect);
    if (!operator || operator === 'not') return undefined;
    const [from, to] = [this.findLine(groups?.['from'] ?? ''), this.findLine(groups?.['to'] ?? '')];
    const length = all.length;
    this.namesLines ||= from !== undefined || to !== undefined;
    if (from === undefined || to === undefined || from >= to) {
      this.report('line-unknown', { line: all.trim() });
      return { piece: { kind: 'node', node: build.empty() }, length };
    }
    const numbers = Array.from({ length: to - from + 1 }, (_, at) => from + at);
    const nodes = numbers.filter((number) => this.findLine(String(number)) !== undefined);
    nodes.forEach((number) => this.uses.add(number));
    return { piece: { kind: 'node', node: build[operator](...nodes.map(createLine)) }, length };
  }

  private readPiece(rest: string): Taken | undefined {
    const bracket = /^[()]/.exec(rest)?.[0];
    if (bracket) return { piece: { kind: bracket === '(' ? 'open' : 'close' }, length: 1 };
    const word = /^(?:and\s+not|[a-z]+|[|&+-])(?![\p{L}\p{N}])/iu.exec(rest)?.[0];
    const operator = word === undefined ? undefined : findOperator(word, this.dialect);
    if (word !== undefined && operator)
      return { piece: { kind: 'operator', operator, word }, length: word.length };
    const [all = '', label = ''] = new RegExp(`^${LABEL}(?![\\p{L}\\p{N}])`, 'u').exec(rest) ?? [];
    if (all === '') return undefined;
    const number = this.findLine(label);
    if (number === undefined) this.report('line-unknown', { line: label });
    else {
      this.namesLines = true;
      this.uses.add(number);
    }
    return {
      piece: { kind: 'node', node: number === undefined ? build.empty() : createLine(number) },
      length: all.length,
    };
  }

  private joinRow(pieces: readonly Piece[], depth: number): QueryNode | undefined {
    const row: Entry[] = [];
    for (let piece = pieces[this.at]; piece && piece.kind !== 'close'; piece = pieces[this.at]) {
      this.at++;
      if (piece.kind === 'operator') row.push({ operator: piece.operator, word: piece.word, span: NO_PLACE });
      else if (piece.kind === 'node') row.push({ node: piece.node });
      else {
        if (depth >= DEEPEST) {
          this.report('nesting-too-deep', { most: DEEPEST });
          this.at = pieces.length;
          return undefined;
        }
        const inner = this.joinRow(pieces, depth + 1);
        if (this.at < pieces.length) this.at++;
        else this.report('unclosed-bracket');
        if (inner) row.push({ node: { ...inner, id: '' } });
      }
    }
    return joinRow(row, this.joining, this.problems);
  }
}

function createLine(number: number): QueryNode {
  return build.block(nameLine(number));
}

/** The forms of a range as patterns: a blank may be missing, or be a slash, a colon or a bracket. */
function createRangePatterns(dialect: Dialect): RegExp[] {
  const { ranges } = dialect.history ?? COMMON_HISTORY;
  const parts: Readonly<Record<string, string>> = {
    '{operator}': '(?<operator>[a-z]+|[|&])',
    '{from}': '#?(?<from>\\d{1,4}|[A-Z])',
    '{to}': '#?(?<to>\\d{1,4}|[A-Z])(?![\\p{L}\\p{N}])',
  };
  return ranges.map((form) => {
    const source = form
      .split(/(\{\w+\})/)
      .map(
        (part) =>
          parts[part] ?? escapePattern(part).replace(/ +/g, '[\\s/:(]*').replace(/\\x2d/g, '\\s*[-–]\\s*'),
      )
      .join('');
    return new RegExp(`^${source}\\)?`, 'iu');
  });
}

function findOperator(word: string, dialect: Dialect): RowOperator | undefined {
  const bare = word.toLowerCase().replace(/\s+/g, ' ');
  const own = (['and', 'or', 'not'] as const).find((operator) =>
    dialect.operators[operator].read.some((read) => read.toLowerCase() === bare),
  );
  return own ?? (bare === 'and not' ? 'not' : COMMON_OPERATORS[bare]);
}
