import { foldQuery, listChildren, mapChildren, type QueryNode } from './node';
import { printPattern } from './pattern';

/**
 * Gives every node an id made of its content and, for equal pieces, its occurrence in the text. So an id
 * survives every edit that is made elsewhere, and survives printing and parsing.
 */
export function withIds(root: QueryNode): QueryNode {
  const copy = (node: QueryNode): QueryNode => ({ ...mapChildren(node, copy) });
  return assignIds(copy(root));
}

/** As `withIds`, on a tree that is not shared yet: the ids are written into it. */
export function assignIds(root: QueryNode): QueryNode {
  const seen = new Map<number, number>();
  foldQuery<number>(root, (node: { id: string } & QueryNode, members) => {
    const mark = members.reduce(mixMarks, markShallow(node));
    const occurrence = (seen.get(mark) ?? 0) + 1;
    seen.set(mark, occurrence);
    node.id = occurrence === 1 ? `n${mark}` : `n${mark}.${occurrence}`;
    return mark;
  });
  return root;
}

/** True if the two trees mean the same letter by letter: ids, places and comments do not count. */
export function isSameQuery(a: QueryNode, b: QueryNode): boolean {
  if (describeShallow(a) !== describeShallow(b)) return false;
  const [inA, inB] = [listChildren(a), listChildren(b)];
  return (
    inA.length === inB.length &&
    inA.every((child, at) => {
      const other = inB[at];
      return other !== undefined && isSameQuery(child, other);
    })
  );
}

/** A node without its members, as a line. */
export function describeShallow(node: QueryNode): string {
  switch (node.kind) {
    case 'term':
      return `term ${printPattern(node.pattern)}`;
    case 'phrase':
      return `phrase ${node.words.map(printPattern).join(' ')}`;
    case 'heading':
      return `${node.scope} ${node.vocabulary ?? ''} ${node.label}${node.qualifier === undefined ? '' : ` / ${node.qualifier}`}`;
    case 'range':
      return `${node.property} ${node.from ?? ''}..${node.to ?? ''}`;
    case 'value':
      return `${node.property} ${node.value}`;
    case 'block':
      return `block ${node.name}`;
    case 'near':
      return `near ${node.distance} ${node.ordered}`;
    case 'fielded':
      return `fielded ${node.fields.join()}`;
    case 'only':
      return `only ${node.databases.join()}`;
    case 'and':
    case 'or':
    case 'not':
    case 'off':
    case 'empty':
      return node.kind;
  }
}

const START = 0x811c9dc5;
const FACTOR = 0x01000193;

/** As a mark of `describeShallow`, without making its text for plain words, of which there are most. */
function markShallow(node: QueryNode): number {
  const [only] = node.kind === 'term' ? node.pattern : [];
  if (node.kind === 'term' && node.pattern.length === 1 && only?.kind === 'letters')
    return hashText(TERM_START, only.text);
  if (node.kind === 'and') return AND_MARK;
  return node.kind === 'or' ? OR_MARK : hashText(START, describeShallow(node));
}

/** FNV-1a over UTF-16 units. Unequal pieces of one mark still get ids of their own, by their occurrence. */
function hashText(start: number, text: string): number {
  let mark = start;
  for (let at = 0; at < text.length; at++) mark = Math.imul(mark ^ text.charCodeAt(at), FACTOR);
  return mark >>> 0;
}

function mixMarks(mark: number, inner: number): number {
  return (Math.imul(Math.imul(mark, 31) ^ inner, FACTOR) ^ (mark >>> 15)) >>> 0;
}

const TERM_START = hashText(START, 'term ');
const AND_MARK = hashText(START, 'and');
const OR_MARK = hashText(START, 'or');
