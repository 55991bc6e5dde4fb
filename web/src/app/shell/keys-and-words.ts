/** One key, and what it does. */
export interface KeyEntry {
  readonly keys: string;
  readonly does: string;
}

/** The keys of one place. */
export interface KeyGroup {
  readonly place: string;
  readonly entries: readonly KeyEntry[];
}

/** The keys of all views but those of rows in Query, which are in the menu of a row. */
export const KEY_GROUPS: readonly KeyGroup[] = [
  {
    place: 'Everywhere',
    entries: [
      { keys: 'Ctrl+Z', does: 'Undo' },
      { keys: 'Ctrl+Shift+Z, Ctrl+Y', does: 'Redo' },
      { keys: '?', does: 'Show this list, where no text is typed' },
      { keys: 'Esc', does: 'Close what is open; in a field, take back what was typed' },
    ],
  },
  {
    place: 'Topic: words of the question',
    entries: [
      { keys: '← →', does: 'Go to the word before or after' },
      { keys: 'Space', does: 'Pick the word; with Shift and an arrow, several' },
      { keys: 'Enter', does: 'Make a concept of the picked words' },
      { keys: 'A to L', does: 'Add the picked words to the concept of that letter' },
    ],
  },
  {
    place: 'Topic: terms',
    entries: [
      { keys: '↑ ↓', does: 'Go to the term above or below' },
      { keys: 'Tab', does: 'Go to the concept beside it' },
      { keys: 'Enter', does: 'Keep the term and go on' },
      { keys: 'Alt+Enter', does: 'Kind, databases and note of the term' },
      { keys: 'Ctrl+Enter', does: 'Show the records that the term finds' },
      { keys: 'Alt+arrows', does: 'Move the term, also to another concept' },
      { keys: 'Ctrl+.', does: 'Switch the term off or on' },
      { keys: 'Alt+Shift+E', does: 'Endings: where to cut the word' },
      { keys: 'Alt+Delete', does: 'Remove the term' },
    ],
  },
  {
    place: 'Topic: suggestions',
    entries: [
      { keys: '↑ ↓', does: 'Go to the suggestion above or below' },
      { keys: 'Enter', does: 'Add the suggestion to the concept' },
      { keys: 'Delete', does: 'Do not show it again' },
    ],
  },
  {
    place: 'Query: text',
    entries: [
      { keys: 'Ctrl+Space', does: 'Complete the word at the caret' },
      { keys: 'Shift+Alt+F', does: 'Lay the text out' },
      { keys: 'F2', does: 'Rename the block at the caret' },
    ],
  },
  {
    place: 'Read',
    entries: [
      { keys: '↑ ↓', does: 'Go to the record above or below, in the list' },
      { keys: 'Y, N, U', does: 'Judge the record: on topic, off topic, not sure' },
    ],
  },
  {
    place: 'Compare',
    entries: [
      { keys: 'F', does: 'On a row of the variants: freeze the draft as a variant' },
      { keys: 'N', does: 'On a row of the variants: open it as a new draft' },
      { keys: 'C', does: 'On a row of the variants: compare the others with it' },
      { keys: 'Y, N, U', does: 'On a record of a sample: on topic, off topic, not sure' },
      { keys: 'B', does: 'In Swap: apply the best alternative' },
      { keys: 'F', does: 'On an alternative in Swap: apply it and freeze it as a variant' },
    ],
  },
];

/** The words that are used in a sense of Ewer’s own. */
export const OWN_WORDS: readonly { readonly word: string; readonly means: string }[] = [
  { word: 'draft', means: 'the query that you are working on' },
  { word: 'freeze', means: 'keep the query, its concepts, limiters and counts as they are now' },
  { word: 'variant', means: 'what was frozen: a state of the query to compare with, or to return to' },
  {
    word: 'target band',
    means: 'how many results you want to read from a database, from at least to at most',
  },
  { word: 'must-find', means: 'a record that you know and that a good query has to find' },
  { word: 'block', means: 'a part of the query with a name; @name stands for it' },
];
