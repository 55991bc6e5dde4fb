import {
  GREATEST_DISTANCE,
  FIELD_TABLE,
  build,
  readProperty,
  type Field,
  type Pattern,
  type QueryNode,
} from '../../query';
import { coverSpans, type Span } from '../../text';
import type { Dialect } from '../profile';
import type { GrammarReading } from './general-grammar';
import { joinNears } from './join-nears';
import { splitLucene, type LuceneToken } from './lucene-tokens';
import { listPropertyNames, nameValue, type NamedProperty } from './properties-by-name';
import { readPatterns } from './read-patterns';
import { joinPair, place } from './rows';
import { TokenReader } from './token-reader';

/** A part of a row: it must be there, may be there, or must not be there. */
interface Clause {
  readonly node: QueryNode;
  readonly occur: 'must' | 'should' | 'not';
  /** The operator before it, as it is written. */
  readonly joined: 'and' | 'or' | undefined;
}

/** Where a term stands: in some fields, in a property, or wherever is searched without a field. */
type Context =
  | { readonly kind: 'fields'; readonly fields: readonly Field[] }
  | { readonly kind: 'property'; readonly named: NamedProperty }
  | undefined;

const DEEPEST = 200;

/**
 * Reads a string of the classic Lucene query parser by its documented grammar (org.apache.lucene
 * queryparser.classic). Its operators say of the parts beside them that they are required, optional or
 * excluded: beside a required part, optional ones only rank. Other than in algebra, so where AND and OR stand
 * on one level, both readings are given.
 */
export function readLucene(text: string, dialect: Dialect): GrammarReading {
  const tokens = splitLucene(text);
  const reader = new LuceneReader(tokens, dialect, false);
  const root = reader.readAll();
  if (!reader.problems.some(({ code }) => code === 'mixed-operators'))
    return { root, problems: reader.problems };
  return {
    root,
    problems: reader.problems,
    other: { root: new LuceneReader(tokens, dialect, true).readAll(), binding: 'and-first' },
  };
}

class LuceneReader extends TokenReader<LuceneToken> {
  private readonly fields: ReadonlyMap<string, Field>;
  private readonly properties: ReadonlyMap<string, NamedProperty>;

  constructor(
    tokens: readonly LuceneToken[],
    private readonly dialect: Dialect,
    private readonly isAlgebra: boolean,
  ) {
    super(tokens);
    const codes = Object.entries(dialect.fields.codes).map(
      ([field, code]) => [code, field as Field] as const,
    );
    this.fields = new Map(codes);
    this.properties = listPropertyNames(dialect);
  }

  readAll(): QueryNode {
    const found: QueryNode[] = [];
    while (this.at < this.tokens.length) {
      const node = this.readRow(undefined, 0);
      if (node) found.push(node);
      const stray = this.peek();
      if (stray) this.report('unopened-bracket', stray);
      this.at++;
    }
    const [first] = found;
    return found.length > 1 ? build.and(...found) : (first ?? build.empty());
  }

  /** Clauses up to a closing bracket or the end. */
  private readRow(context: Context, depth: number): QueryNode | undefined {
    const clauses: Clause[] = [];
    const start = this.peek();
    while (this.peek() && !this.sees(')')) {
      const before = this.at;
      const joined = this.takeConjunction(clauses.length > 0);
      const sign = this.takeModifier();
      const token = this.peek();
      if (!token || this.sees(')')) {
        const dangling = this.tokens[this.at - 1];
        if (this.at > before && dangling)
          this.report('missing-operand', dangling, { operator: dangling.text });
        break;
      }
      const node = this.readClause(context, depth);
      if (node) this.addClause(clauses, { node, joined, sign });
      else if (this.at === before) this.at++;
    }
    return this.joinClauses(clauses, start);
  }

