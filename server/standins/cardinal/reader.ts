import { maskFields, type FieldMask, type SetExpression, type Slot } from '#core/collection/index';
import { createIdentifierKey } from '#core/record/index';
import { printPattern, type Pattern } from '#core/query/index';
import { DOCUMENT_KINDS } from '../document-kinds';
import { LeftJoin } from '../left-join';
import { GroupMemory, Scanner } from '../scanner';
import { refuse } from '../string-fault';
import { countLetters, createWords, hasWildcard, createPatternReader } from '../words';

const UNMARKED = maskFields(['title', 'abstract', 'keywords']);
const FIELDS: Readonly<Record<string, FieldMask>> = {
  title: maskFields(['title']),
  summary: maskFields(['abstract']),
  keywords: maskFields(['keywords']),
  writers: maskFields(['author']),
  lead: maskFields(['firstauthor']),
  places: maskFields(['affiliation']),
  source: maskFields(['source']),
};
const SIGNS = { any: '*', one: '+' };
const splitPatterns = createPatternReader(SIGNS);
const NONE_OR_ONE = '^';
const MAX_NONE_OR_ONE = 4;
const LEAST_LETTERS = 2;
const GROUPS = new GroupMemory<SetExpression>();
const GREATEST_DISTANCE = 12;
const LONGEST = 2_000;
const OPERATORS = /(?:and|or|except)(?![\p{L}\p{M}\p{N}*+^])/iuy;

/** Cardinal's own reader: fields wrap what they hold for; different operators on one level must be bracketed. */
export function readCardinal(text: string): SetExpression {
  if (text.length > LONGEST)
    refuse(
      'length',
      LONGEST,
      text.length,
      `Searches of up to ${LONGEST} characters are taken; this one has ${text.length}.`,
    );
  const scanner = new Scanner(text, OPERATORS);
  if (scanner.isAtEnd()) refuse('nothing', 0, text.length, 'There is nothing to search for.');
  const expression = new Reader(scanner).readRow(UNMARKED);
  if (!scanner.isAtEnd()) refuse('stray', scanner.at, scanner.at + 1, 'This sign does not belong here.');
  return expression;
}

class Reader {
  constructor(private readonly scanner: Scanner) {}

  readRow(fields: FieldMask): SetExpression {
    const joined = new LeftJoin(this.readItem(fields));
    let used: string | undefined;
    for (;;) {
      this.scanner.skipBlanks();
      const start = this.scanner.at;
      const operator = this.takeOperator();
      if (operator === undefined) break;
      if (used !== undefined && operator !== used)
        refuse(
          'mixed',
          start,
          this.scanner.at,
          'Different operators stand side by side: put brackets round what belongs together.',
        );
      used = operator;
      joined.join(operator === 'except' ? 'not' : operator, this.readItem(fields));
    }
    if (!this.scanner.isAtEnd() && !this.scanner.sees(')') && !this.scanner.sees(','))
      refuse(
        'side-by-side',
        this.scanner.at,
        this.scanner.at + 1,
        'Words side by side must be quoted as a phrase or joined by an operator.',
      );
    return joined.expression;
  }

  private takeOperator(): 'and' | 'or' | 'except' | undefined {
    const word = this.scanner.seeOperator();
    const operator = word?.toLowerCase();
    if (word === undefined || (operator !== 'and' && operator !== 'or' && operator !== 'except'))
      return undefined;
    this.scanner.at += word.length;
    return operator;
  }

