import { listNodes, type QueryNode } from '../query';
import type { Rendering } from './writer';

/**
 * The members of AND groups that a rendering goes without, though the group is written: what is counted
 * is then something wider than what is meant, and such a count stands beside no other one.
 */
export function listLeftOutMembers(root: QueryNode, { fidelity }: Pick<Rendering, 'fidelity'>): QueryNode[] {
  const isLeftOut = (node: QueryNode): boolean => fidelity.get(node.id)?.level === 'left-out';
  return listNodes(root).flatMap((node) =>
    node.kind === 'and' && !isLeftOut(node) ? node.items.filter(isLeftOut) : [],
  );
}
