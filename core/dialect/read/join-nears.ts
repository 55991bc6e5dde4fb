import { build, printQuery, type Field, type QueryNode } from '../../query';

/** One way in which two words stand near each other. */
interface Way {
  readonly node: QueryNode & { kind: 'near' };
  readonly fields: readonly Field[] | undefined;
}

/**
 * Nearnesses of the same two words in an OR as few: the farther one of each direction, and one without an order
 * where both directions reach as far.
 */
export function joinNears(group: QueryNode): QueryNode {
  if (group.kind !== 'or') return group;
  const ways = new Map<string, Way>();
  const others: QueryNode[] = [];
  for (const item of group.items) {
    const found = listWays(item);
    if (!found) others.push(item);
    for (const way of found ?? []) {
      const key = nameWay(way, way.node.left, way.node.right);
      const known = ways.get(key);
      if (!known || known.node.distance < way.node.distance) ways.set(key, way);
    }
  }
  const nears: QueryNode[] = [];
  for (const [key, way] of ways) {
    const { left, right, distance } = way.node;
    const back = nameWay(way, right, left);
    const other = ways.get(back);
    const isBoth = other !== undefined && back !== key && other.node.distance === distance;
    if (isBoth) ways.delete(back);
    const node = isBoth ? { ...way.node, ordered: false } : way.node;
    nears.push(way.fields ? { ...build.fielded(way.fields, node), span: node.span } : node);
  }
  const items = [...others, ...nears];
  const [only] = items;
  return items.length === 1 && only ? { ...only, span: group.span } : { ...group, items };
}

function nameWay({ fields }: Way, left: QueryNode, right: QueryNode): string {
  return `${fields?.join() ?? ''} ${printQuery(left)} < ${printQuery(right)}`;
}

/** The ordered nearnesses that an item comes to; nothing if it is something else. */
function listWays(item: QueryNode, fields?: readonly Field[]): Way[] | undefined {
  if (item.kind === 'near') return item.ordered ? [{ node: item, fields }] : undefined;
  if (item.kind === 'fielded') return listWays(item.item, item.fields);
  if (item.kind !== 'or') return undefined;
  const ways = item.items.map((inner) => listWays(inner, fields));
  return ways.includes(undefined) ? undefined : ways.flatMap((some) => some ?? []);
}
