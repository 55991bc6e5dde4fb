import type { IndexDocument } from '../collection/document';
import { build, createPattern, type Field, type QueryNode } from '../query';
import { splitWords } from '../text';
import { satisfies } from './naive-evaluator';

type Test = (document: IndexDocument) => boolean;
interface Clause {
  readonly test: Test;
  occur: 'must' | 'should' | 'not';
}

class Refused extends Error {}

const FIELD_NAMES: Readonly<Record<string, Field>> = {
  title: 'title',
  abstract: 'abstract',
  keywords: 'keywords',
  subject: 'heading',
  author: 'author',
  source: 'source',
};
const UNMARKED: readonly Field[] = ['title', 'abstract', 'keywords', 'heading'];

/**
 * What an archive with the classic Lucene syntax finds for a string, record by record: the grammar and the rules
 * of its documentation (parts that are required, optional or excluded; OR where nothing stands between), apart
 * from the reader that it is to test. Nothing if the string is not taken.
 */
export function findByLucene(text: string, documents: readonly IndexDocument[]): number[] | undefined {
  try {
    const parser = new Parser(text);
    const test = parser.parseAll();
    return documents.flatMap((document, at) => (test(document) ? [at] : []));
  } catch (fault) {
    if (fault instanceof Refused) return undefined;
    throw fault;
  }
}

function refuse(): never {
  throw new Refused();
}

class Parser {
  private rest: string;
  constructor(text: string) {
    this.rest = text.trimStart();
  }

  parseAll(): Test {
    const test = this.parseRow(undefined);
    return this.rest === '' ? test : refuse();
  }

  private take(pattern: RegExp): RegExpExecArray | undefined {
    const match = new RegExp(`^(?:${pattern.source})`, pattern.flags).exec(this.rest);
    if (!match) return undefined;
    this.rest = this.rest.slice(match[0].length).trimStart();
    return match;
  }

  private sees(pattern: RegExp): boolean {
    return new RegExp(`^(?:${pattern.source})`, pattern.flags).test(this.rest);
  }

  private parseRow(name: string | undefined): Test {
    const clauses: Clause[] = [];
    while (this.rest !== '' && !this.sees(/\)/)) {
      const and = clauses.length > 0 && this.take(/(?:AND|&&)(?=[\s()"+!-]|$)/) !== undefined;
      if (clauses.length > 0 && !and) this.take(/(?:OR|\|\|)(?=[\s()"+!-]|$)/);
      const isNot = this.take(/NOT(?=[\s()"]|$)|!|-/) !== undefined;
      const isPlus = !isNot && this.take(/\+/) !== undefined;
      if (this.sees(/(?:AND|OR|NOT|&&|\|\|)(?=[\s()"+!-]|$)|[+!-]/)) refuse();
      const test = this.parseClause(name);
      const last = clauses.at(-1);
      if (and && last && last.occur !== 'not') last.occur = 'must';
      clauses.push({ test, occur: isNot ? 'not' : isPlus || and ? 'must' : 'should' });
    }
    if (clauses.length === 0) refuse();
    const musts = clauses.filter(({ occur }) => occur === 'must');
    const shoulds = clauses.filter(({ occur }) => occur === 'should');
    const nots = clauses.filter(({ occur }) => occur === 'not');
    return (document) =>
      !nots.some(({ test }) => test(document)) &&
      (musts.length > 0
        ? musts.every(({ test }) => test(document))
        : shoulds.some(({ test }) => test(document)));
  }

  private parseClause(name: string | undefined): Test {
    const mark = this.take(/([a-z]+):/);
    const field = mark?.[1] ?? name;
    const test = this.parseTerm(field);
    this.take(/\^\d+(?:\.\d+)?/);
    return test;
  }

  private parseTerm(name: string | undefined): Test {
    if (this.take(/\(/)) {
      const inner = this.parseRow(name);
      return this.take(/\)/) ? inner : refuse();
    }
    const range = this.take(/([[{])\s*(\S+) TO (\S+?)\s*([\]}])/);
    if (range) return this.createRange(range, name);
    const quote = this.take(/"([^"]*)"(?:\s*~(\d+)?)?/);
    if (quote) return this.createPhrase(quote[1] ?? '', Number(quote[2] ?? 0), name);
    const word = this.take(/(?:[^\s+\-!():^[\]"{}~*?\\/]|\\.|[*?])(?:[^\s!():^[\]"{}~*?\\/]|\\.|[*?])*/)?.[0];
    if (word === undefined || this.sees(/[~/[{:]/)) return refuse();
    if (/^[*?]/.test(word)) refuse();
    const plain = word.replace(/\\(.)/g, (_, sign: string) => (/\w/.test(sign) ? sign : ' '));
    return this.createPhrase(plain, 0, name);
  }

  private createRange([, open, from = '', to = '', close]: RegExpExecArray, name: string | undefined): Test {
    if (name !== 'year') refuse();
    const first = from === '*' ? -Infinity : Number(from) + (open === '{' ? 1 : 0);
    const last = to === '*' ? Infinity : Number(to) - (close === '}' ? 1 : 0);
    return ({ year }) => year !== undefined && first <= year && year <= last;
  }

  private createPhrase(text: string, slop: number, name: string | undefined): Test {
    if (name === 'type' || name === 'language')
      return ({ keys }) => keys.includes(`${name}=${text.trim().toLowerCase()}`);
    const fields = name === undefined ? UNMARKED : [FIELD_NAMES[name] ?? refuse()];
    if (slop > 0) return this.createSloppy(text, slop, fields);
    const words = text.split(/[^\p{L}\p{N}*?]+/u).filter((word) => /[\p{L}\p{N}]/u.test(word));
    if (words.length === 0) refuse();
    const patterns = words.map((word) => createPattern(word));
    const node: QueryNode = patterns.length === 1 ? build.term(patterns[0] ?? []) : build.phrase(...patterns);
    return (document) => satisfies(document, node, undefined, fields);
  }

  /** The moves that bring the words from where they stand to where the phrase has them, at most `slop`. */
  private createSloppy(text: string, slop: number, fields: readonly Field[]): Test {
    const words = splitWords(text).map((word) => word.text);
    return ({ values }) =>
      fields
        .flatMap((field) => (field === 'text' ? [] : (values[field] ?? [])))
        .some((value) => {
          const stand = splitWords(value).map((word) => word.text);
          const places = words.map((word) => stand.flatMap((other, at) => (other === word ? [at] : [])));
          return choose(places).some((chosen) => {
            const shifts = chosen.map((at, turn) => at - turn);
            return Math.max(...shifts) - Math.min(...shifts) <= slop;
          });
        });
  }
}

/** One place of each word, no place twice. */
function choose(places: readonly (readonly number[])[]): number[][] {
  return places.reduce<number[][]>(
    (rows, some) => rows.flatMap((row) => some.filter((at) => !row.includes(at)).map((at) => [...row, at])),
    [[]],
  );
}
