import { FIELD_TABLE, build, type Field, type Pattern, type QueryNode } from '../../query';
import { coverSpans, type Span } from '../../text';
import type { Dialect } from '../profile';
import { createPropertyNode } from './cql-properties';
import { splitCql, type CqlToken } from './cql-tokens';
import type { GrammarReading } from './general-grammar';
import { createNearness } from './nearness';
import { listPropertyNames, type NamedProperty } from './properties-by-name';
import { readPatterns } from './read-patterns';
import { joinPair, place } from './rows';
import { TokenReader } from './token-reader';

/** A modifier behind a slash. */
interface Modifier {
  readonly name: string;
  readonly comparison?: string;
  readonly value?: string;
}

const BOOLEANS = ['and', 'or', 'not', 'prox'];
const COMPARISONS = ['=', '==', '<', '>', '<=', '>=', '<>'];
/** Modifiers that say what is done anyway. */
const NEEDLESS_MODIFIERS = ['masked', 'ignorecase', 'word', 'string'];
/** The context sets that are known, by the end of their identifiers. */
const CONTEXT_SETS: readonly (readonly [RegExp, string])[] = [
  [/^info:srw\/cql-context-set\/1\/dc-v/i, 'dc'],
  [/^info:srw\/cql-context-set\/1\/cql-v/i, 'cql'],
];
/** Indexes that stand for what is searched without an index. */
const UNMARKED_INDEXES = ['cql.serverchoice', 'cql.keywords'];
/** Indexes that stand for all that can be searched. */
const EVERYWHERE_INDEXES = ['cql.anywhere', 'cql.anyindexes', 'cql.allindexes'];
const DEEPEST = 200;

/**
 * Reads a string by the grammar of CQL 1.2 (Contextual Query Language, OASIS searchRetrieve part 5 and its
 * annexes): booleans of equal precedence from left to right, indexes with prefixes, relations, modifiers,
 * masks, anchors and sort keys. What the neutral language cannot say is a problem in its place.
 */
export function readCql(text: string, dialect: Dialect): GrammarReading {
  const reader = new CqlReader(splitCql(text), dialect, text.length);
  return { root: reader.readAll(), problems: reader.problems };
}

class CqlReader extends TokenReader<CqlToken> {
  private prefixes = new Map<string, string>([
    ['dc', 'dc'],
    ['cql', 'cql'],
    ['srw', 'cql'],
  ]);
  private readonly fields: ReadonlyMap<string, Field>;
  private readonly properties: ReadonlyMap<string, NamedProperty>;

  constructor(
    tokens: readonly CqlToken[],
    private readonly dialect: Dialect,
    private readonly length: number,
  ) {
    super(tokens);
    const codes = Object.entries(dialect.fields.codes).map(
      ([field, code]) => [code.toLowerCase(), field as Field] as const,
    );
    this.fields = new Map(codes);
    this.properties = listPropertyNames(dialect);
  }

  readAll(): QueryNode {
    let root = this.readQuery(0);
    for (let stray = this.peek(); stray; stray = this.peek()) {
      if (stray.kind === 'word' && stray.text.toLowerCase() === 'sortby') {
        this.readSort(stray);
        break;
      }
      // What stands behind a mistake is read, too: as if it were joined.
      this.report('cql-syntax', stray, { found: stray.text, wanted: 'the end or a boolean' });
      const before = this.at;
      const more = this.readQuery(0);
      if (more) root = root ? joinPair(root, 'and', more) : more;
      if (this.at === before) this.at++;
    }
    return root ?? build.empty();
  }

  private getEnd(): Span {
    return this.peek() ?? { start: this.length, end: this.length };
  }

  /** Operands with booleans between them, after the prefixes that are declared for them. */
  private readQuery(depth: number): QueryNode | undefined {
    const outer = this.prefixes;
    this.readPrefixes();
    let left = this.readOperand(depth);
    for (let token = this.peek(); token?.kind === 'word' && isBoolean(token.text); token = this.peek()) {
      this.at++;
      const modifiers = this.readModifiers();
      const right = this.readOperand(depth);
      if (left && right) left = this.join(left, token, modifiers, right);
      // What is taken away stays taken away, also from something that was not understood.
      else if (right)
        left = isExclusion(token) ? { ...build.not(build.empty(), right), span: right.span } : right;
    }
    this.prefixes = outer;
    return left && { ...left, id: left.id === 'open' ? '' : left.id };
  }

  private join(
    left: QueryNode,
    token: CqlToken,
    modifiers: readonly Modifier[],
    right: QueryNode,
  ): QueryNode {
    const operator = token.text.toLowerCase();
    if (operator === 'prox') return this.createProximity(left, token, modifiers, right);
    for (const { name } of modifiers) this.report('modifier-refused', token, { modifier: name });
    return joinPair(left, operator as 'and' | 'or' | 'not', right);
  }

