import type { MessageKey } from '../words/message-key';
import { say } from '../words/say';
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

const key = (keys: string, does: MessageKey): KeyEntry => ({
  keys,
  get does() {
    return say(does);
  },
});
const group = (place: MessageKey, entries: readonly KeyEntry[]): KeyGroup => ({
  get place() {
    return say(place);
  },
  entries,
});

/** The keys of all views but those of rows in Query, which are in the menu of a row. */
export const KEY_GROUPS: readonly KeyGroup[] = [
  group('shell.everywhere', [
    key('Ctrl+Z', 'shared.undo'),
    key('Ctrl+Shift+Z, Ctrl+Y', 'shell.redoLabel'),
    key('?', 'shell.showThisList'),
    key('Esc', 'shell.closeWhatIsOpen'),
  ]),
  group('shell.topicWordsOfTheQuestion', [
    key('← →', 'shell.goToTheWordBefore'),
    key('Space', 'shell.pickTheWordWithShift'),
    key('Enter', 'shell.makeAConcept'),
    key('A to L', 'shell.addThePickedWords'),
  ]),
  group('shell.topicTerms', [
    key('↑ ↓', 'shell.goToTheTermAbove'),
    key('Tab', 'shell.goToTheConceptBeside'),
    key('Enter', 'shell.keepTheTermAndGo'),
    key('Alt+Enter', 'shell.kindDatabasesAndNote'),
    key('Ctrl+Enter', 'shell.showTheRecords'),
    key('Alt+arrows', 'shell.moveTheTermAlso'),
    key('Ctrl+.', 'shell.switchTheTermOff'),
    key('Alt+Shift+E', 'shell.endingsWhereToCut'),
    key('Alt+Delete', 'shell.removeTheTerm'),
  ]),
  group('shell.topicSuggestions', [
    key('↑ ↓', 'shell.goToTheSuggestionAbove'),
    key('Enter', 'shell.addTheSuggestion'),
    key('Delete', 'shell.doNotShowItAgain'),
  ]),
  group('shell.queryText', [
    key('Ctrl+Space', 'shell.completeTheWord'),
    key('Shift+Alt+F', 'shell.layTheTextOut'),
    key('F2', 'shell.renameTheBlock'),
  ]),
  group('shell.read', [
    key('↑ ↓', 'shell.goToTheRecordAbove'),
    key('Y, N, U', 'shell.judgeTheRecordOnTopic'),
    key('S', 'shell.keepTheWork'),
    key('M', 'shell.makeTheRecordAMustFind'),
    key('F', 'shell.followItsCitations'),
  ]),
  group('shell.compare', [
    key('F', 'shell.onARowOfTheVariants'),
    key('N', 'shell.onARowOfTheVariantsOpen'),
    key('C', 'shell.onARow'),
    key('Y, N, U', 'shell.onARecord'),
    key('B', 'shell.inSwapApplyTheBest'),
    key('F', 'shell.onAnAlternativeInSwap'),
  ]),
];

const word = (name: MessageKey, means: MessageKey): { readonly word: string; readonly means: string } => ({
  get word() {
    return say(name);
  },
  get means() {
    return say(means);
  },
});

/** The words that are used in a sense of Ewer’s own. */
export const OWN_WORDS: readonly { readonly word: string; readonly means: string }[] = [
  word('shell.draftWords', 'shell.theQueryThatYouAreWorking'),
  word('shell.freeze', 'shell.keepTheQueryItsConcepts'),
  word('shell.variant', 'shell.whatWasFrozenAState'),
  word('shell.targetBandWords', 'shell.howManyResultsYouWant'),
  word('shell.mustFind', 'shell.aRecordThatYouKnow'),
  word('shell.block', 'shell.aPartOfTheQuery'),
];
