import { createProblem, type Problem } from '../problem';
import { isLeaf, listChildren, mapChildren, type QueryNode } from './node';

/** The blocks that a query may use, by name. */
export type Blocks = ReadonlyMap<string, QueryNode>;

/** The most nodes that expanding may make; a guard against blocks that multiply. */
const MAX_NODES = 100_000;

/** A query with its blocks put in, and what went wrong on the way. */
export interface ExpandedQuery {
  readonly root: QueryNode;
  readonly problems: readonly Problem[];
}

/**
 * Puts the content of each block in its place. Ids stay traceable: `use/inner`, where `use` is the
 * id of the place that named the block; the content carries the block's name. Unknown blocks and
 * circles become empty groups with a problem.
 */
export function expandBlocks(root: QueryNode, blocks: Blocks): ExpandedQuery {
  const problems: Problem[] = [];
  let made = 0;
  const expand = (node: QueryNode, prefix: string, open: readonly string[]): QueryNode => {
    made++;
    const id = prefix + node.id;
    if (node.kind !== 'block') return { ...mapChildren(node, (child) => expand(child, prefix, open)), id };
    const content = blocks.get(node.name);
    if (content === undefined || open.includes(node.name) || made > MAX_NODES) {
      const code = content === undefined ? 'unknown-block' : 'block-circle';
      problems.push(createProblem(code, 'error', { name: node.name }, node.span));
      return { kind: 'empty', id, span: node.span, block: node.name };
    }
    return { ...expand(content, `${id}/`, [...open, node.name]), block: node.name };
  };
  return { root: expand(root, '', []), problems };
}

/**
 * What takes part for one database: without what is switched off or meant for others only. Nothing
 * comes of a query of which no part is left.
 */
export function dropInactive(root: QueryNode, database?: string): QueryNode | undefined {
  if (isLeaf(root) || isWhole(root)) return root;
  switch (root.kind) {
    case 'off':
      return undefined;
    case 'only': {
      if (database === undefined || !root.databases.includes(database)) return undefined;
      return withBlock(dropInactive(root.item, database), root.block);
    }
    case 'and':
    case 'or': {
      const items = root.items
        .map((item) => dropInactive(item, database))
        .filter((item) => item !== undefined);
      if (items.length <= 1) return withBlock(items[0], root.block);
      const isSame = items.length === root.items.length && items.every((item, at) => item === root.items[at]);
      return isSame ? root : { ...root, items };
    }
    case 'not': {
      const include = dropInactive(root.include, database);
      const exclude = dropInactive(root.exclude, database);
      if (!exclude) return withBlock(include, root.block);
      if (include === root.include && exclude === root.exclude) return root;
      return {
        ...root,
        include: include ?? { kind: 'empty', id: root.include.id, span: root.include.span },
        exclude,
      };
    }
    case 'fielded': {
      const item = dropInactive(root.item, database);
      return item === root.item ? root : item && { ...root, item };
    }
    case 'near':
      return root;
  }
}

const WHOLE = new WeakMap<QueryNode, boolean>();

/** True where nothing can be dropped, in whatever database; pieces that stand in many queries are looked at once. */
function isWhole(node: QueryNode): boolean {
  if (node.kind === 'off' || node.kind === 'only') return false;
  const children = listChildren(node);
  if (children.length === 0) return true;
  const known = WHOLE.get(node);
  if (known !== undefined) return known;
  const isGroup = node.kind === 'and' || node.kind === 'or';
  const whole = children.every(isWhole) && !(isGroup && children.length < 2);
  WHOLE.set(node, whole);
  return whole;
}

function withBlock(node: QueryNode | undefined, block: string | undefined): QueryNode | undefined {
  return node && block !== undefined && node.block === undefined ? { ...node, block } : node;
}
