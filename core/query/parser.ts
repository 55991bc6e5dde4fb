import { coverSpans, type Span } from '../text';
import { createProblem, type Fix, type Problem } from '../problem';
import { readLabel } from './heading-label';
import { assignIds } from './identity';
import { splitTokens, type Token } from './lexer';
import { FIELDS, FIELD_TABLE, type Field, type Property } from './field-table';
import { GREATEST_DISTANCE, type HeadingNode, type QueryNode } from './node';
import { findFieldReach } from './field-reach';
import { OPERATORS, PROXIMITIES, joinOperands, type Joined } from './operators';
import type { Pattern } from './pattern';
import { ProblemList } from './problem-list';
import { findQuoteProblem } from './quote-problems';
import { isProperty, readProperty } from './properties';
import { parseWrittenWords } from './written-words';

/** The longest text that is read, in UTF-16 units (64 Ki). */
export const LONGEST_TEXT = 65_536;
/** The deepest nesting of brackets that is read. */
export const DEEPEST_NESTING = 200;

/** The most terms and groups that are read. */
export const MAX_ITEMS = 10_000;

/** A parsed text: always a tree, with the problems met on the way. */
export interface ParsedQuery {
  readonly root: QueryNode;
  readonly problems: readonly Problem[];
  /** Comments behind the last item. */
  readonly trailing: readonly string[];
}

/** Names that the text may use; what is not given is not checked. */
export interface KnownNames {
  readonly blocks?: ReadonlySet<string>;
  readonly databases?: ReadonlySet<string>;
}

/** Parses Ewer's query text (docs/reference/query-text.md). Any text gives a tree; time grows with its length only. */
export function parseQuery(text: string, known: KnownNames = {}): ParsedQuery {
  const problems = new ProblemList();
  let read = text;
  if (text.length > LONGEST_TEXT) {
    const span = { start: LONGEST_TEXT, end: text.length };
    problems.push(createProblem('text-too-long', 'error', { most: LONGEST_TEXT }, span));
    read = text.slice(0, LONGEST_TEXT);
  }
  const parser = new Parser(read, splitTokens(read), known, problems);
  const root = parser.parseAll();
  const ordered = problems.items.sort((a, b) => (a.span?.start ?? 0) - (b.span?.start ?? 0));
  return { root: assignIds(root), problems: ordered, trailing: parser.takeComments() };
}

const PROXIMITY_LENGTH = 6;

class Parser {
  private at = 0;
  private items = 0;
  private comments: string[] = [];

  constructor(
    private readonly text: string,
    private readonly tokens: readonly Token[],
    private readonly known: KnownNames,
    private readonly problems: ProblemList,
  ) {}

  parseAll(): QueryNode {
    const groups: Joined[] = [];
    for (;;) {
      groups.push(...this.parseLevel(0));
      const stray = this.peek();
      if (!stray) break;
      this.at++;
      const fix: Fix = { label: 'Remove the bracket', edits: [{ span: stray, text: '' }] };
      this.report('unopened-bracket', 'error', {}, stray, [fix]);
    }
    return (
      joinOperands(groups, this.text, this.problems) ?? this.createEmpty({ start: 0, end: this.text.length })
    );
  }

  takeComments(): string[] {
    const taken = this.comments;
    this.comments = [];
    return taken;
  }

  private peek(): Token | undefined {
    for (let token = this.tokens[this.at]; token?.kind === 'comment'; token = this.tokens[this.at]) {
      this.comments.push(token.text);
      this.at++;
    }
    return this.tokens[this.at];
  }

  private report(
    code: Problem['code'],
    severity: Problem['severity'],
    data: Problem['data'],
    span: Span,
    fixes?: readonly Fix[],
  ): void {
    if (this.problems.isFull) return;
    this.problems.push(createProblem(code, severity, data, { start: span.start, end: span.end }, fixes));
  }

  private createEmpty(span: Span): QueryNode {
    return { kind: 'empty', id: '', span: { start: span.start, end: span.end } };
  }

