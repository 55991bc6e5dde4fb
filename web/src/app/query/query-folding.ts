import { codeFolding, foldGutter, foldKeymap, foldService } from '@codemirror/language';
import { keymap } from '@codemirror/view';
import { readTokens } from './document-tokens';

/** Folds a bracket that opens on a line and closes on a later one. */
const brackets = foldService.of((state, lineStart, lineEnd) => {
  const open: number[] = [];
  for (const token of readTokens(state.doc)) {
    const isOpening = token.kind === 'open' || token.kind === 'off-open' || token.kind === 'in-open';
    if (isOpening) open.push(token.end);
    if (token.kind !== 'close') continue;
    const start = open.pop();
    if (start === undefined || start < lineStart || start > lineEnd || token.start <= lineEnd) continue;
    return { from: start, to: token.start };
  }
  return null;
});

/** Folding of bracketed groups that reach over several lines. */
export const queryFolding = [
  brackets,
  codeFolding({ placeholderText: '…' }),
  foldGutter({ openText: '⌄', closedText: '›' }),
  keymap.of(foldKeymap),
];
