import { say } from '../words/say';
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
  {
    command: 'edit',
    get label() {
      return say('query.editItsText');
    },
    keys: 'Enter',
    takesTerms: true,
  },
  {
    command: 'add',
    get label() {
      return say('query.addARowBelow');
    },
    keys: 'A',
  },
  {
    command: 'beside',
    get label() {
      return say('query.addARowBesideIt');
    },
    keys: 'S',
  },
  {
    command: 'build',
    get label() {
      return say('query.buildARowBelow');
    },
    keys: 'Shift+A',
  },
  {
    command: 'switch',
    get label() {
      return say('query.switchOffOrOn');
    },
    keys: 'Space',
    isApart: true,
    takesTerms: true,
  },
  {
    command: 'negate',
    get label() {
      return say('query.excludeNotOrInclude');
    },
    keys: 'N',
  },
  {
    command: 'fields',
    get label() {
      return say('query.fieldsDots');
    },
    keys: 'F',
  },
  {
    command: 'databases',
    get label() {
      return say('query.databases');
    },
    keys: 'M',
  },
  {
    command: 'comment',
    get label() {
      return say('query.commentDots');
    },
    keys: 'C',
  },
  {
    command: 'all',
    get label() {
      return say('query.groupAllOf');
    },
    keys: '1',
    isApart: true,
  },
  {
    command: 'any',
    get label() {
      return say('query.groupAnyOf');
    },
    keys: '2',
  },
  {
    command: 'near',
    get label() {
      return say('query.groupNearEachOther');
    },
    keys: '3',
  },
  {
    command: 'unwrap',
    get label() {
      return say('query.dissolveTheGroup');
    },
    keys: '0',
  },
  {
    command: 'closer',
    get label() {
      return say('query.proximityOneWordCloser');
    },
    keys: '−',
  },
  {
    command: 'wider',
    get label() {
      return say('query.proximityOneWordFarther');
    },
    keys: '+',
  },
  {
    command: 'order',
    get label() {
      return say('query.proximityInThisOrder');
    },
    keys: 'O',
  },
  {
    command: 'block',
    get label() {
      return say('query.makeABlockOfItDots');
    },
    keys: 'B',
  },
  {
    command: 'up',
    get label() {
      return say('shared.moveUp');
    },
    keys: 'Alt+↑',
    isApart: true,
    takesTerms: true,
  },
  {
    command: 'down',
    get label() {
      return say('shared.moveDown');
    },
    keys: 'Alt+↓',
    takesTerms: true,
  },
  {
    command: 'in',
    get label() {
      return say('query.moveIntoTheGroupAbove');
    },
    keys: 'Alt+→',
  },
  {
    command: 'out',
    get label() {
      return say('query.moveOutOfItsGroup');
    },
    keys: 'Alt+←',
  },
  {
    command: 'duplicate',
    get label() {
      return say('shared.duplicate');
    },
    keys: 'D',
    isApart: true,
  },
  {
    command: 'copy',
    get label() {
      return say('query.copyAsQueryText');
    },
    keys: 'Ctrl+C',
    takesTerms: true,
  },
  {
    command: 'cut',
    get label() {
      return say('shared.cut');
    },
    keys: 'Ctrl+X',
  },
  {
    command: 'paste',
    get label() {
      return say('query.pasteBelow');
    },
    keys: 'Ctrl+V',
  },
  {
    command: 'remove',
    get label() {
      return say('shared.remove');
    },
    keys: 'Delete',
    takesTerms: true,
  },
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
