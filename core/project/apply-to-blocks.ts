import { succeed, type Outcome } from '../problem';
import { parseQuery, splitTokens } from '../query';
import type { Change } from './change';
import { createBlockName, listBlockNames, mapQueryTexts, renameBlockInDraft } from './draft-text';
import type { Working } from './project';
import { refuseChange } from './refuse-change';

const BLOCK_CHANGES = [
  'add-block',
  'edit-block',
  'rename-block',
  'remove-block',
  'move-block',
] as const satisfies readonly Change['kind'][];

/** The changes that are made to named blocks. */
export type BlockChange = Extract<Change, { kind: (typeof BLOCK_CHANGES)[number] }>;

/** True for a change that is made to a named block. */
export function isBlockChange(change: Change): change is BlockChange {
  return (BLOCK_CHANGES as readonly string[]).includes(change.kind);
}

/** The most named blocks of a project. */
export const MAX_BLOCKS = 200;

/** Names are unique among concepts and blocks; what uses a block follows its name, and gets its text when it goes. */
export function applyToBlocks(working: Working, change: BlockChange): Outcome<Working> {
  const { blocks } = working;
  if (change.kind === 'add-block') return addBlock(working, change);
  const block = blocks.find((candidate) => candidate.id === change.id);
  if (!block) return refuseChange('This block is not there any more.');
  const others = blocks.filter((other) => other !== block);
  switch (change.kind) {
    case 'edit-block':
      return succeed({
        ...working,
        blocks: blocks.map((other) => (other === block ? { ...block, text: change.text } : other)),
      });
    case 'rename-block': {
      const name = createBlockName(change.name, listBlockNames({ ...working, blocks: others }));
      const renamed = blocks.map((other) => (other === block ? { ...block, name } : other));
      return succeed(
        mapQueryTexts({ ...working, blocks: renamed }, (text) => renameBlockInDraft(text, block.name, name)),
      );
    }
    case 'remove-block':
      return succeed(
        mapQueryTexts({ ...working, blocks: others }, (text) => putTextIn(text, block.name, block.text)),
      );
    case 'move-block':
      return succeed({ ...working, blocks: others.toSpliced(change.to, 0, block) });
  }
}

function addBlock(working: Working, change: BlockChange & { kind: 'add-block' }): Outcome<Working> {
  if (working.blocks.length >= MAX_BLOCKS) return refuseChange(`A project takes ${MAX_BLOCKS} blocks.`);
  const { block, where } = change;
  if (listBlockNames(working).includes(block.name))
    return refuseChange(`There is a block @${block.name} already.`);
  const blocks = [...working.blocks, block];
  if (!where) return succeed({ ...working, blocks });
  if (where.block === undefined) return succeed({ ...working, blocks, draft: where.text });
  return succeed({
    ...working,
    blocks: blocks.map((other) => (other.name === where.block ? { ...other, text: where.text } : other)),
  });
}

/** A text with the content of a block, in brackets, where its name stood. */
function putTextIn(text: string, name: string, content: string): string {
  const isGroup = !['term', 'phrase', 'heading', 'block'].includes(parseQuery(content).root.kind);
  const hasComment = splitTokens(content).some((token) => token.kind === 'comment');
  const piece = isGroup || hasComment ? `( ${content}${hasComment ? '\n' : ' '})` : content;
  return splitTokens(text)
    .filter((token) => token.kind === 'block' && token.name === name)
    .reverse()
    .reduce((done, token) => done.slice(0, token.start) + piece + done.slice(token.end), text);
}
