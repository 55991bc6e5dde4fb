import { listChildren, printQuery, type QueryNode } from '#core/query/index';

/** One row of the outline: a node of the query, how deep it stands and what the brace before it says. */
export interface OutlineRow {
  readonly node: QueryNode;
  readonly depth: number;
  /** The group's word; absent for a single term. */
  readonly group: 'all of' | 'any of' | 'without' | 'within' | undefined;
  readonly text: string;
  readonly block: string | undefined;
  readonly off: boolean;
}

/** The rows of a query with its blocks opened: groups before their members, excluded parts marked. */
export function listOutlineRows(root: QueryNode): OutlineRow[] {
  const rows: OutlineRow[] = [];
  const visit = (
    node: QueryNode,
    depth: number,
    block: string | undefined,
    off: boolean,
    excluded: boolean,
  ): void => {
    const own = node.block ?? block;
    const inner = node.kind === 'off' || node.kind === 'only' ? node.item : node;
    const isOff = off || node.kind === 'off';
    const group = excluded ? 'without' : describeGroup(inner);
    const name = node.block === undefined ? '' : `@${node.block}`;
    const text = describeGroup(inner) === undefined ? printQuery(node) : name;
    rows.push({ node, depth, group, text, block: own, off: isOff });
    if (inner.kind === 'not') {
      visit(inner.include, depth + 1, own, isOff, false);
      visit(inner.exclude, depth + 1, own, isOff, true);
    } else if (inner.kind === 'and' || inner.kind === 'or' || inner.kind === 'near') {
      for (const child of listChildren(inner)) visit(child, depth + 1, own, isOff, false);
    }
  };
  visit(root, 0, undefined, false, false);
  return rows;
}

function describeGroup(node: QueryNode): OutlineRow['group'] {
  if (node.kind === 'and' || node.kind === 'not') return 'all of';
  if (node.kind === 'or') return 'any of';
  return node.kind === 'near' ? 'within' : undefined;
}
