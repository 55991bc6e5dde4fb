/** What can be done with rows of the outline. */
export type RowCommand =
  | 'edit'
  | 'add'
  | 'beside'
  | 'build'
  | 'switch'
  | 'negate'
  | 'all'
  | 'any'
  | 'near'
  | 'unwrap'
  | 'closer'
  | 'wider'
  | 'order'
  | 'up'
  | 'down'
  | 'in'
  | 'out'
  | 'duplicate'
  | 'fields'
  | 'databases'
  | 'comment'
  | 'block'
  | 'copy'
  | 'cut'
  | 'paste'
  | 'remove';

/** A command as the menu of a row shows it. */
export interface RowCommandEntry {
  readonly command: RowCommand;
  readonly label: string;
  /** The keys, as people read them. */
  readonly keys: string;
  /** It begins a new part of the menu. */
  readonly isApart?: boolean;
  /** Terms of a concept take it, too. */
  readonly takesTerms?: boolean;
}

/** The menu of a row, in its order. */
export const ROW_COMMANDS: readonly RowCommandEntry[] = [
  { command: 'edit', label: 'Edit its text', keys: 'Enter', takesTerms: true },
  { command: 'add', label: 'Add a row below', keys: 'A' },
  { command: 'beside', label: 'Add a row beside it', keys: 'S' },
  { command: 'build', label: 'Build a row below…', keys: 'Shift+A' },
  { command: 'switch', label: 'Switch off or on', keys: 'Space', isApart: true, takesTerms: true },
  { command: 'negate', label: 'Exclude (NOT) or include', keys: 'N' },
  { command: 'fields', label: 'Fields…', keys: 'F' },
  { command: 'databases', label: 'Databases…', keys: 'M' },
  { command: 'comment', label: 'Comment…', keys: 'C' },
  { command: 'all', label: 'Group: all of', keys: '1', isApart: true },
  { command: 'any', label: 'Group: any of', keys: '2' },
  { command: 'near', label: 'Group: near each other', keys: '3' },
  { command: 'unwrap', label: 'Dissolve the group', keys: '0' },
  { command: 'closer', label: 'Proximity: one word closer', keys: '−' },
  { command: 'wider', label: 'Proximity: one word farther', keys: '+' },
  { command: 'order', label: 'Proximity: in this order, or either', keys: 'O' },
  { command: 'block', label: 'Make a block of it…', keys: 'B' },
  { command: 'up', label: 'Move up', keys: 'Alt+↑', isApart: true, takesTerms: true },
  { command: 'down', label: 'Move down', keys: 'Alt+↓', takesTerms: true },
  { command: 'in', label: 'Move into the group above', keys: 'Alt+→' },
  { command: 'out', label: 'Move out of its group', keys: 'Alt+←' },
  { command: 'duplicate', label: 'Duplicate', keys: 'D', isApart: true },
  { command: 'copy', label: 'Copy as query text', keys: 'Ctrl+C', takesTerms: true },
  { command: 'cut', label: 'Cut', keys: 'Ctrl+X' },
  { command: 'paste', label: 'Paste below', keys: 'Ctrl+V' },
  { command: 'remove', label: 'Remove', keys: 'Delete', takesTerms: true },
];

const ALT_KEYS: Readonly<Record<string, RowCommand>> = {
  ArrowUp: 'up',
  ArrowDown: 'down',
  ArrowRight: 'in',
  ArrowLeft: 'out',
  Delete: 'remove',
};
const PLAIN_KEYS: Readonly<Record<string, RowCommand>> = {
  Enter: 'edit',
  F2: 'edit',
  a: 'add',
  s: 'beside',
  A: 'build',
  ' ': 'switch',
  n: 'negate',
  f: 'fields',
  m: 'databases',
  c: 'comment',
  '1': 'all',
  '2': 'any',
  '3': 'near',
  '0': 'unwrap',
  '-': 'closer',
  '+': 'wider',
  o: 'order',
  b: 'block',
  d: 'duplicate',
  Delete: 'remove',
  Backspace: 'remove',
};

/** The command of a key pressed on a row. Copy, cut and paste come as events of the clipboard. */
export function findCommand(
  event: Pick<KeyboardEvent, 'key' | 'altKey' | 'ctrlKey' | 'metaKey'>,
): RowCommand | undefined {
  if (event.ctrlKey || event.metaKey) return event.key === '.' ? 'switch' : undefined;
  return event.altKey ? ALT_KEYS[event.key] : PLAIN_KEYS[event.key];
}
