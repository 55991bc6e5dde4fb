import type { QueryNode } from '../../query';
import { type NARROWER, SAME, WIDER, joinShifts, type MeaningShift, type Reason } from '../profile';

/**
 * A string under construction: what stands in it, before brackets, length and the depth of nesting
 * are looked at. Every part knows the node that it renders; several parts may render one node.
 */
export type StringTree = Atom | Join | Wrap | Without;

/** A word, a phrase, a pair or a heading as it is written, with its field mark. */
export interface Atom {
  readonly kind: 'atom';
  readonly node: QueryNode;
  readonly text: string;
  /** The words that are searched by it. */
  readonly words: number;
  /** It must be bracketed when it stands beside an operator. */
  readonly isLoose?: boolean;
}

/** Parts with an operator between them; a join of one part stands for a node that comes to that part. */
export interface Join {
  readonly kind: 'join';
  readonly node: QueryNode;
  readonly operator: 'and' | 'or' | 'not';
  readonly items: readonly StringTree[];
}

/** A field mark round a group. */
export interface Wrap {
  readonly kind: 'wrap';
  readonly node: QueryNode;
  readonly before: string;
  readonly after: string;
  readonly item: StringTree;
}

/** What is excluded, where the sign for it stands before each single item. */
export interface Without {
  readonly kind: 'without';
  readonly node: QueryNode;
  readonly item: Atom;
}

/** A node that has a string. */
export interface Written {
  readonly kind: 'written';
  readonly tree: StringTree;
  readonly shift: MeaningShift;
  /** Which way parts and fields that cannot be searched move it; what is left out of an exclusion counts, too. */
  readonly omitted: MeaningShift;
}

/**
 * What became of a node. `written`: it has a string. `left-out`: it has none; `shift` is what that
 * does to an OR that loses it (`SAME` if it would find nothing there anyway). `nothing`: it finds
 * nothing by its meaning, whatever the database.
 */
export type Result =
  | Written
  | { readonly kind: 'left-out'; readonly shift: typeof SAME | typeof NARROWER }
  | { readonly kind: 'nothing' };

/** The result of a node with the reasons found at the node itself. */
export interface Rendered {
  readonly result: Result;
  readonly reasons: readonly Reason[];
}

/** Several parts with an operator between them. */
export function joinTrees(node: QueryNode, operator: Join['operator'], items: readonly StringTree[]): Join {
  return { kind: 'join', node, operator, items };
}

/** A part without the joins of one that stand round it. */
export function peel(tree: StringTree): StringTree {
  return tree.kind === 'join' && tree.items.length === 1 ? peel(tree.items[0]!) : tree;
}

/** The members of a group, those of the same operator inside it taken out of their brackets. */
export function listMembers(tree: StringTree, operator: 'and' | 'or'): StringTree[] {
  const bare = peel(tree);
  return bare.kind === 'join' && bare.operator === operator
    ? bare.items.flatMap((item) => listMembers(item, operator))
    : [bare];
}

/** The written parts of several results, and what becomes of a group of them. */
export interface JoinedResults {
  readonly trees: readonly StringTree[];
  readonly shift: MeaningShift;
  readonly omitted: MeaningShift;
}

/** The written parts of several results, and the shift of an OR over all of them: losing a member narrows. */
export function uniteResults(results: readonly Result[]): JoinedResults {
  const trees = results.flatMap((result) => (result.kind === 'written' ? [result.tree] : []));
  const shift = joinShifts(...results.map((result) => (result.kind === 'nothing' ? SAME : result.shift)));
  const omitted = joinShifts(
    ...results.map((result) => {
      if (result.kind === 'nothing') return SAME;
      return result.kind === 'written' ? result.omitted : result.shift;
    }),
  );
  return { trees, shift, omitted };
}

/** The written parts of several results, and the shift of an AND over all of them: losing a member widens. */
export function intersectResults(results: readonly Result[]): JoinedResults {
  const trees = results.flatMap((result) => (result.kind === 'written' ? [result.tree] : []));
  const shift = joinShifts(...results.map((result) => (result.kind === 'written' ? result.shift : WIDER)));
  const omitted = joinShifts(
    ...results.map((result) => (result.kind === 'written' ? result.omitted : WIDER)),
  );
  return { trees, shift, omitted };
}