  /** Operands and operators up to a closing bracket or the end. */
  private parseLevel(depth: number): Joined[] {
    const row: Joined[] = [];
    for (let token = this.peek(); token && token.kind !== 'close'; token = this.peek()) {
      if (token.kind === 'word' && OPERATORS.has(token.raw)) {
        this.at++;
        row.push({ kind: 'operator', operator: token.raw as 'AND' | 'OR' | 'NOT', span: token });
        continue;
      }
      if (++this.items > MAX_ITEMS) {
        this.report(
          'too-many-items',
          'error',
          { most: MAX_ITEMS },
          { start: token.start, end: this.text.length },
        );
        this.at = this.tokens.length;
        break;
      }
      const before = this.at;
      const node = this.parseOperand(depth);
      if (node) row.push({ kind: 'operand', node, word: this.describeWord(before) });
    }
    return row;
  }

  /** The raw word if the operand was a single bare word: for side-by-side and lower-case problems. */
  private describeWord(before: number): string | undefined {
    const token = this.tokens[before];
    return token?.kind === 'word' && this.at === before + 1 ? token.raw : undefined;
  }

  private parseOperand(depth: number): QueryNode | undefined {
    const left = this.parsePrimary(depth);
    return left && this.parseProximity(left, depth);
  }

  private parseProximity(left: QueryNode, depth: number): QueryNode {
    const chain = [left];
    let node = left;
    for (let token = this.peek(); token?.kind === 'word' && this.isProximity(token); token = this.peek()) {
      const operator = token.raw.toUpperCase();
      if (token.raw !== operator) {
        const fix: Fix = { label: `Write ${operator}`, edits: [{ span: token, text: operator }] };
        this.report('lower-case-operator', 'warning', { word: token.raw, operator }, token, [fix]);
      }
      this.at++;
      const distance = this.takeDistance(operator, token);
      const right = this.parseRight(operator, token, depth);
      if (!right) return node;
      const span = coverSpans(left.span, right.span);
      chain.push(right);
      if (chain.length === 3) this.report('near-chain', 'error', { operator }, span);
      const legal =
        chain.length === 2 && this.checkNearOperand(left, operator) && this.checkNearOperand(right, operator);
      node = legal
        ? { kind: 'near', id: '', span, distance, ordered: operator === 'BEFORE', left, right }
        : { kind: 'and', id: '', span, items: chain };
    }
    return node;
  }

  private isProximity(token: Token & { kind: 'word' }): boolean {
    if (token.raw.length !== PROXIMITY_LENGTH) return false;
    if (PROXIMITIES.has(token.raw)) return true;
    const next = this.tokens[this.at + 1];
    return PROXIMITIES.has(token.raw.toUpperCase()) && next?.kind === 'word' && /^\d+$/.test(next.raw);
  }

  private parseRight(operator: string, token: Span, depth: number): QueryNode | undefined {
    const next = this.peek();
    const missing = !next || next.kind === 'close' || (next.kind === 'word' && OPERATORS.has(next.raw));
    const right = missing ? undefined : this.parsePrimary(depth);
    if (!right) this.report('missing-operand', 'error', { operator }, token);
    return right;
  }

  private takeDistance(operator: string, at: Span): number {
    const token = this.peek();
    const number = token?.kind === 'word' && /^\d{1,9}$/.test(token.raw) ? Number(token.raw) : undefined;
    if (number !== undefined) this.at++;
    if (number === undefined || number < 1 || number > GREATEST_DISTANCE) {
      const span = number === undefined || !token ? at : coverSpans(at, token);
      const fix: Fix = { label: `Write ${operator} 3`, edits: [{ span, text: `${operator} 3` }] };
      this.report('near-distance', 'error', { operator, most: GREATEST_DISTANCE }, span, [fix]);
    }
    return Math.min(Math.max(number ?? 3, 1), GREATEST_DISTANCE);
  }

  private checkNearOperand(node: QueryNode, operator: string): boolean {
    const isLeaf = (leaf: QueryNode): boolean => leaf.kind === 'term' || leaf.kind === 'phrase';
    if (isLeaf(node) || (node.kind === 'or' && node.items.every(isLeaf))) return true;
    this.report('near-operand', 'error', { operator }, node.span);
    return false;
  }

