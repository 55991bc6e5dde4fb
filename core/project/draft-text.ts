import { parseQuery, splitTokens } from '../query';
import { foldLetters, splitWords } from '../text';
import type { Working } from './project';

/** The draft with a block ANDed to it; what is there is bracketed where that keeps its meaning. */
export function addBlockToDraft(draft: string, block: string): string {
  if (splitTokens(draft).every((token) => token.kind === 'comment'))
    return `${draft}${draft.trim() === '' ? '' : '\n'}@${block}`;
  return bracketForJoining(draft, `AND @${block}`);
}

/** A draft with an operator and its operand behind it, bracketed first if it is an OR. */
export function bracketForJoining(draft: string, addition: string): string {
  const { root } = parseQuery(draft);
  const joins = root.kind === 'or' ? `(${draft.trim()})` : draft.trimEnd();
  const line = hasCommentAtEnd(draft) ? '\n' : ' ';
  return `${joins}${line}${addition}`;
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

/** The names that blocks of a project have. */
export function listBlockNames({ concepts, blocks }: Pick<Working, 'concepts' | 'blocks'>): string[] {
  return [...concepts.map((concept) => concept.block), ...blocks.map((block) => block.name)];
}

/** The same change made to the draft and to the text of every named block. */
export function mapQueryTexts(working: Working, change: (text: string) => string): Working {
  const blocks = working.blocks.map((block) => {
    const text = change(block.text);
    return text === block.text ? block : { ...block, text };
  });
  return { ...working, draft: change(working.draft), blocks };
}

function hasCommentAtEnd(draft: string): boolean {
  return splitTokens(draft).at(-1)?.kind === 'comment';
}
