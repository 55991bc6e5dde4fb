import { listChildren, mapChildren, type QueryNode } from './node';
import { printPattern } from './pattern';

/**
 * Gives every node an id made of its content and, for equal pieces, its turn in the text. So an id
 * survives every edit that is made elsewhere, and survives printing and parsing.
 */
export function withIds(root: QueryNode): QueryNode {
  const seen = new Map<number, number>();
  const visit = (node: QueryNode): { node: QueryNode; mark: number } => {
    const marks: number[] = [];
    const inner = mapChildren(node, (child) => {
      const done = visit(child);
      marks.push(done.mark);
      return done.node;
    });
    const mark = hashText(`${describeShallow(node)}(${marks.join()})`);
    const turn = (seen.get(mark) ?? 0) + 1;
    seen.set(mark, turn);
    return { node: { ...inner, id: turn === 1 ? mark.toString(36) : `${mark.toString(36)}.${turn}` }, mark };
  };
  return visit(root).node;
}

/** True if the two trees mean the same letter by letter: ids, places and comments do not count. */
export function isSameQuery(a: QueryNode, b: QueryNode): boolean {
  if (describeShallow(a) !== describeShallow(b)) return false;
  const [inA, inB] = [listChildren(a), listChildren(b)];
  return inA.length === inB.length && inA.every((child, at) => {
    const other = inB[at];
    return other !== undefined && isSameQuery(child, other);
  });
}

function describeShallow(node: QueryNode): string {
  switch (node.kind) {
    case 'term':
      return `term ${printPattern(node.pattern)}`;
    case 'phrase':
      return `phrase ${node.words.map(printPattern).join(' ')}`;
    case 'heading':
      return `${node.scope} ${node.vocabulary ?? ''} ${node.label}`;
    case 'block':
      return `block ${node.name}`;
    case 'near':
      return `near ${node.distance} ${node.ordered}`;
    case 'fielded':
      return `fielded ${node.fields.join()}`;
    case 'only':
      return `only ${node.databases.join()}`;
    default:
      return node.kind;
  }
}

/** FNV-1a over UTF-16 units, widened to 52 bits so that equal marks of unequal pieces do not occur in practice. */
function hashText(text: string): number {
  let low = 0x811c9dc5;
  let high = 0x01000193;
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    low = Math.imul(low ^ code, 0x01000193) >>> 0;
    high = Math.imul(high ^ (code + at), 0x85ebca6b) >>> 0;
  }
  return low + (high & 0xfffff) * 0x1_0000_0000;
}
