import { Scanner } from '../scanner';
import { diagnose } from './diagnostic';

/** A modifier of a relation or of a boolean: a name, and perhaps a comparison with a value. */
export interface CqlModifier {
  readonly name: string;
  readonly relation?: string;
  readonly value?: string;
}

/** A query of CQL 1.2 (Contextual Query Language, Library of Congress, August 2013) as a tree. */
export type CqlNode =
  | {
      readonly kind: 'clause';
      /** `cql.serverChoice` if none is written. */
      readonly index: string;
      /** The identifier of the context set that its prefix was declared for; nothing if none was declared. */
      readonly set?: string;
      readonly relation: string;
      readonly modifiers: readonly CqlModifier[];
      readonly term: string;
      readonly at: readonly [number, number];
    }
  | {
      readonly kind: 'boolean';
      readonly operator: 'and' | 'or' | 'not' | 'prox';
      readonly modifiers: readonly CqlModifier[];
      readonly left: CqlNode;
      readonly right: CqlNode;
      readonly at: readonly [number, number];
    };

/** A whole query: prefixes assigned, and keys to sort by. */
export interface CqlQuery {
  readonly prefixes: Readonly<Record<string, string>>;
  readonly root: CqlNode;
  readonly sortKeys: readonly string[];
}

interface Token {
  readonly kind: 'word' | 'quoted' | 'sign' | 'end';
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

const BOOLEANS = ['and', 'or', 'not', 'prox'] as const;
/** Something quoted with its closing mark, a sign, or a word. */
const TOKEN = /"((?:\\[^]|[^"\\])*)("?)|(<=|>=|<>|==|[=<>()/])|[^\s()=<>"/]+/uy;
const RESERVED: readonly string[] = [...BOOLEANS, 'sortby'];
const COMPARISONS = ['=', '==', '<', '>', '<=', '>=', '<>'];
const DEEPEST = 250;
/** A row of one operator may be of any length; so often one may follow another in a row. */
const MAX_CHANGES = 500;

/** Reads a query by the grammar of CQL 1.2; booleans have equal precedence and go left to right. */
export function readCql(text: string): CqlQuery {
  return new CqlReader(splitTokens(text)).readQuery();
}

function splitTokens(text: string): Token[] {
  const tokens: Token[] = [];
  const scanner = new Scanner(text);
  while (!scanner.isAtEnd()) {
    const start = scanner.at;
    const match = scanner.takeHere(TOKEN);
    const end = scanner.at;
    if (!match) return diagnose(10, text.slice(start, start + 1), start, start + 1);
    const [all, quoted, closing, sign] = match;
    if (quoted !== undefined) {
      if (closing !== '"') diagnose(10, 'a quotation mark has no end', start, end);
      tokens.push({ kind: 'quoted', text: quoted, start, end });
    } else tokens.push({ kind: sign === undefined ? 'word' : 'sign', text: all, start, end });
  }
  tokens.push({ kind: 'end', text: '', start: text.length, end: text.length });
  return tokens;
}

class CqlReader {
  private at = 0;
  private depth = 0;
  /** Identifiers of context sets by their prefixes; those of an inner query hold for it alone. */
  private prefixes: Readonly<Record<string, string>> = {};

  constructor(private readonly tokens: readonly Token[]) {}

  readQuery(): CqlQuery {
    const prefixes = this.readPrefixes();
    this.prefixes = prefixes;
    const root = this.readScope();
    const sortKeys = this.takeWord(['sortby']) ? this.readSortKeys() : [];
    const rest = this.peek();
    if (rest.kind !== 'end') diagnose(10, rest.text, rest.start, rest.end);
    return { prefixes, root, sortKeys };
  }

  private peek(offset = 0): Token {
    return this.tokens[Math.min(this.at + offset, this.tokens.length - 1)]!;
  }

  private take(): Token {
    const token = this.peek();
    if (token.kind !== 'end') this.at++;
    return token;
  }

  private takeSign(text: string): boolean {
    const found = this.peek().kind === 'sign' && this.peek().text === text;
    if (found) this.at++;
    return found;
  }

