import type { IndexDocument } from '../collection/document';
import { createPattern, build, type Field, type QueryNode } from '../query';
import { splitWords } from '../text';
import { satisfies } from './naive-evaluator';

/** The fields that the templates have codes for. */
const FIELD_NAMES: readonly Field[] = ['title', 'abstract', 'keywords', 'author'];
const UNMARKED: readonly Field[] = ['title', 'abstract', 'keywords'];

class Refused extends Error {}

/**
 * What a database of a template's kind finds for a string. The reader was written from the template's
 * description alone; nothing if it does not take the string.
 */
export function findByTemplate(
  id: string,
  text: string,
  documents: readonly IndexDocument[],
): number[] | undefined {
  try {
    const root = id === 'one-box' ? new OneBox(text).readAll() : new FieldTemplate(text, id).readAll();
    const marked = build.fielded(UNMARKED, root);
    return documents.flatMap((document, at) => (satisfies(document, marked) ? [at] : []));
  } catch (fault) {
    if (fault instanceof Refused) return undefined;
    throw fault;
  }
}

function refuse(): never {
  throw new Refused();
}

/** A place in a text that moves forward. */
class Cursor {
  private at = 0;
  constructor(private readonly text: string) {}

  take(pattern: RegExp): RegExpExecArray | undefined {
    const match = new RegExp(`\\s*(?:${pattern.source})`, `y${pattern.flags}`);
    match.lastIndex = this.at;
    const found = match.exec(this.text);
    if (!found) return undefined;
    this.at = match.lastIndex;
    return found;
  }

  sees(pattern: RegExp): boolean {
    const before = this.at;
    const found = this.take(pattern) !== undefined;
    this.at = before;
    return found;
  }

  isAtEnd(): boolean {
    return this.text.slice(this.at).trim() === '';
  }
}

const WORD = /[\p{L}\p{N}*?](?:[\p{L}\p{N}*?]|[-'.](?=[\p{L}\p{N}]))*/u;

/** A word or phrase in which `*` may end a word of three letters, and `?` stands for one that is not the first. */
function createWords(raw: string, isPhrase: boolean): QueryNode {
  const words = raw.split(/[^\p{L}\p{N}*?]+/u).filter((word) => /[\p{L}\p{N}]/u.test(word));
  if (words.length === 0) refuse();
  words.forEach((word, at) => {
    const letters = word.replace(/[*?]/g, '').length;
    const isCut = word.includes('*');
    if (isCut && (!/^[^*]+\*$/.test(word) || letters < 3)) refuse();
    if (isCut && isPhrase && at < words.length - 1) refuse();
    if (word.startsWith('?')) refuse();
  });
  const patterns = words.map((word) => createPattern(word));
  return patterns.length === 1 ? build.term(patterns[0] ?? []) : build.phrase(...patterns);
}

/** AND, OR, NOT in any case (NOT, then AND, then OR), brackets, a field before, behind or round what it is about. */
class FieldTemplate {
  private readonly cursor: Cursor;

  constructor(
    text: string,
    private readonly id: string,
  ) {
    this.cursor = new Cursor(text);
  }

  readAll(): QueryNode {
    const root = this.readAny();
    return this.cursor.isAtEnd() ? root : refuse();
  }

  private readAny(): QueryNode {
    const items = [this.readAnd()];
    while (this.takeOperator('or')) items.push(this.readAnd());
    return items.length === 1 ? (items[0] ?? refuse()) : build.or(...items);
  }

  private readAnd(): QueryNode {
    const items = [this.readNot()];
    while (this.takeOperator('and')) items.push(this.readNot());
    return items.length === 1 ? (items[0] ?? refuse()) : build.and(...items);
  }

  private readNot(): QueryNode {
    let include = this.readNear();
    while (this.takeOperator('not')) include = build.not(include, this.readNear());
    return include;
  }

  private takeOperator(word: string): boolean {
    return this.cursor.take(new RegExp(`${word}(?![\\p{L}\\p{N}*?])`, 'iu')) !== undefined;
  }

  private readNear(): QueryNode {
    const left = this.readItem();
    const near = this.id === 'field-around' ? this.cursor.take(/near (\d+)/i) : undefined;
    if (!near) return left;
    const right = this.readItem();
    const between = Number(near[1]);
    const isLeaf = (node: QueryNode): boolean => node.kind === 'term' || node.kind === 'phrase';
    if (between > 30 || !isLeaf(left) || !isLeaf(right)) refuse();
    return build.near(left, between + 1, right);
  }

  private readItem(): QueryNode {
    const { cursor, id } = this;
    if (cursor.sees(/(?:and|or|not)(?![\p{L}\p{N}*?])/iu)) refuse();
    const before = id === 'field-around' ? '\\(' : id === 'field-before' ? '=' : undefined;
    if (before !== undefined) {
      const mark = cursor.take(new RegExp(`(${FIELD_NAMES.join('|')})\\s*${before}`, 'i'));
      if (mark) {
        const fields = [(mark[1] ?? '').toLowerCase() as Field];
        if (id === 'field-before') return build.fielded(fields, this.readBare(false));
        const inner = this.readAny();
        return cursor.take(/\)/) ? build.fielded(fields, inner) : refuse();
      }
    }
    return this.readBare(true);
  }

  private readBare(canBeMarked: boolean): QueryNode {
    const { cursor } = this;
    if (cursor.take(/\(/)) {
      const inner = this.readAny();
      if (!cursor.take(/\)/)) refuse();
      return inner;
    }
    const quote = cursor.take(/"([^"]*)"/);
    const raw = quote?.[1] ?? cursor.take(WORD)?.[0] ?? refuse();
    const words = createWords(raw, quote !== undefined);
    if (this.id !== 'field-behind' || !canBeMarked) return words;
    const mark = cursor.take(
      new RegExp(`<((?:${FIELD_NAMES.join('|')})(?:\\s*,\\s*(?:${FIELD_NAMES.join('|')}))*)>`, 'i'),
    );
    if (!mark) return words;
    const fields = (mark[1] ?? '').split(',').map((name) => name.trim().toLowerCase() as Field);
    return build.fielded(fields, words);
  }
}

