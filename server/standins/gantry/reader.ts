import { maskFields, type FieldMask, type SetExpression } from '#core/collection/index';
import { createHeadingKey } from '#core/text/index';
import { isPlain, printPattern, type Pattern } from '#core/query/index';
import { LeftJoin, type JoiningOperator } from '../left-join';
import { GroupMemory, Scanner } from '../scanner';
import { refuse } from '../string-fault';
import { countLettersBefore, createWords, hasWildcard, isCutAtEnd, createPatternReader } from '../words';

const UNMARKED = maskFields(['title', 'abstract', 'heading']);
const FIELDS: Readonly<Record<string, FieldMask>> = {
  title: maskFields(['title']),
  summary: maskFields(['abstract']),
  person: maskFields(['author']),
  firm: maskFields(['affiliation']),
  source: maskFields(['source']),
};
const splitPatterns = createPatternReader({ any: '%', one: '_' });
const LEAST_LETTERS = 2;
const GROUPS = new GroupMemory<SetExpression>();
const LONGEST = 3_000;
/** Farther apart, two words could stand in different parts of a record. */
const MAX_BETWEEN = 89;
const OPERATORS = /(?:and\s+not|and|or)(?![\p{L}\p{N}%_])/iuy;
/** Dropped from records and strings alike. */
export const GANTRY_STOP_WORDS: readonly string[] = ['a', 'an', 'the', 'of', 'in', 'for', 'on'];

/** A word or phrase before it is known whether a field or a distance follows. */
interface Operand {
  readonly patterns: readonly Pattern[];
  readonly label: string | undefined;
  readonly start: number;
  readonly fields?: FieldMask;
}

/** Gantry's own reader: strictly from left to right, a field in braces behind a single word or phrase. */
export function readGantry(text: string): SetExpression {
  if (text.length > LONGEST)
    refuse(
      'length',
      LONGEST,
      text.length,
      `Your search has ${text.length} characters. The limit is ${LONGEST}.`,
    );
  const scanner = new Scanner(text);
  if (scanner.isAtEnd()) refuse('nothing', 0, text.length, 'No search was entered.');
  const reader = new Reader(scanner);
  const expression = reader.readRow();
  if (!scanner.isAtEnd())
    refuse('bracket-stray', scanner.at, scanner.at + 1, 'Closing bracket without an opening one.');
  return expression;
}

class Reader {
  constructor(private readonly scanner: Scanner) {}

  readRow(): SetExpression {
    const joined = new LeftJoin(this.readItem());
    for (;;) {
      const operator = this.takeOperator();
      if (!operator) break;
      joined.join(operator, this.readItem());
    }
    if (!this.scanner.isAtEnd() && !this.scanner.sees(')')) {
      refuse(
        'side-by-side',
        this.scanner.at,
        this.scanner.at + 1,
        'An operator (and, or, and not) is missing before this word.',
      );
    }
    return joined.expression;
  }

  private takeOperator(): JoiningOperator | undefined {
    const match = this.scanner.take(OPERATORS);
    if (!match) return undefined;
    const word = match[0].toLowerCase();
    return word === 'and' || word === 'or' ? word : 'not';
  }

  private readItem(): SetExpression {
    const { scanner } = this;
    const group = scanner.takeGroup(() => this.readRow(), GROUPS);
    if (group) {
      if (scanner.sees('{'))
        refuse(
          'field-place',
          scanner.at,
          scanner.at + 1,
          'A field stands behind one word or phrase, not behind a bracket.',
        );
      if (scanner.look(/within:/iy))
        refuse('within', scanner.at, scanner.at + 7, 'within joins words and phrases, not brackets.');
      return group;
    }
    const years = scanner.take(/published\{(\d{4})-(\d{4})\}/iy);
    if (years) return { kind: 'range', column: 'years', from: Number(years[1]), to: Number(years[2]) };
    const left = this.readOperand();
    const near = scanner.take(/within:(\d+)/iy);
    if (!near) return this.checkWords(left);
    if (Number(near[1]) > MAX_BETWEEN)
      refuse(
        'within-distance',
        scanner.at - near[0].length,
        scanner.at,
        `within takes at most ${MAX_BETWEEN} words between.`,
      );
    const right = this.readOperand();
    if (left.patterns.length === 0 || right.patterns.length === 0) return { kind: 'none' };
    const fields = (left.fields ?? UNMARKED) & (right.fields ?? UNMARKED);
    return {
      kind: 'near',
      left: [left.patterns.map((pattern) => ({ pattern }))],
      right: [right.patterns.map((pattern) => ({ pattern }))],
      distance: Number(near[1]) + 1,
      ordered: false,
      fields,
    };
  }

