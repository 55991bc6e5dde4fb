import type { ProofRequest, ProofSwap } from '../contract';
import { writeQuery, type Dialect, type Reason, type Rendering, type WriteSettings } from '../dialect';
import { build, dropInactive, isLeaf, listNodes, printQuery, type Field, type QueryNode } from '../query';

/** A node whose rendering says that it does not mean the same, or only because forms were spelled out. */
export interface SuspectNode {
  readonly node: QueryNode;
  readonly reasons: readonly Reason[];
}

/** What is asked of a neutral index, and which nodes its answers are about. */
export interface ProofPlan {
  readonly request: ProofRequest;
  readonly suspects: readonly SuspectNode[];
}

/** Reasons that say only what became of a node's members. */
const FOLLOWING: readonly Reason['code'][] = ['member-left-out'];

/** The most nodes that are looked at alone. */
const MAX_SUSPECTS = 60;

/**
 * Plans the proof of a rendering, limiters apart: the whole, and each node with reasons of its own
 * written by itself, in the fields in which it stands. Blocks must have been expanded.
 */
export function planProof(
  root: QueryNode,
  dialect: Dialect,
  settings: WriteSettings = {},
): ProofPlan | undefined {
  const { limiters: _, ...plain } = settings;
  const active = dropInactive(root, dialect.id);
  if (!active) return undefined;
  const rendering = writeQuery(active, dialect, plain);
  if (rendering.problems.length > 0) return undefined;
  const contexts = describeContexts(active);
  const suspects: SuspectNode[] = [];
  const swaps: ProofSwap[] = [];
  for (const [place, node] of listNodes(active).entries()) {
    const reasons = findReasons(rendering, node);
    const context = contexts.get(node);
    if (reasons.length === 0 || !context || suspects.length >= MAX_SUSPECTS) continue;
    const swap = writeAlone(node, context, dialect, plain);
    if (!swap) continue;
    suspects.push({ node, reasons });
    swaps.push({ node: place, ...swap });
  }
  return {
    request: { query: printQuery(active), strings: rendering.parts.map(({ text }) => text), swaps },
    suspects,
  };
}

interface Context {
  readonly fields: readonly Field[] | undefined;
  /** What the node comes to for its surroundings when it is left out. */
  readonly leftOut: 'all' | 'none';
}

function findReasons({ fidelity }: Rendering, node: QueryNode): Reason[] {
  return (fidelity.get(node.id)?.reasons ?? []).filter((reason) => !FOLLOWING.includes(reason.code));
}

/** The node by itself: its strings, or what its absence comes to. Nothing if it cannot be written by itself. */
function writeAlone(
  node: QueryNode,
  { fields, leftOut }: Context,
  dialect: Dialect,
  settings: WriteSettings,
): Pick<ProofSwap, 'strings' | 'leftOut'> | undefined {
  const alone = writeQuery(fields ? build.fielded(fields, node) : node, dialect, settings);
  if (alone.parts.length > 0 && alone.problems.length === 0)
    return { strings: alone.parts.map(({ text }) => text) };
  return alone.parts.length === 0 ? { leftOut } : undefined;
}

function describeContexts(root: QueryNode): ReadonlyMap<QueryNode, Context> {
  const contexts = new Map<QueryNode, Context>();
  const visit = (node: QueryNode, context: Context): void => {
    contexts.set(node, context);
    if (isLeaf(node)) return;
    switch (node.kind) {
      case 'and':
        node.items.forEach((item) => visit(item, { ...context, leftOut: 'all' }));
        return;
      case 'or':
        node.items.forEach((item) => visit(item, { ...context, leftOut: 'none' }));
        return;
      case 'not':
        visit(node.include, { ...context, leftOut: 'none' });
        visit(node.exclude, { ...context, leftOut: 'none' });
        return;
      case 'fielded':
        visit(node.item, { ...context, fields: node.fields });
        return;
      case 'near':
      case 'off':
      case 'only':
        return;
    }
  };
  visit(root, { fields: undefined, leftOut: 'none' });
  return contexts;
}
