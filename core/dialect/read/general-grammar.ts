import { createProblem, type Problem } from '../../problem';
import { build, type Pattern, type QueryNode } from '../../query';
import { coverSpans, type Span } from '../../text';
import type { Dialect } from '../profile';
import { createLimiterNode } from './limiter-nodes';
import { createNearness } from './nearness';
import { readPatterns, spellMaybe } from './read-patterns';
import { joinRow, place, type Entry, type OperatorEntry } from './rows';
import { createStringSplitter, type StringToken } from './string-tokens';

/** A string as a tree, with what was not understood in its place. */
export interface GrammarReading {
  readonly root: QueryNode;
  readonly problems: Problem[];
  /** What it would be with the operators bound the other way, where that is not sure. */
  readonly other?: { readonly root: QueryNode; readonly binding: Binding };
}

/** How operators bind that stand side by side: AND before OR, or the one that stands further left. */
export type Binding = 'and-first' | 'left-to-right';

/** The deepest nesting of brackets that is read. */
const DEEPEST = 200;

/** Reads a string by the entries of its dialect: operators, marks, wildcards, nearness and limiters as they say. */
export function readByEntries(text: string, dialect: Dialect): GrammarReading {
  const tokens = createStringSplitter(dialect)(text);
  const reader = new Reader(tokens, dialect);
  const root = reader.readAll();
  const isUnsure = reader.problems.some(
    ({ code, severity }) => code === 'mixed-operators' && severity === 'warning',
  );
  if (!isUnsure) return { root, problems: reader.problems };
  const binding = dialect.precedence === 'left-to-right' ? 'and-first' : 'left-to-right';
  const precedence = binding === 'and-first' ? AND_FIRST : binding;
  const other = new Reader(tokens, { ...dialect, precedence }).readAll();
  return { root, problems: reader.problems, other: { root: other, binding } };
}

/** How operators bind in most systems. */
const AND_FIRST: Dialect['precedence'] = [['not'], ['and'], ['or']];

class Reader {
  readonly problems: Problem[] = [];
  private at = 0;
  private readonly marksBehind: boolean;

  constructor(
    private readonly tokens: readonly StringToken[],
    private readonly dialect: Dialect,
  ) {
    this.marksBehind = dialect.fields.mark.startsWith('{item}');
  }

  readAll(): QueryNode {
    const nodes: QueryNode[] = [];
    while (this.at < this.tokens.length) {
      const node = this.readLevel(0);
      if (node) nodes.push(node);
      const stray = this.tokens[this.at];
      if (!stray) break;
      this.report(stray.kind === 'close' ? 'unopened-bracket' : 'unread-sign', stray, { sign: ',' });
      this.at++;
    }
    const [first] = nodes;
    return nodes.length > 1 ? build.and(...nodes) : (first ?? build.empty());
  }

  private report(code: Problem['code'], span: Span, data: Problem['data'] = {}): void {
    this.problems.push(createProblem(code, 'error', data, place(span)));
  }

  private readLevel(depth: number): QueryNode | undefined {
    const row: Entry[] = [];
    const excluded: Entry[] = [];
    for (
      let token = this.tokens[this.at];
      token && token.kind !== 'close' && token.kind !== 'separator';
      token = this.tokens[this.at]
    ) {
      if (token.kind === 'operator') {
        this.at++;
        const entry = { operator: token.operator, span: place(token), word: token.raw };
        if (token.operator === 'not' && this.dialect.exclusion === 'before')
          this.readExcluded(row, entry, excluded, depth);
        else row.push(entry);
        continue;
      }
      const node = this.readOperand(depth);
      if (node) row.push({ node });
    }
    const kept = row.some((entry) => 'node' in entry);
    if (!kept && excluded.length > 0)
      this.report(
        'pure-negation',
        excluded[0] && 'span' in excluded[0] ? excluded[0].span : { start: 0, end: 0 },
      );
    const own: Entry[] = kept || excluded.length === 0 ? [] : [{ node: build.empty() }];
    return joinRow([...own, ...row, ...excluded], this.dialect, this.problems);
  }

