import { listChildren, type QueryNode } from '../../query';
import type { Reason } from '../profile';
import type { Rendering } from './writer';

/** A piece that a database cannot search, or not where it is asked for, and why. */
export interface LeftOut {
  readonly node: QueryNode;
  readonly reason: Reason | undefined;
}

/**
 * The pieces of a query by which the count of its rendering is off: members and exclusions that are left out, and
 * words whose fields cannot be searched. A rendering is `lacking` just if there are such.
 */
export function listLeftOut(root: QueryNode, { fidelity }: Pick<Rendering, 'fidelity'>): LeftOut[] {
  const found = new Set<QueryNode>();
  const visit = (node: QueryNode, isRequired: boolean): void => {
    const own = fidelity.get(node.id);
    if (!own) return;
    if (own.level === 'left-out') {
      if (isRequired || own.isLoss) found.add(node);
    } else if (node.kind === 'and') for (const item of node.items) visit(item, true);
    else if (node.kind === 'not') {
      visit(node.include, true);
      visit(node.exclude, false);
    } else if (own.reasons.some(({ code }) => code === 'field-missing' || code === 'field-widened'))
      found.add(node);
    // Sides that stand near each other are joined by AND where there is no proximity.
    else for (const child of listChildren(node)) visit(child, node.kind === 'near');
  };
  visit(root, true);
  return [...found].map((node) => ({ node, reason: findReason(node, fidelity) }));
}

function findReason(node: QueryNode, fidelity: Rendering['fidelity']): Reason | undefined {
  const reasons = fidelity.get(node.id)?.reasons ?? [];
  const own =
    reasons.find(({ code }) => code === 'field-missing' || code === 'field-widened') ??
    reasons.find(({ code }) => code !== 'member-left-out');
  if (own) return own;
  for (const child of listChildren(node)) {
    const inner = findReason(child, fidelity);
    if (inner) return inner;
  }
  return undefined;
}