  /** `> dc = "info:srw/cql-context-set/1/dc-v1.1"`: a name for a context set; without a name, the one that is meant. */
  private readPrefixes(): void {
    while (this.sees('>')) {
      const start = this.getEnd();
      this.at++;
      let name = this.takeText() ?? '';
      let identifier = name;
      if (this.sees('=')) {
        this.at++;
        identifier = this.takeText() ?? '';
      } else name = '';
      const known = CONTEXT_SETS.find(([pattern]) => pattern.test(identifier))?.[1];
      if (known === undefined) this.report('context-set-unknown', start, { set: identifier });
      this.prefixes = new Map(this.prefixes).set(name.toLowerCase(), known ?? name);
    }
  }

  private takeText(): string | undefined {
    const token = this.peek();
    if (token?.kind !== 'word' && token?.kind !== 'quoted') return undefined;
    this.at++;
    return token.text;
  }

  private readSort(token: CqlToken): void {
    const keys = this.tokens.slice(this.at + 1).map(({ text }) => text);
    this.at = this.tokens.length;
    if (keys.length === 0)
      this.report('cql-syntax', token, { found: token.text, wanted: 'a key to sort by' });
    else this.report('sort-left-out', token, { keys: keys.join(' ') }, 'note');
  }

  private readModifiers(): Modifier[] {
    const modifiers: Modifier[] = [];
    while (this.sees('/')) {
      this.at++;
      const token = this.peek();
      const name = this.takeText();
      if (name === undefined) {
        this.report('cql-syntax', token ?? this.getEnd(), {
          found: token?.text ?? 'the end',
          wanted: 'a modifier',
        });
        break;
      }
      const sign = this.peek();
      if (sign?.kind !== 'sign' || !COMPARISONS.includes(sign.text)) {
        modifiers.push({ name: name.toLowerCase() });
        continue;
      }
      this.at++;
      const value = this.takeText() ?? '';
      modifiers.push({ name: name.toLowerCase(), comparison: sign.text, value });
    }
    return modifiers;
  }

  private readOperand(depth: number): QueryNode | undefined {
    const token = this.peek();
    if (this.sees('(') && token) return this.readGroup(token, depth);
    if (!token || token.kind === 'sign' || isReserved(token)) {
      this.report('cql-syntax', this.getEnd(), {
        found: token?.text ?? 'the end',
        wanted: 'an index, a term or a bracket',
      });
      // A second boolean is no operand: it is stepped over, so that the rest is read.
      if (token && token.text !== ')') this.at++;
      return undefined;
    }
    return this.readClause(token);
  }

  private readGroup(open: CqlToken, depth: number): QueryNode | undefined {
    this.at++;
    if (depth >= DEEPEST) {
      this.report('nesting-too-deep', open, { most: DEEPEST });
      this.at = this.tokens.length;
      return undefined;
    }
    const inner = this.readQuery(depth + 1);
    const close = this.peek();
    if (this.sees(')')) this.at++;
    else {
      this.report(close ? 'cql-syntax' : 'unclosed-bracket', close ?? open, {
        found: close?.text ?? 'the end',
        wanted: 'a closing bracket',
      });
      while (this.peek() && !this.sees(')')) this.at++;
      this.at++;
    }
    return inner && { ...inner, span: { start: open.start, end: close?.end ?? inner.span.end } };
  }

  /** `index relation term`, or a term alone. */
  private readClause(first: CqlToken): QueryNode | undefined {
    this.at++;
    const relation = first.kind === 'word' ? this.takeRelation() : undefined;
    if (!relation) return this.createWords(first, undefined, first);
    const modifiers = this.readModifiers();
    for (const { name } of modifiers) {
      if (!NEEDLESS_MODIFIERS.includes(name.replace(/^cql\./, '')))
        this.report('modifier-refused', relation, { modifier: name });
    }
    const term = this.peek();
    if (!term || term.kind === 'sign' || isReserved(term)) {
      this.report('cql-syntax', term ?? this.getEnd(), { found: term?.text ?? 'the end', wanted: 'a term' });
      return undefined;
    }
    this.at++;
    return this.createClause(first, relation.text.toLowerCase().replace(/^cql\./, ''), term);
  }

  /** A comparison, or a word that a term follows. */
  private takeRelation(): CqlToken | undefined {
    const token = this.peek();
    if (token?.kind === 'sign' && COMPARISONS.includes(token.text)) {
      this.at++;
      return token;
    }
    if (token?.kind !== 'word' || isReserved(token)) return undefined;
    const next = this.tokens[this.at + 1];
    const isFollowed =
      next !== undefined && (next.text === '/' || (next.kind !== 'sign' && !isReserved(next)));
    if (!isFollowed) return undefined;
    this.at++;
    return token;
  }

  private createClause(index: CqlToken, relation: string, term: CqlToken): QueryNode | undefined {
    const span = coverSpans(place(index), place(term));
    const name = this.nameIndex(index);
    const property = this.properties.get(name);
    if (property) return this.createProperty(property, relation, term, span);
    const isHeading = name === this.dialect.fields.codes.heading?.toLowerCase();
    if ((relation === '==' || relation === 'exact') && isHeading && this.dialect.headings)
      return { ...build.heading(unescape(term.text), 'heading', this.dialect.headings.vocabulary), span };
    const fields = this.findFields(name, index);
    const node = this.createRelation(relation, term, span);
    return node && fields ? { ...build.fielded(fields, node), span } : node;
  }