  private takeWord(words: readonly string[]): string | undefined {
    const token = this.peek();
    const word = token.text.toLowerCase();
    if (token.kind !== 'word' || !words.includes(word)) return undefined;
    this.at++;
    return word;
  }

  /** `> dc = "info:srw/context-sets/1/dc-v1.1"` before the query. */
  private readPrefixes(): Record<string, string> {
    const prefixes: Record<string, string> = {};
    while (this.takeSign('>')) {
      const first = this.readTerm();
      if (this.takeSign('=')) prefixes[first.text.toLowerCase()] = this.readTerm().text;
      else prefixes[''] = first.text;
    }
    return prefixes;
  }

  private readScope(): CqlNode {
    let left = this.readClause();
    let last: string | undefined;
    let changes = 0;
    for (;;) {
      const start = this.peek().start;
      const taken = this.takeWord(BOOLEANS);
      const operator = BOOLEANS.find((word) => word === taken);
      if (!operator) return left;
      const modifiers = this.readModifiers();
      const right = this.readClause();
      if (operator !== last || modifiers.length > 0) changes++;
      if (changes > MAX_CHANGES) diagnose(38, 'operators that take turns', start, this.peek().start);
      last = operator;
      left = { kind: 'boolean', operator, modifiers, left, right, at: [start, this.peek().start] };
    }
  }

  private readClause(): CqlNode {
    const open = this.peek();
    if (this.takeSign('(')) {
      if (++this.depth > DEEPEST) diagnose(38, 'brackets inside brackets', open.start, open.end);
      const outer = this.prefixes;
      this.prefixes = { ...outer, ...this.readPrefixes() };
      const inner = this.readScope();
      this.prefixes = outer;
      const close = this.peek();
      if (!this.takeSign(')')) diagnose(10, 'a bracket has no end', open.start, close.end);
      this.depth--;
      return inner;
    }
    const first = this.readTerm();
    const relation = this.readRelation();
    if (relation === undefined) {
      return {
        kind: 'clause',
        index: 'cql.serverChoice',
        relation: '=',
        modifiers: [],
        term: unquote(first),
        at: [first.start, first.end],
      };
    }
    const modifiers = this.readModifiers();
    const term = this.readTerm();
    const prefix = first.text.includes('.') ? (first.text.split('.')[0] ?? '').toLowerCase() : '';
    const set = this.prefixes[prefix];
    return {
      kind: 'clause',
      index: first.text,
      ...(set !== undefined && { set }),
      relation,
      modifiers,
      term: unquote(term),
      at: [first.start, term.end],
    };
  }

  /** A sign of comparison, or a name between an index and a term: two words follow that are no booleans. */
  private readRelation(): string | undefined {
    const token = this.peek();
    if (token.kind === 'sign' && COMPARISONS.includes(token.text)) return this.take().text;
    const isName = token.kind === 'word' && !RESERVED.includes(token.text.toLowerCase());
    return isName ? this.take().text.toLowerCase() : undefined;
  }

  private readModifiers(): CqlModifier[] {
    const modifiers: CqlModifier[] = [];
    while (this.takeSign('/')) {
      const name = this.readTerm().text.toLowerCase();
      const sign = this.peek();
      if (sign.kind === 'sign' && COMPARISONS.includes(sign.text)) {
        this.take();
        modifiers.push({ name, relation: sign.text, value: unquote(this.readTerm()) });
      } else modifiers.push({ name });
    }
    return modifiers;
  }

  private readTerm(): Token {
    const token = this.peek();
    if (token.kind !== 'word' && token.kind !== 'quoted')
      diagnose(
        10,
        token.text === '' ? 'something is missing at the end' : token.text,
        token.start,
        token.end,
      );
    return this.take();
  }

  private readSortKeys(): string[] {
    const keys: string[] = [];
    while (this.peek().kind === 'word') {
      keys.push(this.take().text);
      this.readModifiers();
    }
    if (keys.length === 0) diagnose(10, 'sortby needs an index', this.peek().start, this.peek().end);
    return keys;
  }
}

/** The term with escaped quotation marks; other escapes are left for the masking of words. */
function unquote(token: Token): string {
  return token.kind === 'quoted' ? token.text.replaceAll('\\"', '"') : token.text;
}
