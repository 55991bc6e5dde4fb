import { createProblem, type Problem } from '../../problem';
import type { Limiters } from '../../limiter';
import { DEFAULT_FIELDS, listNodes, parseQuery, withIds, type QueryNode } from '../../query';
import { splitWords } from '../../text';
import type { Dialect } from '../profile';
import { readCql } from './cql-grammar';
import { readByEntries, type Binding, type GrammarReading } from './general-grammar';
import { liftLimiters } from './limiter-nodes';
import { readLucene } from './lucene-grammar';
import { joinMarks, markUnmarked } from './rows';
import { describeHabits, findLoneStopWords } from './word-habits';

/** A string of a dialect as a tree in the neutral language, with the limiters that it carried. */
export interface ReadString {
  readonly root: QueryNode;
  /** Those that are ANDed with the whole; others are parts of the tree. */
  readonly limiters: Limiters;
  /**
   * Errors: no valid string there. Warnings: it has a reading that may not be the one meant. Notes: what the
   * database does to words that the tree does not say.
   */
  readonly problems: readonly Problem[];
  /** The other reading of operators that stand side by side without brackets, where it is not sure how they bind. */
  readonly other?: OtherReading;
}

/** What a string means with its operators bound in another way. */
export interface OtherReading {
  readonly root: QueryNode;
  readonly limiters: Limiters;
  readonly binding: Binding;
}

const GRAMMARS: Readonly<
  Record<NonNullable<Dialect['grammar']>, (text: string, dialect: Dialect) => GrammarReading>
> = {
  cql: readCql,
  lucene: readLucene,
  neutral: (text) => {
    const { root, problems } = parseQuery(text);
    return { root, problems: [...problems] };
  },
};

/**
 * Reads a string of a dialect into the neutral tree. Any string gives a tree; what is not understood is a
 * problem in its place. Law: without a problem, the tree finds what the database finds for the string.
 */
export function readString(text: string, dialect: Dialect): ReadString {
  const { root: whole, problems, other } = read(text, dialect);
  const { root, limiters } = liftLimiters(whole, problems);
  const said = { root: finish(root, dialect), limiters, problems };
  if (!other) return said;
  const lifted = liftLimiters(other.root, []);
  return {
    ...said,
    other: { root: finish(lifted.root, dialect), limiters: lifted.limiters, binding: other.binding },
  };
}

/** As `readString`, with the limiters left in the tree: for a string that others will build on. */
export function readKeepingLimiters(text: string, dialect: Dialect): Omit<ReadString, 'limiters' | 'other'> {
  const { root, problems } = read(text, dialect);
  return { root: finish(root, dialect), problems };
}

function read(text: string, dialect: Dialect): GrammarReading {
  const { root, problems, other } = dialect.grammar
    ? GRAMMARS[dialect.grammar](text, dialect)
    : readByEntries(text, dialect);
  const more = [
    ...checkLength(text, root, dialect),
    ...findLoneStopWords(root, dialect),
    ...describeHabits(root, text, dialect),
  ];
  return { root, problems: [...problems, ...more], ...(other && { other }) };
}

function finish(root: QueryNode, dialect: Dialect): QueryNode {
  return withIds(dialect.grammar === 'neutral' ? root : withUnmarkedFields(joinMarks(root), dialect));
}

/** What is searched without a mark, said in the neutral language where it differs from its default. */
function withUnmarkedFields(root: QueryNode, { fields: { unmarked, held } }: Dialect): QueryNode {
  const meant = DEFAULT_FIELDS.filter((field) => held.includes(field));
  const isSame = meant.length === unmarked.length && meant.every((field) => unmarked.includes(field));
  return isSame ? root : markUnmarked(root, unmarked);
}

/** A string that is longer than the database takes it. */
function checkLength(text: string, root: QueryNode, { most, wildcards, name }: Dialect): Problem[] {
  const problems: Problem[] = [];
  const { characters = Infinity, truncations = Infinity, words = Infinity } = most;
  if (text.length > characters) {
    const data = { length: text.length, most: characters, database: name };
    problems.push(createProblem('string-too-long', 'error', data, { start: characters, end: text.length }));
  }
  const cuts = wildcards.any ? text.split(wildcards.any.sign).length - 1 : 0;
  if (cuts > truncations) {
    const data = { count: cuts, most: truncations, database: name };
    problems.push(createProblem('too-many-truncations', 'error', data));
  }
  if (words < Infinity) {
    const count = countWords(root);
    const data = { count, most: words, database: name };
    if (count > words) problems.push(createProblem('too-many-words', 'error', data));
  }
  return problems;
}

/** The words that are searched. */
function countWords(root: QueryNode): number {
  return listNodes(root).reduce((sum, node) => {
    if (node.kind === 'heading') return sum + splitWords(node.label).length;
    return sum + (node.kind === 'term' ? 1 : node.kind === 'phrase' ? node.words.length : 0);
  }, 0);
}
