import { listNodes, printPattern, type QueryNode } from '../../query';
import { listLimiters } from '../../limiter';
import type { Dialect } from '../profile';
import { readString } from './read-string';

/** How well a dialect reads a string, and what speaks for it. */
export interface DialectGuess {
  readonly dialect: Dialect;
  /** Things in the string that the dialect does not take. */
  readonly faults: number;
  /** Words of the string that are operators in other syntaxes and are read as words here. */
  readonly strays: readonly string[];
  /** What only a dialect that knows the string's signs would see, in words. */
  readonly evidence: readonly string[];
}

/** The dialects from the one that reads best, and how sure that is. */
export interface RankedDialects {
  readonly guesses: readonly DialectGuess[];
  /**
   * `sure`: the first reads all of it and sees more in it than any other one; `likely`: another one reads it nearly
   * as well; `unsure`: even the first one does not take all of it, or nothing in it tells one from another.
   */
  readonly sureness: 'sure' | 'likely' | 'unsure';
}

/** Words that join or relate others in some syntax or other. */
const OPERATORS_SOMEWHERE = /^(?:and|or|not|except|near|within|before|prox|any|all|adj|exact|sortby)$/i;

interface Judged extends DialectGuess {
  readonly weight: number;
}

/** The dialects by how well they read some strings: fewest faults first, then the most of their own signs. */
export function rankDialects(texts: readonly string[], dialects: readonly Dialect[]): RankedDialects {
  const judged = dialects
    .map((dialect) => judge(texts, dialect))
    .sort((a, b) => countAgainst(a) - countAgainst(b) || b.weight - a.weight);
  const [first, second] = judged;
  return { guesses: judged.map(({ weight: _, ...guess }) => guess), sureness: compare(first, second) };
}

function countAgainst({ faults, strays }: DialectGuess): number {
  return faults + strays.length;
}

function compare(first: Judged | undefined, second: Judged | undefined): RankedDialects['sureness'] {
  if (!first || countAgainst(first) > 0 || first.weight === 0) return 'unsure';
  if (!second || countAgainst(second) > 0) return 'sure';
  return first.weight >= 2 * second.weight ? 'sure' : first.weight > second.weight ? 'likely' : 'unsure';
}

function judge(texts: readonly string[], dialect: Dialect): Judged {
  const read = texts.map((text) => readString(text, dialect));
  const problems = read.flatMap((one) => one.problems);
  const nodes = read.flatMap(({ root }) => listNodes(root));
  const strays = [
    ...nodes.flatMap((node) => {
      const word = node.kind === 'term' ? printPattern(node.pattern) : '';
      return OPERATORS_SOMEWHERE.test(word) && !isQuoted(word, texts) ? [word] : [];
    }),
    ...read.flatMap(({ root }, at) => findSignsReadAsWords(root, texts[at] ?? '')),
  ];
  const limiters = read.reduce((sum, one) => sum + listLimiters(one.limiters).length, 0);
  const counts: readonly (readonly [string, number, number])[] = [
    ['field mark', countMarks(nodes, dialect), 3],
    ['heading', countKinds(nodes, ['heading']), 3],
    ['limiter', countKinds(nodes, ['range', 'value']) + limiters, 3],
    ['nearness', countKinds(nodes, ['near']), 3],
    ['operator', countKinds(nodes, ['and', 'or', 'not']), 1],
  ];
  return {
    dialect,
    faults: problems.filter(({ severity }) => severity !== 'note').length,
    strays: [...new Set(strays)],
    evidence: counts.flatMap(([name, count]) => (count > 0 ? [`${count} × ${name}`] : [])),
    weight: counts.reduce((sum, [, count, worth]) => sum + count * worth, 0),
  };
}

/** Marks that stand in the string; what is searched without one is said in the tree, too. */
function countMarks(nodes: readonly QueryNode[], { fields }: Dialect): number {
  const unmarked = fields.unmarked.join();
  return nodes.filter((node) => node.kind === 'fielded' && node.fields.join() !== unmarked).length;
}

/** Runs with signs of some syntax inside that were read as mere words: `title:bats` as a phrase. */
function findSignsReadAsWords(root: QueryNode, text: string): string[] {
  return listNodes(root).flatMap((node) => {
    if (node.kind !== 'phrase' && node.kind !== 'term') return [];
    const written = text.slice(node.span.start, node.span.end);
    return /^[^\s"]+$/.test(written) && /\p{L}.*(?:[:=~{}[\]<>]|\.\.)/u.test(written) ? [written] : [];
  });
}

function isQuoted(word: string, texts: readonly string[]): boolean {
  return texts.some((text) => text.includes(`"${word}"`));
}

function countKinds(nodes: readonly QueryNode[], kinds: readonly QueryNode['kind'][]): number {
  return nodes.filter(({ kind }) => kinds.includes(kind)).length;
}
