import { NOWHERE, coverSpans } from '../text';
import { FIELDS, build, listNodes, printQuery, type Field, type QueryNode } from '../query';

/** What stands in a row, one behind the other: operators and what they stand between. */
export type Entry = { readonly operator: 'and' | 'or' | 'not' } | { readonly node: QueryNode };

/** The fields round what has none of its own. */
export function markUnmarked(node: QueryNode, fields: readonly Field[]): QueryNode {
  const hasOwn = listNodes(node).some((part) => part.kind === 'fielded' || part.kind === 'heading');
  if (!hasOwn) return { ...build.fielded(fields, node), span: node.span };
  if (node.kind === 'and' || node.kind === 'or')
    return { ...node, items: node.items.map((item) => markUnmarked(item, fields)) };
  if (node.kind !== 'not') return node;
  return {
    ...node,
    include: markUnmarked(node.include, fields),
    exclude: markUnmarked(node.exclude, fields),
  };
}

const LEAVES: readonly string[] = ['term', 'phrase', 'near'];

/** The same word in one field or another is that word in both: `title: x OR abstract: x` becomes `title,abstract: x`. */
export function joinMarks(node: QueryNode): QueryNode {
  if (node.kind === 'and') return { ...node, items: node.items.map(joinMarks) };
  if (node.kind === 'not')
    return { ...node, include: joinMarks(node.include), exclude: joinMarks(node.exclude) };
  if (node.kind === 'fielded') return { ...node, item: joinMarks(node.item) };
  if (node.kind !== 'or') return node;
  const joined = new Map<string, QueryNode>();
  node.items.map(joinMarks).forEach((item, at) => {
    const isLeaf = item.kind === 'fielded' && LEAVES.includes(item.item.kind);
    const key = isLeaf ? printQuery(item.item) : `\n${at}`;
    const before = joined.get(key);
    if (isLeaf && before?.kind === 'fielded') {
      const fields = FIELDS.filter((field) => before.fields.includes(field) || item.fields.includes(field));
      joined.set(key, { ...build.fielded(fields, item.item), span: coverSpans(before.span, item.span) });
    } else joined.set(key, item);
  });
  const items = [...joined.values()];
  const [only] = items;
  return items.length === 1 && only ? { ...only, span: node.span } : { ...node, items };
}

/** A side without the fields that all of it is marked with. */
export function takeFields(side: QueryNode): { item: QueryNode; fields: readonly Field[] | undefined } {
  if (side.kind === 'fielded') return side;
  const [first, ...others] = side.kind === 'or' ? side.items.map(takeFields) : [];
  const same = first?.fields && others.every(({ fields }) => fields?.join() === first.fields?.join());
  if (!first || !same) return { item: side, fields: undefined };
  return {
    item: { ...side, ...build.or(first.item, ...others.map(({ item }) => item)) },
    fields: first.fields,
  };
}

/** Leaves operators without a side away: those that limiters were joined by, or that stand alone. */
export function dropLoose(row: readonly Entry[]): Entry[] {
  const kept: Entry[] = [];
  for (const entry of row) {
    const last = kept.at(-1);
    if ('operator' in entry && (!last || 'operator' in last)) continue;
    kept.push(entry);
  }
  const end = kept.at(-1);
  return end && 'operator' in end ? kept.slice(0, -1) : kept;
}

/** Joins what operators of one level connect, from left to right; other operators stay. */
export function joinLevel(row: readonly Entry[], level: readonly string[]): Entry[] {
  const done: Entry[] = [];
  for (let at = 0; at < row.length; at++) {
    const entry = row[at];
    if (!entry) continue;
    const left = done.at(-1);
    const right = row[at + 1];
    if (
      !('operator' in entry) ||
      !level.includes(entry.operator) ||
      !left ||
      !('node' in left) ||
      !right ||
      !('node' in right)
    ) {
      done.push(entry);
      continue;
    }
    done[done.length - 1] = { node: joinPair(left.node, entry.operator, right.node) };
    at++;
  }
  return done;
}

/** Chains of one operator become one group. */
function joinPair(left: QueryNode, operator: 'and' | 'or' | 'not', right: QueryNode): QueryNode {
  const span = left.span === NOWHERE ? right.span : coverSpans(left.span, right.span);
  if (operator === 'not') return { ...build.not(left, right), span };
  if (left.kind === operator && left.id === 'open') return { ...left, items: [...left.items, right], span };
  return { ...build[operator](left, right), id: 'open', span };
}
