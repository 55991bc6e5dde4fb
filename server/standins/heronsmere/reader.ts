import { countMonths, maskFields, type FieldMask, type SetExpression } from '#core/collection/index';
import { createIdentifierKey } from '#core/record/index';
import { createHeadingKey } from '#core/text/index';
import { isPlain, printPattern, type Pattern } from '#core/query/index';
import type { Vocabulary } from '#core/vocabulary/index';
import { DOCUMENT_KINDS } from '../document-kinds';
import { exclude } from '../left-join';
import { GroupMemory, Scanner } from '../scanner';
import { refuse } from '../string-fault';
import { beginsWithOne, countLettersBefore, createWords, isCutAtEnd, createPatternReader } from '../words';

const UNMARKED = maskFields(['title', 'abstract', 'heading']);
const WORD_FIELDS: Readonly<Record<string, FieldMask>> = {
  title: maskFields(['title']),
  summary: maskFields(['abstract']),
  terms: maskFields(['heading']),
  writer: maskFields(['author']),
  journal: maskFields(['source']),
};
const splitPatterns = createPatternReader({ any: '*', one: '?' });
const LEAST_LETTERS = 3;
/** Groups may name headings: what they mean depends on the thesaurus. */
const GROUPS = new WeakMap<Vocabulary, GroupMemory<SetExpression>>();
const OPERATORS = /(?:AND|OR|NOT)(?![\p{L}\p{N}*?])/uy;

/** What an earlier search of the session means, by its number. */
export type FindSet = (number: number) => SetExpression | undefined;

/** Heronsmere's own reader: capitals for operators; NOT, then AND, then OR; words side by side are ANDed. */
export function readHeronsmere(text: string, vocabulary: Vocabulary, findSet?: FindSet): SetExpression {
  const scanner = new Scanner(text, OPERATORS);
  if (scanner.isAtEnd()) refuse('nothing', 0, text.length, 'Please enter something to search for.');
  const reader = new Reader(scanner, vocabulary, findSet);
  const expression = reader.readAny(UNMARKED);
  if (!scanner.isAtEnd())
    refuse('bracket-stray', scanner.at, scanner.at + 1, 'This bracket has no beginning.');
  return expression;
}

class Reader {
  constructor(
    private readonly scanner: Scanner,
    private readonly vocabulary: Vocabulary,
    private readonly findSet: FindSet | undefined,
  ) {}

  readAny(fields: FieldMask): SetExpression {
    const items = [this.readAll(fields)];
    while (this.takeOperator('OR')) items.push(this.readAll(fields));
    return items.length === 1 ? items[0]! : { kind: 'or', items };
  }

  private readAll(fields: FieldMask): SetExpression {
    const items = [this.readDifference(fields)];
    while (!this.isAtClose() && this.scanner.seeOperator() !== 'OR') {
      this.takeOperator('AND');
      items.push(this.readDifference(fields));
    }
    return items.length === 1 ? items[0]! : { kind: 'and', items };
  }

  private readDifference(fields: FieldMask): SetExpression {
    const include = this.readItem(fields);
    const excluded: SetExpression[] = [];
    while (this.takeOperator('NOT')) excluded.push(this.readItem(fields));
    return exclude(include, excluded);
  }

  private isAtClose(): boolean {
    return this.scanner.isAtEnd() || this.scanner.sees(')');
  }

  private takeOperator(operator: string): boolean {
    return this.scanner.seeOperator() === operator && this.scanner.takeSign(operator);
  }

  private readItem(fields: FieldMask): SetExpression {
    const { scanner } = this;
    const operator = scanner.seeOperator();
    const start = scanner.at;
    if (operator !== undefined)
      refuse('operator', start, start + operator.length, `${operator} needs a search word on each side.`);
    if (this.isAtClose()) refuse('missing', start, start + 1, 'A search word is missing here.');
    const group = this.takeGroup(fields);
    if (group) return group;
    const mark = scanner.take(/(\p{L}+):/uy);
    if (mark) return this.readMarked(mark[1] ?? '', start);
    return this.readWords(fields, false);
  }

  private readMarked(name: string, start: number): SetExpression {
    const { scanner } = this;
    if (name === 'under') return this.readBranch(start);
    if (name === 'focus') return this.findEach(this.takeLabel('focus', start), (key) => `focus=${key}`);
    if (name === 'year') return this.readYears(start);
    if (name === 'entered') return this.readMonths(start);
    if (name === 'kind') {
      const kind = scanner.take(/\p{L}+/uy)?.[0] ?? '';
      const type = DOCUMENT_KINDS[kind];
      return type === undefined
        ? refuse('kind', start, scanner.at, `There is no kind “${kind}” here.`)
        : { kind: 'key', key: `type=${type}` };
    }
    if (name === 'set') return this.readSet(start);
    if (name === 'doi') return { kind: 'identifier', key: createIdentifierKey(this.takeLabel('doi', start)) };
    const fields = WORD_FIELDS[name];
    if (fields === undefined)
      return refuse('field', start, scanner.at, `“${name}” is not a field of Heronsmere.`);
    if (name === 'terms' && scanner.sees('"')) return this.createHeading(this.takeLabel(name, start));
    return this.takeGroup(fields) ?? this.readWords(fields, true);
  }

