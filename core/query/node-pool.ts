import { NOWHERE } from '../text';
import { describeShallow } from './identity';
import { listChildren, mapChildren, type QueryNode } from './node';

/** Hands out one node for all equal ones; see `createNodePool`. */
export type NodePool = (node: QueryNode) => QueryNode;

/** More nodes than this are forgotten and begun anew. */
const MAX_NODES = 50_000;

/**
 * A pool in which equal pieces of queries are one and the same value, whatever text they came from: so
 * that what was written or counted for a piece is known again after an edit elsewhere. Comments and
 * places in the text are not kept.
 */
export function createNodePool(): NodePool {
  const known = new Map<string, QueryNode>();
  const pooled = (node: QueryNode): QueryNode => {
    const bare = mapChildren(node, pooled);
    const inner = listChildren(bare).map((child) => child.id);
    const key = `${describeShallow(bare)}\n${bare.block ?? ''}\n${inner.join(' ')}`;
    const found = known.get(key);
    if (found) return found;
    const { comments: _, ...rest } = bare;
    const made: QueryNode = { ...rest, id: `p${known.size}`, span: NOWHERE };
    known.set(key, made);
    return made;
  };
  return (node) => {
    if (known.size > MAX_NODES) known.clear();
    return pooled(node);
  };
}