  private takeConjunction(isTaken: boolean): 'and' | 'or' | undefined {
    const token = this.peek();
    if (token?.kind !== 'and' && token?.kind !== 'or') return undefined;
    this.at++;
    if (!isTaken) this.report('missing-operand', token, { operator: token.text });
    let next = this.peek();
    while (next?.kind === 'and' || next?.kind === 'or') {
      this.report('missing-operand', next, { operator: next.text });
      this.at++;
      next = this.peek();
    }
    return token.kind;
  }

  private takeModifier(): 'must' | 'not' | undefined {
    const token = this.peek();
    if (token?.kind !== 'plus' && token?.kind !== 'minus' && token?.kind !== 'not') return undefined;
    this.at++;
    let next = this.peek();
    while (next && ['plus', 'minus', 'not', 'and', 'or'].includes(next.kind)) {
      this.report('missing-operand', next, { operator: next.text });
      this.at++;
      next = this.peek();
    }
    return token.kind === 'plus' ? 'must' : 'not';
  }

  /** As the parser itself adds a clause: AND makes the one before it required, too. */
  private addClause(
    clauses: Clause[],
    { node, joined, sign }: { node: QueryNode; joined: Clause['joined']; sign: 'must' | 'not' | undefined },
  ): void {
    const last = clauses.at(-1);
    const isAndUsual = this.dialect.sideBySide === 'and';
    if (last && last.occur !== 'not') {
      if (joined === 'and') clauses[clauses.length - 1] = { ...last, occur: 'must' };
      else if (joined === 'or' && isAndUsual) clauses[clauses.length - 1] = { ...last, occur: 'should' };
    }
    const usual = (isAndUsual ? joined !== 'or' : joined === 'and') ? 'must' : 'should';
    clauses.push({ node, joined, occur: sign ?? usual });
  }

  private joinClauses(clauses: readonly Clause[], start: Span | undefined): QueryNode | undefined {
    if (clauses.length === 0) return undefined;
    if (this.isAlgebra) return joinAsAlgebra(clauses, this.dialect.sideBySide === 'and');
    const pick = (occur: Clause['occur']): QueryNode[] =>
      clauses.filter((clause) => clause.occur === occur).map(({ node }) => node);
    const [musts, shoulds, nots] = [pick('must'), pick('should'), pick('not')];
    const span = clauses.map(({ node }) => node.span).reduce(coverSpans);
    const operators = new Set(clauses.map(({ joined }) => joined));
    const isMixed = operators.has('and') && operators.has('or');
    if (isMixed || (musts.length > 0 && shoulds.length > 0))
      this.report('mixed-operators', span, {}, 'warning');
    const wanted = musts.length > 0 ? musts : shoulds;
    const include = joinAll(musts.length > 0 ? 'and' : 'or', wanted, span);
    if (nots.length === 0) return include;
    if (!include) this.report('pure-negation', start ?? span);
    return { ...build.not(include ?? build.empty(), joinAll('or', nots, span) ?? build.empty()), span };
  }

  private readClause(context: Context, depth: number): QueryNode | undefined {
    const token = this.peek();
    const colon = this.tokens[this.at + 1];
    if (token?.kind === 'term' && colon?.kind === 'sign' && colon.text === ':' && colon.start === token.end) {
      this.at += 2;
      return this.readItem(this.findContext(token), depth, token);
    }
    return this.readItem(context, depth, token);
  }

  private findContext(token: LuceneToken): Context {
    const field = this.fields.get(token.text);
    if (field) return { kind: 'fields', fields: [field] };
    const named = this.properties.get(token.text.toLowerCase());
    if (named) return { kind: 'property', named };
    this.report('index-unknown', token, { index: token.text, database: this.dialect.name });
    return undefined;
  }

  private readItem(context: Context, depth: number, from: Span | undefined): QueryNode | undefined {
    const token = this.peek();
    if (!token) {
      if (from) this.report('field-without-item', from);
      return undefined;
    }
    this.at++;
    const node = this.readTerm(token, context, depth);
    this.takeBoost();
    if (!node) return undefined;
    const span = coverSpans(place(from ?? token), node.span);
    const isMarked = context?.kind === 'fields' && from !== token;
    return isMarked ? { ...build.fielded(context.fields, node), span } : { ...node, span };
  }