  private parsePrimary(depth: number): QueryNode | undefined {
    const token = this.peek();
    if (!token || token.kind === 'close') return undefined;
    const comments = this.takeComments();
    const node = this.parseBare(token, depth);
    return node && comments.length > 0
      ? { ...node, comments: [...comments, ...(node.comments ?? [])] }
      : node;
  }

  private parseBare(token: Token, depth: number): QueryNode | undefined {
    this.at++;
    switch (token.kind) {
      case 'open':
        return this.parseGroup(token, depth, (item) => item);
      case 'off-open':
        return this.parseGroup(token, depth, (item, span) => ({ kind: 'off', id: '', span, item }));
      case 'in-open':
        this.checkDatabases(token.databases, token);
        return this.parseGroup(token, depth, (item, span) => ({
          kind: 'only',
          id: '',
          span,
          databases: token.databases,
          item,
        }));
      case 'block':
        if (this.known.blocks && !this.known.blocks.has(token.name)) {
          this.report('unknown-block', 'error', { name: token.name }, token);
        }
        return { kind: 'block', id: '', span: { start: token.start, end: token.end }, name: token.name };
      case 'quote':
        return this.createQuoted(token);
      case 'field':
        return this.parseFielded(token, depth);
      case 'word':
        return this.createWritten(token);
      case 'close':
      case 'comment':
        return undefined;
    }
  }

  private parseGroup(
    open: Token,
    depth: number,
    wrap: (item: QueryNode, span: Span) => QueryNode,
  ): QueryNode | undefined {
    if (depth >= DEEPEST_NESTING) return this.skipGroup(open);
    const row = this.parseLevel(depth + 1);
    const close = this.peek();
    if (close) this.at++;
    else
      this.report('unclosed-bracket', 'error', {}, open, [
        {
          label: 'Close it at the end',
          edits: [{ span: { start: this.text.length, end: this.text.length }, text: ')' }],
        },
      ]);
    const span = { start: open.start, end: close?.end ?? this.text.length };
    const inner = joinOperands(row, this.text, this.problems);
    if (inner) return wrap({ ...inner, span }, span);
    this.report('empty-group', 'warning', {}, span);
    return wrap(this.createEmpty(span), span);
  }

  /** Steps over a group that is nested too deep, without recursion. */
  private skipGroup(open: Token): QueryNode {
    let level = 1;
    while (this.at < this.tokens.length && level > 0) {
      const kind = this.tokens[this.at++]?.kind;
      if (kind === 'open' || kind === 'off-open' || kind === 'in-open') level++;
      if (kind === 'close') level--;
    }
    const span = { start: open.start, end: this.tokens[this.at - 1]?.end ?? open.end };
    this.report('nesting-too-deep', 'error', { most: DEEPEST_NESTING }, span);
    return this.createEmpty(span);
  }

  private checkDatabases(names: readonly string[], span: Span): void {
    for (const name of names) {
      if (this.known.databases && !this.known.databases.has(name))
        this.report('unknown-database', 'error', { name }, span);
    }
  }

  private createQuoted(token: Token & { kind: 'quote' }): QueryNode {
    const span = { start: token.start, end: token.end };
    this.checkQuotes(token);
    const { words, problems } = parseWrittenWords(token.raw, token.start + 1, true);
    this.problems.push(...problems);
    if (words.length === 0) this.report('empty-phrase', 'warning', {}, span);
    return this.createLeaf(words, span);
  }

  private checkQuotes(token: Token & { kind: 'quote' }): void {
    const problem = this.problems.isFull ? undefined : findQuoteProblem(token);
    if (problem) this.problems.push(problem);
  }

  private createLeaf(words: readonly Pattern[], span: Span): QueryNode {
    const [first] = words;
    if (!first) return this.createEmpty(span);
    return words.length === 1
      ? { kind: 'term', id: '', span, pattern: first }
      : { kind: 'phrase', id: '', span, words };
  }