  private readItem(fields: FieldMask): SetExpression {
    const { scanner } = this;
    scanner.skipBlanks();
    const start = scanner.at;
    if (scanner.seeOperator() !== undefined)
      refuse('operator', start, start + 2, 'An operator needs something on each side.');
    const group = scanner.takeGroup(() => this.readRow(fields), GROUPS, fields);
    if (group) return group;
    if (scanner.take(/in\s*\(/iy)) return scanner.enclose(start, () => this.readRow(this.takeFields(start)));
    if (scanner.take(/near\s*\(/iy)) return scanner.enclose(start, () => this.readNear(fields, start));
    const years = scanner.take(/years\s*\(\s*(\d{4})\s*-\s*(\d{4})\s*\)/iy);
    if (years) return { kind: 'range', column: 'years', from: Number(years[1]), to: Number(years[2]) };
    const kinds = scanner.take(/type\s*\(([^()]*)\)/iy);
    if (kinds) return this.readKinds(kinds[1] ?? '', start);
    const language = scanner.take(/lang\s*\(\s*(\p{L}{2,3})\s*\)/iuy);
    if (language) return { kind: 'key', key: `language=${(language[1] ?? '').toLowerCase()}` };
    const identifier = scanner.take(/doi\s*\(\s*"([^"]*)"\s*\)/iy);
    if (identifier) return { kind: 'identifier', key: createIdentifierKey(identifier[1] ?? '') };
    const operands = this.readOperand(start);
    return operands.length === 1
      ? createWords(operands[0]!, fields)
      : { kind: 'or', items: operands.map((patterns) => createWords(patterns, fields)) };
  }

  private takeFields(start: number): FieldMask {
    const list = this.scanner.take(/([^():"]*):/y);
    if (!list)
      return refuse('field', start, this.scanner.at, 'in( takes fields and a colon: in(title: bats).');
    return (list[1] ?? '').split(',').reduce((mask, name) => {
      const field = FIELDS[name.trim().toLowerCase()];
      return field === undefined
        ? refuse('field', start, this.scanner.at, `“${name.trim()}” is not one of the fields.`)
        : mask | field;
    }, 0);
  }

  private readKinds(list: string, start: number): SetExpression {
    const items = list.split(',').map((name): SetExpression => {
      const type = DOCUMENT_KINDS[name.trim().toLowerCase()];
      return type === undefined
        ? refuse('kind', start, this.scanner.at, `“${name.trim()}” is not one of the types.`)
        : { kind: 'key', key: `type=${type}` };
    });
    return { kind: 'or', items };
  }

  private readNear(fields: FieldMask, start: number): SetExpression {
    const number = this.scanner.take(/(\d{1,3})\s*:/y);
    if (!number) return refuse('near', start, this.scanner.at, 'NEAR is written like NEAR(3: bats, roads).');
    const distance = Number(number[1]);
    if (distance < 1 || distance > GREATEST_DISTANCE)
      refuse(
        'near-distance',
        start,
        this.scanner.at,
        `NEAR takes a distance from 1 to ${GREATEST_DISTANCE}.`,
      );
    const left = this.readSide();
    if (!this.scanner.takeSign(','))
      refuse('near', start, this.scanner.at, 'NEAR needs two sides with a comma between.');
    const right = this.readSide();
    return { kind: 'near', left, right, distance, ordered: false, fields };
  }

  /** A word, a phrase, or some of them joined by OR in brackets. */
  private readSide(): (readonly Slot[])[] {
    const { scanner } = this;
    scanner.skipBlanks();
    const start = scanner.at;
    if (!scanner.takeSign('('))
      return this.readOperand(start).map((patterns) => patterns.map((pattern) => ({ pattern })));
    return scanner.enclose(start, () => {
      const sides = this.readSide();
      for (;;) {
        scanner.skipBlanks();
        const at = scanner.at;
        const operator = this.takeOperator();
        if (operator === undefined) return sides;
        if (operator !== 'or') refuse('near', at, scanner.at, 'Only OR can stand in a side of NEAR.');
        sides.push(...this.readSide());
      }
    });
  }

  /** A word or a phrase, in every reading of the sign for none or one. */
  private readOperand(start: number): (readonly Pattern[])[] {
    const { scanner } = this;
    const quote = scanner.take(/"([^"]*)("?)/y);
    if (quote && quote[2] !== '"') refuse('quote', start, scanner.at, 'This quotation mark is not closed.');
    const raw = quote
      ? (quote[1] ?? '')
      : (scanner.take(/[^\s(),:"]+/y)?.[0] ?? refuse('missing', start, start + 1, 'A word is missing here.'));
    return spellNoneOrOne(raw, start, scanner.at).map((text) => {
      const patterns = splitPatterns(text);
      if (patterns.length === 0) refuse('letters', start, scanner.at, 'There is no letter or digit in this.');
      for (const pattern of patterns) this.check(pattern, start);
      return patterns;
    });
  }

  private check(pattern: Pattern, start: number): void {
    if (hasWildcard(pattern) && countLetters(pattern) < LEAST_LETTERS)
      refuse(
        'wildcard-short',
        start,
        this.scanner.at,
        `${printPattern(pattern)}: a wildcard needs two letters in its word.`,
      );
  }
}

function spellNoneOrOne(raw: string, start: number, end: number): string[] {
  const parts = raw.split(NONE_OR_ONE);
  if (parts.length - 1 > MAX_NONE_OR_ONE)
    refuse('wildcard-many', start, end, `At most ${MAX_NONE_OR_ONE} ${NONE_OR_ONE} can stand in one term.`);
  return parts
    .slice(1)
    .reduce(
      (forms, part) => forms.flatMap((form) => [form + part, `${form}${SIGNS.one}${part}`]),
      [parts[0] ?? ''],
    );
}