  /** The index with the name of its context set, in small letters; without one it is of Dublin Core. */
  private nameIndex(index: CqlToken): string {
    const [first = '', ...others] = index.text.toLowerCase().split('.');
    const bare = others.join('.');
    if (others.length === 0) return `${this.prefixes.get('') ?? 'dc'}.${first}`;
    const set = this.prefixes.get(first);
    if (set === undefined) this.report('context-set-unknown', index, { set: first });
    return `${set ?? first}.${bare}`;
  }

  /** The fields of an index; nothing for what is searched without one. */
  private findFields(name: string, index: CqlToken): readonly Field[] | undefined {
    const field = this.fields.get(name);
    if (field) return [field];
    if (UNMARKED_INDEXES.includes(name)) return undefined;
    if (EVERYWHERE_INDEXES.includes(name)) return Object.keys(this.dialect.fields.codes) as Field[];
    this.report('index-unknown', index, { index: index.text, database: this.dialect.name });
    return undefined;
  }

  private createRelation(relation: string, term: CqlToken, span: Span): QueryNode | undefined {
    switch (relation) {
      case '=':
      case 'scr':
      case 'adj':
        return this.createWords(term, undefined, span);
      case 'any':
        return this.createWords(term, 'or', span);
      case 'all':
        return this.createWords(term, 'and', span);
      default:
        this.report('relation-refused', span, { relation });
        return this.createWords(term, undefined, span);
    }
  }

  /** The words of a term: beside each other, or joined. */
  private createWords(term: CqlToken, join: 'and' | 'or' | undefined, span: Span): QueryNode | undefined {
    if (term.kind === 'unclosed') this.report('unclosed-quote', term);
    if (/^\^|(?<!\\)\^$|\s\^|(?<!\\)\^\s/u.test(term.text)) this.report('anchor-refused', term);
    const patterns = readPatterns(
      term.text,
      this.dialect,
      { isQuoted: term.kind !== 'word', span: place(term) },
      this.problems,
    );
    if (patterns.length === 0) {
      this.report('empty-phrase', term);
      return undefined;
    }
    return { ...joinWords(patterns, join), span: place(span) };
  }

  private createProperty(
    named: NamedProperty,
    relation: string,
    term: CqlToken,
    span: Span,
  ): QueryNode | undefined {
    const texts = relation === 'any' ? term.text.trim().split(/\s+/) : [unescape(term.text)];
    const nodes = texts.map((text) => createPropertyNode(named, relation, text));
    const known = nodes.filter((node) => node !== undefined);
    if (known.length < nodes.length || known.length === 0) {
      this.report('value-unknown', term, {
        value: term.text,
        property: named.property,
        example: FIELD_TABLE[named.property].example,
      });
      return undefined;
    }
    const [only] = known;
    return { ...(known.length === 1 && only ? only : build.or(...known)), span };
  }

  private createProximity(
    left: QueryNode,
    token: CqlToken,
    modifiers: readonly Modifier[],
    right: QueryNode,
  ): QueryNode {
    let distance = 1;
    let ordered = false;
    for (const { name, comparison, value } of modifiers) {
      const bare = name.replace(/^cql\./, '');
      if (bare === 'ordered' || bare === 'unordered') ordered = bare === 'ordered';
      else if (bare === 'distance') {
        distance = Number(value) - (comparison === '<' ? 1 : 0);
        const isSaid = comparison === '<=' || comparison === '<' || (comparison === '=' && distance === 1);
        if (!isSaid)
          this.report('modifier-refused', token, { modifier: `distance${comparison ?? ''}${value ?? ''}` });
      } else if (bare !== 'unit' || value?.toLowerCase() !== 'word')
        this.report('modifier-refused', token, { modifier: value === undefined ? name : `${name}=${value}` });
    }
    const { unmarked } = this.dialect.fields;
    const nearness = {
      distance,
      ordered,
      operator: 'prox',
      operands: 'groups',
      unmarked,
      span: token,
    } as const;
    return createNearness(left, right, nearness, this.problems);
  }
}

function joinWords(patterns: readonly Pattern[], join: 'and' | 'or' | undefined): QueryNode {
  const [first = [], ...others] = patterns;
  if (others.length === 0) return build.term(first);
  return join
    ? build[join](...patterns.map((pattern) => build.term(pattern)))
    : build.phrase(first, ...others);
}

function isBoolean(word: string): boolean {
  return BOOLEANS.includes(word.toLowerCase());
}

function isExclusion({ text }: CqlToken): boolean {
  return text.toLowerCase() === 'not';
}

function isReserved({ kind, text }: CqlToken): boolean {
  return kind === 'word' && (isBoolean(text) || text.toLowerCase() === 'sortby');
}

function unescape(term: string): string {
  return term.replace(/\\([^])/gu, '$1');
}
