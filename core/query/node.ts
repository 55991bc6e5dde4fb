import type { Span } from '../text';
import type { Field, RangeProperty, ValueProperty } from './field-table';
import type { Pattern } from './pattern';

/** The greatest distance of a proximity, in words; below the gap between two values of a field. */
export const GREATEST_DISTANCE = 90;

interface NodeBase {
  /** Stable under edits elsewhere; see `withIds`. */
  readonly id: string;
  readonly span: Span;
  /** The comments that stand before the item. */
  readonly comments?: readonly string[];
  /** The block that this piece was expanded from. */
  readonly block?: string;
}

export interface GroupNode extends NodeBase {
  readonly kind: 'and' | 'or';
  readonly items: readonly QueryNode[];
}
/** A difference: the records of `include` that are not in `exclude`. */
export interface NotNode extends NodeBase {
  readonly kind: 'not';
  readonly include: QueryNode;
  readonly exclude: QueryNode;
}
/** Two different positions in one value that differ by at most `distance`; adjacent is 1. */
export interface NearNode extends NodeBase {
  readonly kind: 'near';
  readonly distance: number;
  readonly ordered: boolean;
  readonly left: QueryNode;
  readonly right: QueryNode;
}
export interface FieldedNode extends NodeBase {
  readonly kind: 'fielded';
  readonly fields: readonly Field[];
  readonly item: QueryNode;
}
export interface PhraseNode extends NodeBase {
  readonly kind: 'phrase';
  /** At least two. */
  readonly words: readonly Pattern[];
}
export interface TermNode extends NodeBase {
  readonly kind: 'term';
  readonly pattern: Pattern;
}
/** A subject heading: the label itself, the whole branch below it, or only as a main topic. */
export interface HeadingNode extends NodeBase {
  readonly kind: 'heading';
  readonly scope: 'heading' | 'branch' | 'focus';
  /** The database whose vocabulary is meant; absent: whatever vocabulary there is. */
  readonly vocabulary?: string;
  readonly label: string;
  /** Only where the heading was given with this qualifier: `Bats / behaviour`. Of the heading itself only. */
  readonly qualifier?: string;
}
/** The years of publication, or the months of entry, from one to another; both ends belong to it. */
export interface RangeNode extends NodeBase {
  readonly kind: 'range';
  readonly property: RangeProperty;
  /** `2015`, or `2026-03` for a month; absent: open at this end. */
  readonly from?: string;
  readonly to?: string;
}
/** One document type, one language by its code (ISO 639-1), or one identifier. */
export interface ValueNode extends NodeBase {
  readonly kind: 'value';
  readonly property: ValueProperty;
  readonly value: string;
}
export interface BlockNode extends NodeBase {
  readonly kind: 'block';
  readonly name: string;
}
/** Stays in the text and takes no part. */
export interface OffNode extends NodeBase {
  readonly kind: 'off';
  readonly item: QueryNode;
}
/** Takes part only for the databases named. */
export interface OnlyNode extends NodeBase {
  readonly kind: 'only';
  readonly databases: readonly string[];
  readonly item: QueryNode;
}
/** A group without members; finds nothing. */
export interface EmptyNode extends NodeBase {
  readonly kind: 'empty';
}

/** A query as a tree. What each kind finds: docs/reference/query-text.md. */
export type QueryNode =
  | GroupNode
  | NotNode
  | NearNode
  | FieldedNode
  | PhraseNode
  | TermNode
  | HeadingNode
  | RangeNode
  | ValueNode
  | BlockNode
  | OffNode
  | OnlyNode
  | EmptyNode;

/** The nodes without members. */
export type LeafNode = TermNode | PhraseNode | HeadingNode | RangeNode | ValueNode | BlockNode | EmptyNode;
const LEAF_KINDS: Readonly<Record<LeafNode['kind'], true>> = {
  term: true,
  phrase: true,
  heading: true,
  range: true,
  value: true,
  block: true,
  empty: true,
};

/** True for a node without members: a walk that only goes through members has nothing to do there. */
export function isLeaf(node: QueryNode): node is LeafNode {
  return node.kind in LEAF_KINDS;
}

/** The direct members of a node, in the order of the text. */
export function listChildren(node: QueryNode): readonly QueryNode[] {
  if (isLeaf(node)) return [];
  switch (node.kind) {
    case 'and':
    case 'or':
      return node.items;
    case 'not':
      return [node.include, node.exclude];
    case 'near':
      return [node.left, node.right];
    case 'fielded':
    case 'off':
    case 'only':
      return [node.item];
  }
}

/** The node with its members replaced one by one. */
export function mapChildren(node: QueryNode, change: (child: QueryNode) => QueryNode): QueryNode {
  if (isLeaf(node)) return node;
  switch (node.kind) {
    case 'and':
    case 'or':
      return { ...node, items: node.items.map(change) };
    case 'not':
      return { ...node, include: change(node.include), exclude: change(node.exclude) };
    case 'near':
      return { ...node, left: change(node.left), right: change(node.right) };
    case 'fielded':
    case 'off':
    case 'only':
      return { ...node, item: change(node.item) };
  }
}

/** What becomes of a tree when each node is made of what its members were made into; the members come first. */
export function foldQuery<Result>(
  node: QueryNode,
  combine: (node: QueryNode, members: readonly Result[]) => Result,
): Result {
  return combine(
    node,
    listChildren(node).map((child) => foldQuery(child, combine)),
  );
}

/** The node and all below it, parents first. */
export function listNodes(root: QueryNode): QueryNode[] {
  const found: QueryNode[] = [];
  const visit = (node: QueryNode): void => {
    found.push(node);
    listChildren(node).forEach(visit);
  };
  visit(root);
  return found;
}