  /** A sign that excludes the one word or phrase behind it; it joins nothing with what stands beside it. */
  private readExcluded(row: Entry[], sign: OperatorEntry, excluded: Entry[], depth: number): void {
    const last = row.at(-1);
    if (last && 'operator' in last) {
      row.pop();
      if (last.operator !== 'and') this.report('missing-operand', last.span, { operator: last.word });
    }
    const next = this.tokens[this.at];
    if (next?.kind === 'open') this.report('exclusion-of-group', sign.span);
    const node = this.readOperand(depth);
    if (!node) return;
    excluded.push(sign, { node });
    const behind = this.tokens[this.at];
    if (behind?.kind !== 'operator' || behind.operator !== 'or') return;
    this.report('missing-operand', behind, { operator: behind.raw });
    this.at++;
  }

  private readOperand(depth: number): QueryNode | undefined {
    const left = this.readPrimary(depth);
    const token = this.tokens[this.at];
    if (!left || token?.kind !== 'near' || token.opens) return left;
    this.at++;
    const right = this.readPrimary(depth);
    if (right) return this.createNear(left, token, right);
    this.report('missing-operand', token, { operator: token.raw });
    return left;
  }

  private createNear(
    left: QueryNode,
    token: StringToken & { kind: 'near' | 'pair' },
    right: QueryNode,
  ): QueryNode {
    const { distance, ordered, operands, greatest, raw, start, end } = token;
    const { unmarked } = this.dialect.fields;
    const span = { start, end };
    const nearness = { distance, ordered, operands, unmarked, span, operator: raw };
    return createNearness(
      left,
      right,
      { ...nearness, ...(greatest !== undefined && { greatest }) },
      this.problems,
    );
  }

  private readPrimary(depth: number): QueryNode | undefined {
    const token = this.tokens[this.at];
    if (!token) return undefined;
    this.at++;
    switch (token.kind) {
      case 'open':
        return this.readMarkBehind(this.readGroup(token, depth), true);
      case 'quote':
        return this.readMarkBehind(this.createQuoted(token), false);
      case 'word':
        return this.readMarkBehind(this.readWords(token), false);
      case 'heading':
        return {
          ...build.heading(token.label, token.scope, this.dialect.headings?.vocabulary, token.qualifier),
          span: place(token),
        };
      case 'limiter':
        return createLimiterNode(token.name, token.values, place(token), this.problems);
      case 'near':
        return token.opens ? this.readNearGroup(token, depth) : this.reportStray(token);
      case 'pair':
        return this.readMarkBehind(this.createPair(token), false);
      case 'mark':
        return token.opens ? this.readWrapped(token, depth) : this.readMarked(token, depth);
      case 'unknown':
        return this.reportStray(token);
      case 'operator':
      case 'close':
      case 'separator':
        this.at--;
        return undefined;
    }
  }

  /** Nothing is read behind a bracket that is nested too deep. */
  private giveUp(open: StringToken): undefined {
    this.report('nesting-too-deep', open, { most: DEEPEST });
    this.at = this.tokens.length;
    return undefined;
  }

  private reportStray(token: StringToken): undefined {
    this.report('unread-sign', token, { sign: 'raw' in token ? token.raw : 'this' });
    return undefined;
  }

  /** A nearness whose operands stand in its brackets. */
  private readNearGroup(token: StringToken & { kind: 'near' }, depth: number): QueryNode | undefined {
    if (depth >= DEEPEST) return this.giveUp(token);
    const left = this.readPrimary(depth + 1);
    const separator = this.tokens[this.at];
    if (separator?.kind === 'separator') this.at++;
    else this.report('missing-operand', token, { operator: token.raw });
    const right = separator?.kind === 'separator' ? this.readPrimary(depth + 1) : undefined;
    if (separator?.kind === 'separator' && !right)
      this.report('missing-operand', separator, { operator: token.raw });
    const end = this.skipToClose(token);
    if (!left || !right) return left ?? right;
    return { ...this.createNear(left, token, right), span: { start: token.start, end } };
  }

  /** The end of a bracket; what stands before it and was not understood is said. */
  private skipToClose(open: StringToken): number {
    for (let token = this.tokens[this.at]; token; token = this.tokens[this.at]) {
      this.at++;
      if (token.kind === 'close') return token.end;
      if (token.kind === 'open') {
        this.at--;
        break;
      }
      this.reportStray(token);
    }
    this.report('unclosed-bracket', open);
    return open.end;
  }

