import {
  ALL_FIELDS,
  maskFields,
  type FieldMask,
  type SetExpression,
  type Slot,
} from '#core/collection/index';
import { printPattern, type Pattern } from '#core/query/index';
import { LeftJoin } from '../left-join';
import { GroupMemory, Scanner } from '../scanner';
import { refuse } from '../string-fault';
import { countLettersBefore, createWords, hasWildcard, isCutAtEnd, createPatternReader } from '../words';

const FIELDS: Readonly<Record<string, FieldMask>> = {
  title: maskFields(['title']),
  abstract: maskFields(['abstract']),
  writer: maskFields(['author']),
};
const splitPatterns = createPatternReader({ any: '*' });
/** In quotation marks the star is no sign at all. */
const splitQuoted = createPatternReader({});
const LEAST_LETTERS = 5;
const GROUPS = new GroupMemory<{ readonly expression: SetExpression; readonly truncations: number }>();
const MAX_FORMS = 45;
const MAX_TRUNCATIONS = 6;
const LONGEST = 480;
const OPERATORS = /(?:and|or|not)(?![\p{L}\p{M}\p{N}*])/iuy;

/** Marlstone's own reader: and and not before or; words side by side are a phrase; the whole text unless a field is named. */
export function readMarlstone(text: string): SetExpression {
  if (text.length > LONGEST)
    refuse(
      'length',
      LONGEST,
      text.length,
      `The search is too long: ${text.length} of ${LONGEST} characters.`,
    );
  const scanner = new Scanner(text, OPERATORS);
  if (scanner.isAtEnd()) refuse('nothing', 0, text.length, 'Type a word to begin.');
  const expression = new Reader(scanner).readAny();
  if (!scanner.isAtEnd() && !scanner.sees(')'))
    refuse(
      'side-by-side',
      scanner.at,
      scanner.at + 1,
      'A phrase in quotation marks, a field or a bracket stands right behind a word: write and, or or not between them.',
    );
  if (!scanner.isAtEnd())
    refuse('bracket-stray', scanner.at, scanner.at + 1, 'There is a closing bracket too many.');
  return expression;
}

class Reader {
  private truncations = 0;

  constructor(private readonly scanner: Scanner) {}

  readAny(): SetExpression {
    const items = [this.readAll()];
    while (this.takeOperator('or')) items.push(this.readAll());
    return items.length === 1 ? items[0]! : { kind: 'or', items };
  }

  private readAll(): SetExpression {
    const joined = new LeftJoin(this.readItem());
    for (;;) {
      if (this.takeOperator('and')) joined.join('and', this.readItem());
      else if (this.takeOperator('not')) joined.join('not', this.readItem());
      else return joined.expression;
    }
  }

  private seeOperator(): string | undefined {
    return this.scanner.seeOperator()?.toLowerCase();
  }

  private takeOperator(operator: string): boolean {
    if (this.seeOperator() !== operator) return false;
    this.scanner.at += operator.length;
    return true;
  }

  private readItem(): SetExpression {
    const { scanner } = this;
    const operator = this.seeOperator();
    const start = scanner.at;
    if (operator !== undefined)
      refuse(
        'operator',
        start,
        start + operator.length,
        `Something to search for is missing before “${operator}”.`,
      );
    if (scanner.isAtEnd() || scanner.sees(')'))
      refuse('missing', start, start + 1, 'Something to search for is missing here.');
    const group = this.takeGroup(start);
    if (group) {
      if (!scanner.isAtEnd() && !scanner.sees(')') && this.seeOperator() === undefined) {
        refuse('after-bracket', scanner.at, scanner.at + 1, 'Write and, or or not after a bracket.');
      }
      return group;
    }
    const mark = scanner.take(/(\p{L}+)=/uy);
    const fields = mark ? FIELDS[(mark[1] ?? '').toLowerCase()] : ALL_FIELDS;
    if (fields === undefined)
      return refuse('field', start, scanner.at, `${mark?.[1] ?? ''}= is not known here.`);
    if (mark && scanner.sees('('))
      refuse(
        'field-place',
        start,
        scanner.at,
        'A field stands before a word or a phrase, not before a bracket.',
      );
    return this.readPhrase(fields, start);
  }

  /** A group that was read before is read again if it has too many words with a star for this string. */
  private takeGroup(start: number): SetExpression | undefined {
    const { scanner } = this;
    const before = this.truncations;
    const read = () => {
      const expression = this.readAny();
      return { expression, truncations: this.truncations - before };
    };
    const group = scanner.takeGroup(read, GROUPS);
    if (!group) return undefined;
    this.truncations = before + group.truncations;
    if (this.truncations <= MAX_TRUNCATIONS) return group.expression;
    this.truncations = before;
    scanner.at = start;
    return scanner.takeGroup(read)?.expression;
  }

  private readPhrase(fields: FieldMask, start: number): SetExpression {
    const { scanner } = this;
    const quote = scanner.take(/"([^"]*)("?)/y);
    if (quote) {
      if (quote[2] !== '"') refuse('quote', start, scanner.at, 'The quotation marks are not closed.');
      return this.createPhrase(splitQuoted(quote[1] ?? ''), fields, start);
    }
    const patterns: Pattern[] = [];
    while (!scanner.isAtEnd() && this.seeOperator() === undefined && !scanner.look(/[()"]|\p{L}+=/uy)) {
      patterns.push(...splitPatterns(scanner.take(/[^\s()"]+/y)?.[0] ?? ''));
    }
    for (const pattern of patterns) this.check(pattern, start);
    return this.createPhrase(patterns, fields, start);
  }

  private check(pattern: Pattern, start: number): void {
    if (!hasWildcard(pattern)) return;
    const end = this.scanner.at;
    if (!isCutAtEnd(pattern))
      refuse('wildcard-place', start, end, `${printPattern(pattern)}: the star belongs at the end.`);
    if (countLettersBefore(pattern) < LEAST_LETTERS)
      refuse(
        'wildcard-short',
        start,
        end,
        `${printPattern(pattern)}: five letters at least before the star.`,
      );
    if (++this.truncations > MAX_TRUNCATIONS)
      refuse('wildcard-many', start, end, `Only ${MAX_TRUNCATIONS} words with a star are allowed.`);
  }

  private createPhrase(patterns: readonly Pattern[], fields: FieldMask, start: number): SetExpression {
    if (patterns.length === 0)
      refuse('letters', start, this.scanner.at, 'There is nothing to search for here.');
    return createWords(patterns, fields, createSlot);
  }
}

function createSlot(pattern: Pattern): Slot {
  return hasWildcard(pattern) ? { pattern, cap: MAX_FORMS } : { pattern };
}
