import { coverSpans, splitWords, type Span } from '../text';
import { createProblem, type Problem } from '../problem';
import {
  DEFAULT_FIELDS,
  build,
  mergeParts,
  withIds,
  type Pattern,
  type PatternPart,
  type QueryNode,
} from '../query';
import { DOCUMENT_TYPES, type DocumentType } from '../record';
import type { Dialect } from './dialect';
import type { Limiters } from './limiters';
import { dropLoose, joinLevel, joinMarks, markUnmarked, takeFields, type Entry } from './read-rows';
import { createStringSplitter, type StringToken } from './string-tokens';

/** A string of a dialect as a tree in the neutral language, with the limiters that it carried. */
export interface ReadString {
  readonly root: QueryNode;
  readonly limiters: Limiters;
  readonly problems: readonly Problem[];
}

/** The deepest nesting of brackets that is read. */
const DEEPEST = 200;
/** The most readings of signs that stand for any character or none. */
const MOST_READINGS = 64;

/**
 * Reads a string of a dialect back into the neutral tree. Any string gives a tree; what is not
 * understood is a problem with its place. Law: what the writer claims to be the same reads back to
 * a tree that finds the same.
 */
export function readString(text: string, dialect: Dialect): ReadString {
  const reader = new Reader(createStringSplitter(dialect)(text), dialect);
  const root = reader.readAll();
  return { root: withIds(root), limiters: reader.limiters, problems: reader.problems };
}