  private readOperand(): Operand {
    const { scanner } = this;
    scanner.skipBlanks();
    const start = scanner.at;
    const quote = scanner.take(/"([^"]*)("?)/y);
    if (quote && quote[2] !== '"') refuse('quote', start, scanner.at, 'Quotation mark without an end.');
    const raw = quote ? (quote[1] ?? '') : this.takeWord(start);
    const patterns = splitPatterns(raw);
    if (patterns.length === 0)
      refuse('letters', start, scanner.at, 'Nothing that can be searched stands here.');
    for (const pattern of patterns) this.check(pattern, quote !== undefined, start);
    const fields = this.takeFields();
    const kept = patterns.some(isStopWord) ? patterns.filter((pattern) => !isStopWord(pattern)) : patterns;
    const label = fields === 'index' ? raw : undefined;
    return { patterns: kept, label, start, ...(typeof fields === 'number' && { fields }) };
  }

  private takeWord(start: number): string {
    const word = this.scanner.take(/[^\s(){}":]+/y)?.[0];
    if (word === undefined) return refuse('missing', start, start + 1, 'A word is missing here.');
    if (/^(and|or|not|within)$/i.test(word))
      refuse('operator', start, this.scanner.at, `“${word}” must be put in quotation marks to be searched.`);
    return word;
  }

  private check(pattern: Pattern, quoted: boolean, start: number): void {
    const end = this.scanner.at;
    if (!hasWildcard(pattern)) return;
    const shown = printPattern(pattern).replaceAll('*', '%').replaceAll('?', '_');
    if (quoted) refuse('wildcard-phrase', start, end, `${shown}: % and _ cannot be used in quotation marks.`);
    if (!isCutAtEnd(pattern))
      refuse('wildcard-place', start, end, `${shown}: % stands at the end of a word.`);
    if (pattern.at(-1)?.kind === 'any' && countLettersBefore(pattern) < LEAST_LETTERS) {
      refuse('wildcard-short', start, end, `${shown}: % needs two letters before it.`);
    }
  }

  private takeFields(): FieldMask | 'index' | undefined {
    const start = this.scanner.at;
    const match = this.scanner.takeHere(/\{([^{}]*)\}/y);
    if (!match) return undefined;
    const names = (match[1] ?? '').split(',').map((name) => name.trim().toLowerCase());
    if (names.length === 1 && names[0] === 'index') return 'index';
    return names.reduce((mask, name) => {
      const field = FIELDS[name];
      return field === undefined
        ? refuse('field', start, this.scanner.at, `{${name}} is not a field here.`)
        : mask | field;
    }, 0);
  }

  private checkWords({ patterns, label, start, fields }: Operand): SetExpression {
    if (label !== undefined) return { kind: 'key', key: `heading=${createHeadingKey(label)}` };
    if (patterns.length === 0)
      return refuse(
        'stop-word',
        start,
        this.scanner.at,
        'Only small words stand here; they are not searched.',
      );
    return createWords(patterns, fields ?? UNMARKED);
  }
}

function isStopWord(pattern: Pattern): boolean {
  return isPlain(pattern) && GANTRY_STOP_WORDS.includes(printPattern(pattern).toLowerCase());
}
