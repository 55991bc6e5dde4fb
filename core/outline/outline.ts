import type { Span } from '../text';
import { build, isLeaf, type Field, type QueryNode } from '../query';

/** The way to an item: the places among the children from the root on, members first, then the excluded. */
export type Path = readonly number[];

/** What is said of an item as a whole, outermost first. */
export type Wrapper =
  | { readonly kind: 'off' }
  | { readonly kind: 'only'; readonly databases: readonly string[] }
  | { readonly kind: 'fielded'; readonly fields: readonly Field[] };

/** How the members of a group belong together. */
export type Join = 'all' | 'any' | 'near';

/** A group as a person sees it: its members and what is taken away from them. */
export interface OutlineGroup {
  readonly kind: 'group';
  readonly join: Join;
  readonly members: readonly OutlineItem[];
  /** Only groups of all have some. */
  readonly excluded: readonly OutlineItem[];
  /** Of a nearness. */
  readonly distance?: number;
  readonly ordered?: boolean;
}

/** A word, phrase, heading, block, or nothing. */
export interface OutlineLeaf {
  readonly kind: 'leaf';
  readonly node: QueryNode;
}

/** A row of the outline with all below it. Wrappers and comments are on the row, not rows of their own. */
export interface OutlineItem {
  readonly comments: readonly string[];
  readonly wrappers: readonly Wrapper[];
  readonly body: OutlineGroup | OutlineLeaf;
  /** Where it stands in the text that the outline was read from. */
  readonly span?: Span;
}

/**
 * The outline of a query: chains of NOT become one group with all that they take away. Law: the query
 * of the outline is the query again.
 */
export function createOutline(root: QueryNode): OutlineItem {
  const wrappers: Wrapper[] = [];
  const comments: string[] = [];
  let node = root;
  for (;;) {
    comments.push(...(node.comments ?? []));
    if (node.kind === 'off') wrappers.push({ kind: 'off' });
    else if (node.kind === 'only') wrappers.push({ kind: 'only', databases: node.databases });
    else if (node.kind === 'fielded') wrappers.push({ kind: 'fielded', fields: node.fields });
    else break;
    node = node.item;
  }
  return { comments, wrappers, body: createBody(node), span: root.span };
}

function createBody(node: QueryNode): OutlineItem['body'] {
  if (isLeaf(node)) return { kind: 'leaf', node };
  switch (node.kind) {
    case 'and':
    case 'or': {
      const join = node.kind === 'and' ? 'all' : 'any';
      return { kind: 'group', join, members: node.items.map(createOutline), excluded: [] };
    }
    case 'near': {
      const { distance, ordered } = node;
      const members = [createOutline(node.left), createOutline(node.right)];
      return { kind: 'group', join: 'near', members, excluded: [], distance, ordered };
    }
    case 'not': {
      const excluded: OutlineItem[] = [];
      let include: QueryNode = node;
      while (include.kind === 'not' && (include === node || !include.comments)) {
        excluded.unshift(createOutline(include.exclude));
        include = include.include;
      }
      const items = include.kind === 'and' && !include.comments ? include.items : [include];
      return { kind: 'group', join: 'all', members: items.map(createOutline), excluded };
    }
    case 'fielded':
    case 'off':
    case 'only':
      return { kind: 'leaf', node };
  }
}

/** The query that an outline shows. */
export function createOutlineQuery({ comments, wrappers, body }: OutlineItem): QueryNode {
  const inner = body.kind === 'leaf' ? withoutComments(body.node) : createGroupQuery(body);
  const wrapped = wrappers.reduceRight<QueryNode>((node, wrapper) => {
    if (wrapper.kind === 'off') return build.off(node);
    return wrapper.kind === 'only'
      ? build.only(wrapper.databases, node)
      : build.fielded(wrapper.fields, node);
  }, inner);
  return comments.length > 0 ? { ...wrapped, comments } : wrapped;
}

function withoutComments(node: QueryNode): QueryNode {
  const { comments: _, ...rest } = node;
  return rest;
}

function createGroupQuery(group: OutlineGroup): QueryNode {
  const members = group.members.map(createOutlineQuery);
  const [first, second] = members;
  if (group.join === 'near' && first && second)
    return build.near(first, group.distance ?? 1, second, group.ordered);
  if (group.join === 'any') return members.length === 1 && first ? first : build.or(...members);
  const include =
    members.length === 1 && first ? first : members.length > 1 ? build.and(...members) : build.empty();
  return group.excluded.reduce((node, item) => build.not(node, createOutlineQuery(item)), include);
}

/** An item that holds a query and nothing else. */
export function createLeafItem(node: QueryNode): OutlineItem {
  return { comments: [], wrappers: [], body: { kind: 'leaf', node } };
}

/** Members and excluded parts in the order of the rows. */
export function listItems(item: OutlineItem): readonly OutlineItem[] {
  return item.body.kind === 'group' ? [...item.body.members, ...item.body.excluded] : [];
}

/** The item at a path. */
export function findItem(root: OutlineItem, path: Path): OutlineItem | undefined {
  return path.reduce<OutlineItem | undefined>((item, at) => item && listItems(item)[at], root);
}

/** The query of a group without one of its children; nothing if nothing would be left. */
export function createWithout(item: OutlineItem, at: number): QueryNode | undefined {
  const { body } = item;
  if (body.kind === 'leaf') return undefined;
  const members = body.members.filter((_, place) => place !== at);
  const excluded = body.excluded.filter((_, place) => place !== at - body.members.length);
  if (members.length === 0) return undefined;
  const join = members.length === 1 && body.join === 'near' ? 'any' : body.join;
  return createOutlineQuery({ ...item, comments: [], body: { ...body, join, members, excluded } });
}

/** True for an item that holds nothing and finds nothing. */
export function isEmptyItem({ body, comments }: OutlineItem): boolean {
  return body.kind === 'leaf' && body.node.kind === 'empty' && comments.length === 0;
}
