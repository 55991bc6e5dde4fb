import { parseQuery, splitTokens, type QueryNode } from '../query';
import { foldLetters, splitWords } from '../text';

/** The draft with a block ANDed to it; what is there is bracketed where that keeps its meaning. */
export function addBlockToDraft(draft: string, block: string): string {
  if (splitTokens(draft).every((token) => token.kind === 'comment'))
    return `${draft}${draft.trim() === '' ? '' : '\n'}@${block}`;
  const { root } = parseQuery(draft);
  const joins = root.kind === 'or' ? `(${draft.trim()})` : draft.trimEnd();
  const line = hasCommentAtEnd(draft) ? '\n' : ' ';
  return `${joins}${line}AND @${block}`;
}

/** The draft without a block, if the block stands as a member of its top level; else as it was. */
export function removeBlockFromDraft(draft: string, block: string): string {
  const { root } = parseQuery(draft);
  const isBlock = (node: QueryNode): boolean => node.kind === 'block' && node.name === block;
  if (isBlock(root)) return '';
  if (root.kind !== 'and' && root.kind !== 'or') return draft;
  const at = root.items.findIndex(isBlock);
  const node = root.items[at];
  if (!node) return draft;
  const before = root.items[at - 1];
  const after = root.items[at + 1];
  if (before) return draft.slice(0, before.span.end) + draft.slice(node.span.end);
  return after ? draft.slice(0, node.span.start) + draft.slice(after.span.start) : draft;
}

/** The draft with every use of a block under its new name. */
export function renameBlockInDraft(draft: string, from: string, to: string): string {
  return splitTokens(draft)
    .filter((token) => token.kind === 'block' && token.name === from)
    .reverse()
    .reduce((text, token) => `${text.slice(0, token.start)}@${to}${text.slice(token.end)}`, draft);
}

/** A name for a block made from a concept's name, different from those taken. */
export function createBlockName(name: string, taken: readonly string[]): string {
  const words = splitWords(foldLetters(name)).map((word) => word.text);
  const base = words.slice(0, 3).join('-') || 'concept';
  let block = base;
  for (let number = 2; taken.includes(block); number++) block = `${base}-${number}`;
  return block;
}

function hasCommentAtEnd(draft: string): boolean {
  return splitTokens(draft).at(-1)?.kind === 'comment';
}