  private createWritten(token: Token & { kind: 'word' }): QueryNode {
    const span = { start: token.start, end: token.end };
    const { words, problems, instead } = parseWrittenWords(token.raw, token.start, false);
    this.problems.push(...problems);
    if (instead !== undefined) return { ...parseQuery(instead).root, span };
    if (words.length === 0) this.report('no-letters', 'warning', { term: token.raw }, span);
    return this.createLeaf(words, span);
  }

  private parseFielded(token: Token & { kind: 'field' }, depth: number): QueryNode | undefined {
    const scope = token.names[0]?.text.toLowerCase();
    if (token.names.length === 1 && (scope === 'heading' || scope === 'branch' || scope === 'focus')) {
      const next = this.peek();
      if (next?.kind === 'quote' || scope !== 'heading' || token.vocabulary !== undefined)
        return this.parseHeading(token, scope);
    }
    if (token.names.length === 1 && isProperty(scope)) return this.parseProperty(token, scope);
    const fields = this.checkFields(token);
    if (depth >= DEEPEST_NESTING) {
      this.report('nesting-too-deep', 'error', { most: DEEPEST_NESTING }, token);
      return undefined;
    }
    const before = this.at;
    const next = this.peek();
    const item =
      next && !(next.kind === 'word' && OPERATORS.has(next.raw)) ? this.parsePrimary(depth + 1) : undefined;
    if (!item) {
      this.report('field-without-item', 'error', {}, token);
      return undefined;
    }
    this.checkFieldReach(before);
    const span = { start: token.start, end: item.span.end };
    return fields.length > 0 ? { kind: 'fielded', id: '', span, fields, item } : { ...item, span };
  }

  private checkFields({ names }: Token & { kind: 'field' }): Field[] {
    const isNamed = (field: Field): boolean => names.some(({ text }) => text.toLowerCase() === field);
    for (const name of names)
      if (!FIELDS.some((field) => field === name.text.toLowerCase()))
        this.report('unknown-field', 'error', { field: name.text }, name);
    return FIELDS.filter(isNamed);
  }

  /** The word or the quotation that a field of whole values asks for. */
  private takeValue(token: Token): (Token & { kind: 'quote' | 'word' }) | undefined {
    const next = this.peek();
    if (next?.kind === 'quote' || next?.kind === 'word') {
      this.at++;
      return next;
    }
    this.report('field-without-item', 'error', {}, token);
    return undefined;
  }

  private checkFieldReach(itemAt: number): void {
    const reach = this.at === itemAt + 1 ? findFieldReach(this.tokens, itemAt, this.text) : undefined;
    if (reach) this.report('field-binds-one', 'warning', { item: reach.item }, reach.span, reach.fixes);
  }

  private parseHeading(token: Token & { kind: 'field' }, scope: HeadingNode['scope']): QueryNode | undefined {
    const next = this.takeValue(token);
    if (!next) return undefined;
    if (next.kind === 'quote') this.checkQuotes(next);
    else {
      const fix: Fix = { label: 'Quote the heading', edits: [{ span: next, text: `"${next.raw}"` }] };
      this.report('heading-unquoted', 'warning', {}, next, [fix]);
    }
    if (token.vocabulary !== undefined) this.checkDatabases([token.vocabulary], token);
    const span = { start: token.start, end: next.end };
    const { label, qualifier } = readLabel(next.raw, scope);
    if (label === '') {
      this.report('empty-phrase', 'warning', {}, next);
      return this.createEmpty(span);
    }
    return {
      kind: 'heading',
      id: '',
      span,
      scope,
      label,
      ...(token.vocabulary !== undefined && { vocabulary: token.vocabulary }),
      ...(qualifier !== undefined && { qualifier }),
    };
  }

  /** `year: 2015..2024`, `type: "conference paper"`: one value, a word or in quotation marks. */
  private parseProperty(token: Token & { kind: 'field' }, property: Property): QueryNode | undefined {
    const next = this.takeValue(token);
    if (!next) return undefined;
    const span = { start: token.start, end: next.end };
    const node = readProperty(property, next.raw);
    if (node) return { ...node, span };
    const data = { value: next.raw, property, example: FIELD_TABLE[property].example };
    this.report('value-unknown', 'error', data, next);
    return this.createEmpty(span);
  }
}