  private createPair(token: StringToken & { kind: 'pair' }): QueryNode | undefined {
    const [a, b] = token.words.map((word) => this.createLeaf(this.readRun(word, token, false), token));
    return a && b ? this.createNear(a, token, b) : undefined;
  }

  /** What a mark with brackets of its own holds. */
  private readWrapped(token: StringToken & { kind: 'mark' }, depth: number): QueryNode | undefined {
    const item = this.readGroup(token, depth);
    return item && { ...build.fielded(token.fields, item), span: item.span };
  }

  private readMarked(token: StringToken & { kind: 'mark' }, depth: number): QueryNode | undefined {
    const next = this.tokens[this.at];
    const isItem =
      next?.kind === 'word' || next?.kind === 'quote' || next?.kind === 'open' || next?.kind === 'pair';
    if (this.marksBehind || depth >= DEEPEST || !isItem) {
      this.report('field-without-item', token);
      return undefined;
    }
    if (next.kind === 'open' && !this.dialect.fields.marksGroups) this.report('field-before-group', token);
    const item = this.readPrimary(depth + 1);
    return item && { ...build.fielded(token.fields, item), span: coverSpans(place(token), item.span) };
  }

  private readMarkBehind(item: QueryNode | undefined, isGroup: boolean): QueryNode | undefined {
    const token = this.tokens[this.at];
    if (!item || token?.kind !== 'mark' || !this.marksBehind) return item;
    this.at++;
    if (isGroup && !this.dialect.fields.marksGroups) this.report('field-before-group', token);
    return { ...build.fielded(token.fields, item), span: coverSpans(item.span, place(token)) };
  }

  private readGroup(open: StringToken, depth: number): QueryNode | undefined {
    if (depth >= DEEPEST) return this.giveUp(open);
    const { deepest } = this.dialect;
    // Brackets that a mark brings along are no brackets of their own.
    if (deepest !== undefined && open.kind === 'open' && depth + 1 > deepest)
      this.report('brackets-refused', open, { database: this.dialect.name, most: deepest });
    const inner = this.readLevel(depth + 1);
    const close = this.tokens[this.at];
    if (close?.kind === 'close') this.at++;
    else this.report(close ? 'unread-sign' : 'unclosed-bracket', close ?? open, { sign: ',' });
    const span = { start: open.start, end: close?.end ?? inner?.span.end ?? open.end };
    if (!inner) this.report('empty-group', span);
    return { ...(inner ?? build.empty()), span };
  }

  private createQuoted(token: StringToken & { kind: 'quote' }): QueryNode | undefined {
    if (!token.closed) this.report('unclosed-quote', token);
    return this.createLeaf(this.readRun(token.raw, token, true), token);
  }

  /** Words side by side are one phrase where the dialect says so. */
  private readWords(first: StringToken & { kind: 'word' }): QueryNode | undefined {
    const patterns = this.readRun(first.raw, first, false);
    this.checkReserved(first);
    let end = first.end;
    if (this.dialect.sideBySide === 'phrase') {
      for (let next = this.tokens[this.at]; next?.kind === 'word'; next = this.tokens[this.at]) {
        patterns.push(...this.readRun(next.raw, next, false));
        end = next.end;
        this.at++;
      }
    }
    return this.createLeaf(patterns, { start: first.start, end });
  }

  private checkReserved(token: StringToken & { kind: 'word' }): void {
    const word = token.raw.toLowerCase();
    if (this.dialect.reservedWords.some((reserved) => reserved.toLowerCase() === word))
      this.report('reserved-word', token, { word: token.raw });
  }

  private readRun(raw: string, span: Span, isQuoted: boolean): Pattern[] {
    return readPatterns(raw, this.dialect, { isQuoted, span: place(span) }, this.problems);
  }

  private createLeaf(patterns: readonly Pattern[], span: Span): QueryNode | undefined {
    if (patterns.length === 0) {
      this.report('empty-phrase', span);
      return undefined;
    }
    const leaves = spellMaybe(patterns, this.dialect).map(([first = [], ...others]) =>
      others.length === 0 ? build.term(first) : build.phrase(first, ...others),
    );
    const [only] = leaves;
    return { ...(leaves.length === 1 && only ? only : build.or(...leaves)), span: place(span) };
  }
}