class Reader {
  readonly problems: Problem[] = [];
  limiters: Limiters = {};
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
      this.report('unopened-bracket', stray);
      this.at++;
    }
    const [first] = nodes;
    const root = nodes.length > 1 ? build.and(...nodes) : (first ?? build.empty());
    return this.withUnmarkedFields(joinMarks(root));
  }

  /** What is searched without a mark, said in the neutral language where it differs from its default. */
  private withUnmarkedFields(root: QueryNode): QueryNode {
    const { unmarked, held } = this.dialect.fields;
    const meant = DEFAULT_FIELDS.filter((field) => held.includes(field));
    const same = meant.length === unmarked.length && meant.every((field) => unmarked.includes(field));
    return same || root.kind === 'empty' ? root : markUnmarked(root, unmarked);
  }

  private report(code: Problem['code'], span: Span, data: Problem['data'] = {}): void {
    this.problems.push(createProblem(code, 'error', data, { start: span.start, end: span.end }));
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
        if (token.operator === 'not' && this.dialect.exclusion === 'before') {
          const node = this.readOperand(depth);
          if (node) excluded.push({ operator: 'not' }, { node });
        } else row.push({ operator: token.operator });
        continue;
      }
      const node = this.readOperand(depth);
      if (!node) continue;
      const last = row.at(-1);
      if (last && 'node' in last && this.dialect.sideBySide === 'error')
        this.report('side-by-side', node.span);
      if (last && 'node' in last) row.push({ operator: 'and' });
      row.push({ node });
    }
    const [first] = excluded.slice(1);
    const kept = dropLoose(row);
    if (kept.length === 0 && first && 'node' in first) this.report('pure-negation', first.node.span);
    return this.joinRow(kept.length === 0 ? [] : [...kept, ...excluded]);
  }

  private readOperand(depth: number): QueryNode | undefined {
    const left = this.readPrimary(depth);
    const token = this.tokens[this.at];
    if (!left || token?.kind !== 'near' || token.opens) return left;
    this.at++;
    const right = this.readPrimary(depth);
    if (!right) {
      this.report('missing-operand', token, { operator: 'near' });
      return left;
    }
    return this.createNear(left, token, right);
  }

  /** A mark on each side becomes one mark round the pair, since a pair stays within one field. */
  private createNear(
    left: QueryNode,
    token: { readonly distance: number; readonly ordered: boolean },
    right: QueryNode,
  ): QueryNode {
    const sides = [left, right].map(takeFields);
    const [a, b] = sides;
    const span = coverSpans(left.span, right.span);
    const near = { ...build.near(a?.item ?? left, token.distance, b?.item ?? right, token.ordered), span };
    const fields = a?.fields?.filter((field) => b?.fields?.includes(field)) ?? [];
    return fields.length > 0 ? { ...build.fielded(fields, near), span } : near;
  }

  private readPrimary(depth: number): QueryNode | undefined {
    const token = this.tokens[this.at];
    if (!token) return undefined;
    this.at++;
    switch (token.kind) {
      case 'open':
        return this.readMarkBehind(this.readGroup(token, depth));
      case 'quote':
        return this.readMarkBehind(this.createQuoted(token));
      case 'word':
        return this.readMarkBehind(this.readWords(token));
      case 'heading':
        return {
          ...build.heading(token.label, token.scope, this.dialect.headings?.vocabulary),
          span: place(token),
        };
      case 'limiter':
        this.addLimiter(token);
        return undefined;
      case 'near':
        return token.opens ? this.readNearGroup(token, depth) : this.reportStray(token);
      case 'pair':
        return this.readMarkBehind(this.createPair(token));
      case 'mark':
        return token.opens ? this.readWrapped(token, depth) : this.readMarked(token, depth);
      default:
        return this.reportStray(token);
    }
  }

  private reportStray(token: StringToken): undefined {
    this.report('unread-sign', token, { sign: token.kind === 'unknown' ? token.raw : 'this' });
    return undefined;
  }

  /** A nearness whose operands stand in its brackets. */
  private readNearGroup(token: StringToken & { kind: 'near' }, depth: number): QueryNode | undefined {
    const left = this.readPrimary(depth + 1);
    const separator = this.tokens[this.at];
    if (separator?.kind === 'separator') this.at++;
    else this.report('missing-operand', token, { operator: 'near' });
    const right = separator?.kind === 'separator' ? this.readPrimary(depth + 1) : undefined;
    const close = this.tokens[this.at];
    if (close?.kind === 'close') this.at++;
    else this.report('unclosed-bracket', token);
    if (!left || !right) return left ?? right;
    return {
      ...this.createNear(left, token, right),
      span: { start: token.start, end: (close ?? token).end },
    };
  }

  private createPair(token: StringToken & { kind: 'pair' }): QueryNode | undefined {
    const [a, b] = token.words.map((word) => this.createLeaf(this.readPatterns(word, true), token));
    return a && b ? this.createNear(a, token, b) : undefined;
  }

  /** What a mark with brackets of its own holds. */
  private readWrapped(token: StringToken & { kind: 'mark' }, depth: number): QueryNode | undefined {
    const item = this.readGroup(token, depth);
    if (!item) this.report('field-without-item', token);
    return item && { ...build.fielded(token.fields, item), span: item.span };
  }

  private readMarked(token: StringToken & { kind: 'mark' }, depth: number): QueryNode | undefined {
    if (this.marksBehind || depth >= DEEPEST) {
      this.report('field-without-item', token);
      return undefined;
    }
    const item = this.readPrimary(depth + 1);
    if (item) return { ...build.fielded(token.fields, item), span: coverSpans(place(token), item.span) };
    this.report('field-without-item', token);
    return undefined;
  }

  private readMarkBehind(item: QueryNode | undefined): QueryNode | undefined {
    const token = this.tokens[this.at];
    if (!item || token?.kind !== 'mark' || !this.marksBehind) return item;
    this.at++;
    return { ...build.fielded(token.fields, item), span: coverSpans(item.span, place(token)) };
  }

  private readGroup(open: StringToken, depth: number): QueryNode | undefined {
    if (depth >= DEEPEST) {
      this.report('nesting-too-deep', open, { most: DEEPEST });
      this.at = this.tokens.length;
      return undefined;
    }
    const inner = this.readLevel(depth + 1);
    const close = this.tokens[this.at];
    if (close) this.at++;
    else this.report('unclosed-bracket', open);
    return inner && { ...inner, span: { start: open.start, end: close?.end ?? inner.span.end } };
  }

  private createQuoted(token: StringToken & { kind: 'quote' }): QueryNode | undefined {
    if (!token.closed) this.report('unclosed-quote', token);
    const wild = this.dialect.phrase.wildcards !== 'none';
    return this.createLeaf(
      token.raw.split(/\s+/).flatMap((part) => this.readPatterns(part, wild)),
      token,
    );
  }

  /** Words side by side are one phrase where the dialect says so. */
  private readWords(first: StringToken & { kind: 'word' }): QueryNode | undefined {
    const patterns = this.readPatterns(first.raw, true);
    if (this.dialect.stems) {
      const { start, end } = first;
      const place = { start, end };
      this.problems.push(createProblem('stemmed-word', 'warning', { word: first.raw }, place));
    }
    let end = first.end;
    if (this.dialect.sideBySide === 'phrase') {
      for (let next = this.tokens[this.at]; next?.kind === 'word'; next = this.tokens[this.at]) {
        patterns.push(...this.readPatterns(next.raw, true));
        end = next.end;
        this.at++;
      }
    }
    return this.createLeaf(patterns, { start: first.start, end });
  }

  private createLeaf(patterns: readonly Pattern[], span: Span): QueryNode | undefined {
    const [first] = patterns;
    if (!first) {
      this.report('empty-phrase', span);
      return undefined;
    }
    const variants = this.spellMaybe(patterns);
    const leaves = variants.map((words) =>
      words.length === 1 ? build.term(words[0]!) : build.phrase(...words),
    );
    const [only] = leaves;
    return { ...(leaves.length === 1 && only ? only : build.or(...leaves)), span: place(span) };
  }

  /** Where a sign stands for any character or none, both readings of it. */
  private spellMaybe(patterns: readonly Pattern[]): Pattern[][] {
    if (this.dialect.wildcards.maybe?.means !== 'any-character') return [[...patterns]];
    let rows: Pattern[][] = [[]];
    for (const pattern of patterns) {
      const choices = pattern.reduce<PatternPart[][]>(
        (forms, part) =>
          part.kind === 'maybe' && forms.length < MOST_READINGS
            ? forms.flatMap((form) => [form, [...form, { kind: 'one' } as const]])
            : forms.map((form) => [...form, part.kind === 'maybe' ? ({ kind: 'one' } as const) : part]),
        [[]],
      );
      rows = rows
        .flatMap((row) => choices.map((choice) => [...row, mergeParts(choice)]))
        .slice(0, MOST_READINGS);
    }
    return rows;
  }

  /** The patterns of a run of signs: wildcards by the dialect's signs, everything else as words. */
  private readPatterns(raw: string, wild: boolean): Pattern[] {
    const { any, one, maybe } = this.dialect.wildcards;
    const patterns: Pattern[] = [];
    let parts: PatternPart[] = [];
    const finish = (): void => {
      if (parts.length > 0) patterns.push(mergeParts(parts));
      parts = [];
    };
    const escape = this.dialect.escape?.sign;
    let isEscaped = false;
    for (const sign of raw) {
      const last = parts.at(-1);
      if (isEscaped) {
        isEscaped = false;
        if (splitWords(sign).length > 0) parts.push({ kind: 'letters', text: sign });
        else finish();
      } else if (sign === escape) isEscaped = true;
      else if (
        last?.kind === 'maybe' &&
        last.letter === '' &&
        maybe?.means === 'letter-behind' &&
        splitWords(sign).length > 0
      )
        parts[parts.length - 1] = { kind: 'maybe', letter: sign };
      else if (wild && sign === any?.sign) parts.push({ kind: 'any' });
      else if (wild && sign === one?.sign) parts.push({ kind: 'one' });
      else if (wild && sign === maybe?.sign) parts.push({ kind: 'maybe', letter: '' });
      else if (splitWords(sign).length > 0) parts.push({ kind: 'letters', text: sign });
      else finish();
    }
    finish();
    return patterns.filter((pattern) => pattern.some((part) => part.kind === 'letters'));
  }

  private addLimiter({ name, values }: StringToken & { kind: 'limiter' }): void {
    if (name === 'years')
      this.limiters = { ...this.limiters, years: { from: Number(values[0]), to: Number(values[1]) } };
    if (name === 'entered')
      this.limiters = { ...this.limiters, entered: { from: values[0] ?? '', to: values[1] ?? '' } };
    if (name === 'types') {
      const types = DOCUMENT_TYPES.filter(
        (type): type is DocumentType => values.includes(type) || (this.limiters.types ?? []).includes(type),
      );
      this.limiters = { ...this.limiters, types };
    }
    if (name === 'languages')
      this.limiters = { ...this.limiters, languages: [...(this.limiters.languages ?? []), ...values] };
    if (name === 'peerReviewed' || name === 'fullText') this.limiters = { ...this.limiters, [name]: true };
  }

  /** Makes one node of a row by the dialect's precedence. */
  private joinRow(row: readonly Entry[]): QueryNode | undefined {
    const levels =
      this.dialect.precedence === 'left-to-right' ? [['and', 'or', 'not']] : this.dialect.precedence;
    let rest = row;
    for (const level of levels) rest = joinLevel(rest, level);
    const [only] = rest;
    return only && 'node' in only ? only.node : undefined;
  }
}

function place({ start, end }: Span): Span {
  return { start, end };
}