  private readTerm(token: LuceneToken, context: Context, depth: number): QueryNode | undefined {
    switch (token.kind) {
      case 'quote':
        return this.readQuote(token, context);
      case 'term':
        return this.readWord(token, context);
      case 'sign':
        if (token.text === '(') return this.readGroup(token, context, depth);
        if (token.text === '[' || token.text === '{') return this.readRange(token, context);
        break;
      case 'and':
      case 'or':
      case 'not':
      case 'plus':
      case 'minus':
      case 'boost':
      case 'fuzzy':
      case 'regex':
        break;
    }
    this.report('unread-sign', token, { sign: token.kind === 'regex' ? `/${token.text}/` : token.text });
    return undefined;
  }

  private readGroup(open: LuceneToken, context: Context, depth: number): QueryNode | undefined {
    if (depth >= DEEPEST) {
      this.report('nesting-too-deep', open, { most: DEEPEST });
      this.at = this.tokens.length;
      return undefined;
    }
    // The fields of a mark go round the whole group; a property is asked of each word in it.
    const inner = this.readRow(context?.kind === 'property' ? context : undefined, depth + 1);
    const close = this.peek();
    if (close) this.at++;
    else this.report('unclosed-bracket', open);
    const span = { start: open.start, end: close?.end ?? inner?.span.end ?? open.end };
    if (!inner) this.report('empty-group', span);
    return inner && { ...inner, span };
  }

  private readWord(token: LuceneToken, context: Context): QueryNode | undefined {
    const next = this.peek();
    if (next?.kind === 'fuzzy') {
      this.at++;
      this.report('fuzzy-refused', coverSpans(place(token), place(next)), { word: token.text });
    }
    if (context?.kind === 'property') return this.createProperty(token, token.text, context.named);
    const patterns = this.readRun(token, false);
    if (patterns.length > 1) this.report('split-word', token, { word: token.text }, 'warning');
    return this.createLeaf(patterns, token);
  }

  private readQuote(token: LuceneToken, context: Context): QueryNode | undefined {
    if (!token.isClosed) this.report('unclosed-quote', token);
    if (context?.kind === 'property') return this.createProperty(token, token.text, context.named);
    const patterns = this.readRun(token, true);
    const next = this.peek();
    if (next?.kind !== 'fuzzy') return this.createLeaf(patterns, token);
    this.at++;
    return this.createSlop(patterns, token, Number(next.text || '0'));
  }

  /**
   * `"a b"~n`: the words may be moved by n places in all. So b stands behind a with at most n words between, or
   * before it with at most n - 2, since changing places takes two moves.
   */
  private createSlop(patterns: readonly Pattern[], token: LuceneToken, slop: number): QueryNode | undefined {
    const [first, second, ...others] = patterns;
    if (slop === 0 || !first || !second) return this.createLeaf(patterns, token);
    if (others.length > 0 || !Number.isInteger(slop)) {
      this.report('slop-refused', token, { words: token.text });
      return this.createLeaf(patterns, token);
    }
    if (slop + 1 > GREATEST_DISTANCE)
      this.report('near-distance', token, { operator: `~${slop}`, most: GREATEST_DISTANCE - 1 });
    const distance = Math.min(slop + 1, GREATEST_DISTANCE);
    const [a, b] = [build.term(first), build.term(second)];
    const onwards = { ...build.near(a, distance, b, true), span: place(token) };
    if (slop < 2) return onwards;
    return { ...build.or(onwards, build.near(b, distance - 2, a, true)), span: place(token) };
  }

  private readRun(token: LuceneToken, isQuoted: boolean): Pattern[] {
    return readPatterns(token.text, this.dialect, { isQuoted, span: place(token) }, this.problems);
  }

