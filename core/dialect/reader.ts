import { NOWHERE, coverSpans, splitWords, type Span } from '../text';
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
import { createStringSplitter, type StringToken } from './string-tokens';

/** A string of a dialect as a tree in the neutral language, with the limiters that it carried. */
export interface ReadString {
  readonly root: QueryNode;
  readonly limiters: Limiters;
  readonly problems: readonly Problem[];
}

/** The deepest nesting of brackets that is read. */
const DEEPEST = 200;

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

type Entry = { readonly operator: 'and' | 'or' | 'not' } | { readonly node: QueryNode };

class Reader {
  readonly problems: Problem[] = [];
  limiters: Limiters = {};
  private at = 0;

  constructor(
    private readonly tokens: readonly StringToken[],
    private readonly dialect: Dialect,
  ) {}

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
    return this.withUnmarkedFields(root);
  }

  /** What is searched without a mark, said in the neutral language where it differs from its default. */
  private withUnmarkedFields(root: QueryNode): QueryNode {
    const { unmarked, held } = this.dialect.fields;
    const meant = DEFAULT_FIELDS.filter((field) => held.includes(field));
    const same = meant.length === unmarked.length && meant.every((field) => unmarked.includes(field));
    return same || root.kind === 'empty' ? root : build.fielded(unmarked, root);
  }

  private report(code: Problem['code'], span: Span, data: Problem['data'] = {}): void {
    this.problems.push(createProblem(code, 'error', data, { start: span.start, end: span.end }));
  }

  private readLevel(depth: number): QueryNode | undefined {
    const row: Entry[] = [];
    for (let token = this.tokens[this.at]; token && token.kind !== 'close'; token = this.tokens[this.at]) {
      if (token.kind === 'operator') {
        this.at++;
        row.push({ operator: token.operator });
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
    return this.joinRow(dropLoose(row));
  }

  private readOperand(depth: number): QueryNode | undefined {
    const left = this.readPrimary(depth);
    const token = this.tokens[this.at];
    if (!left || token?.kind !== 'near') return left;
    this.at++;
    const right = this.readPrimary(depth);
    if (!right) {
      this.report('missing-operand', token, { operator: 'near' });
      return left;
    }
    return this.createNear(left, token, right);
  }

  /** A mark on each side becomes one mark round the pair, since a pair stays within one field. */
  private createNear(left: QueryNode, token: StringToken & { kind: 'near' }, right: QueryNode): QueryNode {
    const sides = [left, right].map((side) =>
      side.kind === 'fielded' ? side : { item: side, fields: undefined },
    );
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
      case 'mark':
        return this.readMarked(token, depth);
      default:
        this.report('unread-sign', token, { sign: token.kind === 'unknown' ? token.raw : 'this' });
        return undefined;
    }
  }

  private readMarked(token: StringToken & { kind: 'mark' }, depth: number): QueryNode | undefined {
    if (this.dialect.fields.mark.place === 'behind' || depth >= DEEPEST) {
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
    if (!item || token?.kind !== 'mark' || this.dialect.fields.mark.place !== 'behind') return item;
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
    return { ...(patterns.length === 1 ? build.term(first) : build.phrase(...patterns)), span: place(span) };
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
    for (const sign of raw) {
      if (wild && sign === any?.sign) parts.push({ kind: 'any' });
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

/** Leaves operators without a side away: those that limiters were joined by, or that stand alone. */
function dropLoose(row: readonly Entry[]): Entry[] {
  const kept: Entry[] = [];
  for (const entry of row) {
    const last = kept.at(-1);
    if ('operator' in entry && (!last || 'operator' in last)) continue;
    kept.push(entry);
  }
  const end = kept.at(-1);
  return end && 'operator' in end ? kept.slice(0, -1) : kept;
}

/** Joins what operators of one level connect, from left to right; other operators stay. */
function joinLevel(row: readonly Entry[], level: readonly string[]): Entry[] {
  const done: Entry[] = [];
  for (let at = 0; at < row.length; at++) {
    const entry = row[at];
    if (!entry) continue;
    const left = done.at(-1);
    const right = row[at + 1];
    if (
      !('operator' in entry) ||
      !level.includes(entry.operator) ||
      !left ||
      !('node' in left) ||
      !right ||
      !('node' in right)
    ) {
      done.push(entry);
      continue;
    }
    done[done.length - 1] = { node: joinPair(left.node, entry.operator, right.node) };
    at++;
  }
  return done;
}

/** Chains of one operator become one group. */
function joinPair(left: QueryNode, operator: 'and' | 'or' | 'not', right: QueryNode): QueryNode {
  const span = left.span === NOWHERE ? right.span : coverSpans(left.span, right.span);
  if (operator === 'not') return { ...build.not(left, right), span };
  if (left.kind === operator && left.id === 'open') return { ...left, items: [...left.items, right], span };
  return { ...build[operator](left, right), id: 'open', span };
}
