import { foldQuery, listChildren, parseQuery, type QueryNode } from '../query';
import { addBlockToDraft, bracketForJoining } from './draft-text';
import type { QueryState } from './project';

/** How the draft uses a concept. */
export type ConceptPlace =
  | { readonly kind: 'required' }
  | { readonly kind: 'excluded' }
  /** Either this concept or the one named will do. */
  | { readonly kind: 'alternative'; readonly to: string };

/** The place of a block as it stands in a draft; `elsewhere` is any use that no single word describes. */
export type FoundPlace =
  | { readonly kind: 'required' | 'excluded' | 'unused' | 'elsewhere' }
  | { readonly kind: 'alternative'; readonly to: readonly string[] };

/** How a draft uses a block. Read from the draft itself, so that the two never disagree. */
export function findPlace(draft: string, block: string): FoundPlace {
  const path = findPath(parseQuery(draft).root, block);
  if (!path) return { kind: 'unused' };
  let excluded = false;
  let siblings: readonly string[] | undefined;
  for (const [depth, node] of path.entries()) {
    const child = path[depth + 1];
    if (node.kind === 'not' && child === node.exclude) {
      if (excluded || siblings) return { kind: 'elsewhere' };
      excluded = true;
    } else if (node.kind === 'or') {
      const others = node.items.filter((item) => item !== child);
      if (siblings || !others.every((item) => item.kind === 'block')) return { kind: 'elsewhere' };
      siblings = others.map((item) => item.name);
    } else if (node.kind === 'and' && excluded) return { kind: 'elsewhere' };
    else if (!['and', 'not', 'block'].includes(node.kind)) return { kind: 'elsewhere' };
  }
  if (excluded) return { kind: 'excluded' };
  return siblings ? { kind: 'alternative', to: siblings } : { kind: 'required' };
}

/** How a query uses a block: in a place of its own, in other blocks, or only where it is switched off. */
export type BlockUse =
  | FoundPlace
  | { readonly kind: 'off' }
  /** The draft uses a named block that it is a piece of. */
  | { readonly kind: 'through'; readonly block: string };

/** How a draft and the blocks that it uses use a block. */
export function findUse({ draft, blocks }: Pick<QueryState, 'draft' | 'blocks'>, block: string): BlockUse {
  const root = parseQuery(draft).root;
  if (listActiveBlocks(root).includes(block)) return findPlace(draft, block);
  const through = listActiveBlocks(root).find((name) => isWithin(name, block, blocks, new Set()));
  if (through !== undefined) return { kind: 'through', block: through };
  return findPath(root, block) ? { kind: 'off' } : { kind: 'unused' };
}

/** True for a block that takes part in the query in some way. */
export function isInUse(state: Pick<QueryState, 'draft' | 'blocks'>, block: string): boolean {
  const { kind } = findUse(state, block);
  return kind !== 'unused' && kind !== 'off';
}

function isWithin(
  name: string,
  wanted: string,
  blocks: QueryState['blocks'],
  open: ReadonlySet<string>,
): boolean {
  const text = open.has(name) ? undefined : blocks.find((block) => block.name === name)?.text;
  if (text === undefined) return false;
  const inside = new Set(open).add(name);
  return listActiveBlocks(parseQuery(text).root).some(
    (inner) => inner === wanted || isWithin(inner, wanted, blocks, inside),
  );
}

function listActiveBlocks(root: QueryNode): readonly string[] {
  return foldQuery<readonly string[]>(root, (node, members) => {
    if (node.kind === 'off') return [];
    return node.kind === 'block' ? [node.name] : members.flat();
  });
}

/** A place as the draft says it: alternatives by the name of their block. */
export type BlockPlace =
  | { readonly kind: 'required' }
  | { readonly kind: 'excluded' }
  | { readonly kind: 'alternative'; readonly block: string };

/** The draft with a block put in a place; everything else in it stays as it was written. */
export function placeBlock(draft: string, block: string, place: BlockPlace): string {
  const rest = removeBlock(draft, block);
  if (place.kind === 'required') return addBlockToDraft(rest, block);
  if (place.kind === 'excluded') return bracketForJoining(rest, `NOT @${block}`);
  const path = findPath(parseQuery(rest).root, place.block);
  const sibling = path?.at(-1);
  if (!path || !sibling) return addBlockToDraft(rest, block);
  const { start, end } = sibling.span;
  const isFree = path.length === 1 || path.at(-2)?.kind === 'or';
  const joined = `${rest.slice(start, end)} OR @${block}`;
  return rest.slice(0, start) + (isFree ? joined : `(${joined})`) + rest.slice(end);
}

/** The draft without any use of a block that can be cut out; a use that NOT depends on stays. */
export function removeBlock(draft: string, block: string): string {
  let text = draft;
  for (let left = MAX_USES; left > 0; left--) {
    const path = findPath(parseQuery(text).root, block);
    const shorter = path && cutOut(text, path);
    if (shorter === undefined || shorter === text) return text;
    text = shorter;
  }
  return text;
}

const MAX_USES = 100;
const WRAPPERS: readonly QueryNode['kind'][] = ['fielded', 'off', 'only'];

/** The nodes from the root to the first use of a block. */
function findPath(root: QueryNode, block: string): QueryNode[] | undefined {
  if (root.kind === 'block') return root.name === block ? [root] : undefined;
  for (const child of listChildren(root)) {
    const path = findPath(child, block);
    if (path) return [root, ...path];
  }
  return undefined;
}

function cutOut(text: string, path: readonly QueryNode[]): string | undefined {
  let depth = path.length - 1;
  while (depth > 0 && WRAPPERS.includes(path[depth - 1]?.kind ?? 'empty')) depth--;
  const node = path[depth];
  const parent = path[depth - 1];
  if (!node) return undefined;
  if (!parent) return '';
  if (parent.kind === 'not') {
    return node === parent.exclude
      ? text.slice(0, parent.include.span.end) + text.slice(node.span.end)
      : undefined;
  }
  if (parent.kind !== 'and' && parent.kind !== 'or') return undefined;
  const at = parent.items.indexOf(node);
  const before = parent.items[at - 1];
  const after = parent.items[at + 1];
  const neighbour = before ?? after;
  if (!neighbour) return undefined;
  const hasBrackets = parent.span.start < (parent.items[0]?.span.start ?? 0);
  if (parent.items.length === 2 && hasBrackets) {
    const kept = text.slice(neighbour.span.start, neighbour.span.end);
    return text.slice(0, parent.span.start) + kept + text.slice(parent.span.end);
  }
  return before
    ? text.slice(0, before.span.end) + text.slice(node.span.end)
    : text.slice(0, node.span.start) + text.slice(after?.span.start);
}