  private createLeaf(patterns: readonly Pattern[], token: LuceneToken): QueryNode | undefined {
    const [first, ...others] = patterns;
    if (!first) {
      this.report('empty-phrase', token);
      return undefined;
    }
    return {
      ...(others.length === 0 ? build.term(first) : build.phrase(first, ...others)),
      span: place(token),
    };
  }

  private createProperty(token: Span, text: string, named: NamedProperty): QueryNode | undefined {
    const value = nameValue(text.replace(/\\([^])/gu, '$1'), named);
    const isRange = named.property === 'year' && !/^\d{4}$/.test(value);
    const node = isRange ? undefined : readProperty(named.property, value);
    if (!node) {
      const data = { value: text, property: named.property, example: FIELD_TABLE[named.property].example };
      this.report('value-unknown', token, data);
    }
    return node && { ...node, span: place(token) };
  }

  /** `[2015 TO 2024]`, `{2014 TO 2025}`: a curly bracket leaves its own end out, `*` is an open end. */
  private readRange(open: LuceneToken, context: Context): QueryNode | undefined {
    const inside: LuceneToken[] = [];
    let close = this.peek();
    while (close && !(close.kind === 'sign' && (close.text === ']' || close.text === '}'))) {
      inside.push(close);
      this.at++;
      close = this.peek();
    }
    if (close) this.at++;
    else this.report('unclosed-bracket', open);
    const span = { start: open.start, end: close?.end ?? inside.at(-1)?.end ?? open.end };
    const [from, to, last, ...others] = inside;
    const named = context?.kind === 'property' ? context.named : undefined;
    const isRange = to?.text === 'TO' && from && last && others.length === 0;
    const node =
      isRange && close && named
        ? createRange(named, [open.text, from.text, last.text, close.text])
        : undefined;
    if (!node) this.report('range-refused', span);
    return node ? { ...node, span } : undefined;
  }

  private takeBoost(): void {
    const token = this.peek();
    if (token?.kind !== 'boost') return;
    this.at++;
    if (token.text === '') this.report('unread-sign', token, { sign: '^' });
    else this.report('weights-left-out', token, {}, 'note');
  }
}

function createRange(
  named: NamedProperty,
  [open = '', from = '', to = '', close = '']: readonly string[],
): QueryNode | undefined {
  const isYear = named.property === 'year';
  if (!isYear) return undefined;
  const move = (text: string, isLeftOut: boolean, step: number): string | undefined => {
    if (text === '*') return '';
    if (!/^\d{4}$/.test(text)) return undefined;
    return isLeftOut ? String(Number(text) + step).padStart(4, '0') : text;
  };
  const [first, last] = [move(from, open === '{', 1), move(to, close === '}', -1)];
  return first === undefined || last === undefined ? undefined : readProperty('year', `${first}..${last}`);
}

function joinAll(kind: 'and' | 'or', nodes: readonly QueryNode[], span: Span): QueryNode | undefined {
  const [only] = nodes;
  if (nodes.length <= 1) return only;
  const group = { ...build[kind](...nodes), span: place(span) };
  return kind === 'or' ? joinNears(group) : group;
}

/** As people who know algebra mean it: NOT, then AND, then OR. */
function joinAsAlgebra(clauses: readonly Clause[], isAndUsual: boolean): QueryNode | undefined {
  const [first] = clauses;
  if (!first) return undefined;
  const groups: QueryNode[] = [];
  clauses.forEach(({ node, joined, occur }, at) => {
    const last = groups.at(-1);
    const operator = occur === 'not' ? 'not' : (joined ?? (isAndUsual ? 'and' : 'or'));
    if (at === 0 || !last) groups.push(occur === 'not' ? build.not(build.empty(), node) : node);
    else if (operator === 'or') groups.push(node);
    else groups[groups.length - 1] = joinPair(last, operator, node);
  });
  return joinAll('or', groups, clauses.map(({ node }) => node.span).reduce(coverSpans));
}
