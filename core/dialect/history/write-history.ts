import { dropInactive, mapChildren, type QueryNode } from '../../query';
import type { Dialect } from '../profile';
import { writeQuery, type Rendering, type WriteSettings } from '../write';

/** One of several searches that build on each other. */
export interface WrittenLine {
  readonly number: number;
  readonly rendering: Rendering;
  /** The block that it is; the last line has none. */
  readonly block?: string;
}

/**
 * Writes a query as numbered searches for a database that can refer to earlier ones: a line for each block,
 * and a last one that combines them and carries the limiters. A block inside a field or a nearness is written
 * where it stands; so is one that needs several strings. Blocks must have been expanded; nothing comes of a
 * dialect without references or of a query without blocks in it.
 */
export function writeHistory(
  root: QueryNode,
  dialect: Dialect,
  settings: WriteSettings = {},
): readonly WrittenLine[] {
  const { setReference } = dialect;
  const active = dropInactive(root, dialect.id);
  if (setReference === undefined || !active) return [];
  const { limiters: _, ...plain } = settings;
  const lines: WrittenLine[] = [];
  const references = new Map<string, string>();
  for (const { node, block } of listOuterBlocks(active)) {
    if (references.has(block)) continue;
    const rendering = writeQuery(node, dialect, plain);
    if (rendering.problems.length > 0 || rendering.parts.length !== 1) continue;
    const number = lines.length + 1;
    lines.push({ number, rendering, block });
    references.set(
      block,
      setReference.replace('{n}', () => String(number)),
    );
  }
  if (lines.length === 0) return [];
  const combined = putReferences(active, references);
  const rendering = writeQuery(combined, dialect, { ...settings, references });
  return [...lines, { number: lines.length + 1, rendering }];
}

/** The blocks of a query that are in no other one and in nothing that changes what they mean. */
function listOuterBlocks(node: QueryNode, isRoot = true): { node: QueryNode; block: string }[] {
  if (node.block !== undefined && !isRoot) return [{ node, block: node.block }];
  if (node.kind === 'and' || node.kind === 'or')
    return node.items.flatMap((item) => listOuterBlocks(item, false));
  if (node.kind === 'not')
    return [...listOuterBlocks(node.include, false), ...listOuterBlocks(node.exclude, false)];
  return [];
}

function putReferences(node: QueryNode, references: ReadonlyMap<string, string>): QueryNode {
  if (node.block !== undefined && references.has(node.block))
    return { kind: 'block', name: node.block, id: node.id, span: node.span, block: node.block };
  if (node.kind === 'fielded' || node.kind === 'near') return node;
  return mapChildren(node, (child) => putReferences(child, references));
}