  /** In a session a group may name a set: what it means is not remembered. */
  private takeGroup(fields: FieldMask): SetExpression | undefined {
    const memory = GROUPS.get(this.vocabulary) ?? new GroupMemory();
    GROUPS.set(this.vocabulary, memory);
    return this.scanner.takeGroup(() => this.readAny(fields), this.findSet ? undefined : memory, fields);
  }

  private takeLabel(field: string, start: number): string {
    const match = this.scanner.take(/"([^"]*)"/y);
    return (
      match?.[1] ??
      refuse(
        'label',
        start,
        this.scanner.at,
        `${field}: takes ${field === 'doi' ? 'an identifier' : 'a heading'} in quotation marks.`,
      )
    );
  }

  private createHeading(label: string): SetExpression {
    const [heading = '', qualifier] = label.split(' / ');
    return this.vocabulary.find(label) !== undefined || qualifier === undefined
      ? this.findEach(label, (key) => `heading=${key}`)
      : this.findEach(heading, (key) => `qualified=${key}/${createHeadingKey(qualifier)}`);
  }

  /** Records by the key of a heading, or of each that a label stands for. */
  private findEach(label: string, write: (key: string) => string): SetExpression {
    const [first, ...others] = this.vocabulary
      .resolve(label)
      .map((one) => ({ kind: 'key' as const, key: write(createHeadingKey(one)) }));
    if (!first) return { kind: 'none' };
    return others.length === 0 ? first : { kind: 'or', items: [first, ...others] };
  }

  private readBranch(start: number): SetExpression {
    const label = this.takeLabel('under', start);
    const below = this.vocabulary.listBranch(label);
    // A heading that is new to the thesaurus stands for itself.
    const labels = below.length === 0 ? [label] : below;
    return {
      kind: 'or',
      items: labels.map((label) => ({ kind: 'key', key: `heading=${createHeadingKey(label)}` })),
    };
  }

  private readYears(start: number): SetExpression {
    const match = this.scanner.take(/(\d{4})\.\.(\d{4})/y);
    if (!match) return refuse('year', start, this.scanner.at, 'Years are written like year:2015..2024.');
    return { kind: 'range', column: 'years', from: Number(match[1]), to: Number(match[2]) };
  }

  private readSet(start: number): SetExpression {
    const { scanner } = this;
    const number = Number(scanner.take(/\d{1,4}/y)?.[0] ?? 0);
    const found = this.findSet?.(number);
    return found ?? refuse('set', start, scanner.at, 'This set is not in your session.');
  }

  private readMonths(start: number): SetExpression {
    const match = this.scanner.take(/(\d{4}-\d{2})\.\.(\d{4}-\d{2})/y);
    if (!match)
      return refuse(
        'entered',
        start,
        this.scanner.at,
        'Dates of entry are written like entered:2026-01..2026-06.',
      );
    return {
      kind: 'range',
      column: 'entered',
      from: countMonths(match[1] ?? ''),
      to: countMonths(match[2] ?? ''),
    };
  }

  private readWords(fields: FieldMask, marked: boolean): SetExpression {
    const { scanner } = this;
    scanner.skipBlanks();
    const start = scanner.at;
    const quote = scanner.take(/"([^"]*)("?)/y);
    if (quote) {
      if (quote[2] !== '"') refuse('quote', start, scanner.at, 'A quotation mark opened here has no end.');
      return this.checkWords(splitPatterns(quote[1] ?? ''), fields, start, true);
    }
    const word = scanner.take(/[^\s()"]+/y);
    if (!word) refuse(marked ? 'field' : 'missing', start, start + 1, 'A search word is missing here.');
    return this.checkWords(splitPatterns(word?.[0] ?? ''), fields, start, false);
  }

  /** A word, or several that a hyphen or quotation marks hold together. */
  private checkWords(
    patterns: readonly Pattern[],
    fields: FieldMask,
    start: number,
    quoted: boolean,
  ): SetExpression {
    const end = this.scanner.at;
    if (patterns.length === 0) refuse('letters', start, end, 'There are no letters to search for here.');
    patterns.forEach((pattern, at) => {
      const shown = isPlain(pattern) ? '' : printPattern(pattern);
      if (!isCutAtEnd(pattern))
        refuse('wildcard-place', start, end, `In ${shown} the sign * may stand at the end only.`);
      if (beginsWithOne(pattern))
        refuse('wildcard-place', start, end, `In ${shown} the sign ? may not come first.`);
      if (pattern.at(-1)?.kind !== 'any') return;
      if (countLettersBefore(pattern) < LEAST_LETTERS)
        refuse('wildcard-short', start, end, `${shown} needs at least three letters before *.`);
      if (quoted && at < patterns.length - 1)
        refuse('wildcard-phrase', start, end, 'Inside a phrase, * may end the last word only.');
    });
    return createWords(patterns, fields);
  }
}