/** Words in one box, all of which must be there; OR in capitals between two of them binds tighter; - excludes. */
class OneBox {
  private readonly cursor: Cursor;

  constructor(text: string) {
    this.cursor = new Cursor(text);
  }

  readAll(): QueryNode {
    const wanted: QueryNode[] = [];
    const unwanted: QueryNode[] = [];
    while (!this.cursor.isAtEnd()) {
      const isUnwanted = this.cursor.take(/-(?=\S)/) !== undefined;
      if (isUnwanted) {
        unwanted.push(this.readWord());
        if (this.cursor.sees(/OR(?![\p{L}\p{N}])/u)) refuse();
      } else wanted.push(this.readChoice());
    }
    if (wanted.length === 0) refuse();
    const include = wanted.length === 1 ? (wanted[0] ?? refuse()) : build.and(...wanted);
    return unwanted.length === 0 ? include : build.not(include, build.or(...unwanted));
  }

  private readChoice(): QueryNode {
    const items = [this.readWord()];
    while (this.cursor.take(/OR(?![\p{L}\p{N}])/u)) items.push(this.readWord());
    return items.length === 1 ? (items[0] ?? refuse()) : build.or(...items);
  }

  private readWord(): QueryNode {
    if (this.cursor.sees(/OR(?![\p{L}\p{N}])/u)) refuse();
    const quote = this.cursor.take(/"([^"]*)"/);
    const raw = quote?.[1] ?? this.cursor.take(/[\p{L}\p{N}](?:[\p{L}\p{N}]|[-'.](?=[\p{L}\p{N}]))*/u)?.[0];
    const words = splitWords(raw ?? refuse()).map(({ text }) => createPattern(text));
    if (words.length === 0) refuse();
    return words.length === 1 ? build.term(words[0] ?? []) : build.phrase(...words);
  }
}
