import type { PhraseFallback } from '../dialect';
import type { Limiters } from '../limiter';
import type { Field } from '../query';
import type { ConceptPlace } from './concept-place';
import type { DocumentWords, LogNote, PlainSource, Run } from './documented';
import type { KeptWork } from './kept-work';
import type {
  AsideLook,
  ContextWordChoice,
  FramedQuestion,
  Judgement,
  Lead,
  WorkRequest,
  KeptState,
  MustFind,
  NamedBlock,
  OwnDatabase,
  Purpose,
  ReviewMark,
  SourceRules,
  Tally,
  TargetBand,
  Term,
  Variant,
  Working,
} from './project';

/**
 * Everything that can happen to a project. Ids and moments are made outside and handed in, so that
 * the same changes always give the same project.
 */
export type Change =
  | { readonly kind: 'rename-project'; readonly name: string }
  | { readonly kind: 'set-question'; readonly question: string }
  | { readonly kind: 'set-frame'; readonly frame: FramedQuestion | undefined }
  | { readonly kind: 'set-purpose'; readonly purpose: Purpose }
  | { readonly kind: 'set-rules'; readonly rules: SourceRules }
  /** Makes the limiters and the target bands of all chosen databases what the rules say. */
  | { readonly kind: 'apply-rules' }
  | { readonly kind: 'set-context-words'; readonly contextWords: ContextWordChoice }
  | {
      readonly kind: 'add-concept';
      readonly id: string;
      readonly name: string;
      readonly terms?: readonly Term[];
    }
  | { readonly kind: 'rename-concept'; readonly id: string; readonly name: string }
  | { readonly kind: 'remove-concept'; readonly id: string }
  | { readonly kind: 'move-concept'; readonly id: string; readonly to: number }
  | { readonly kind: 'switch-concept'; readonly id: string; readonly off: boolean }
  | { readonly kind: 'note-concept'; readonly id: string; readonly note: string }
  /** No fields: the default ones. */
  | { readonly kind: 'set-concept-fields'; readonly id: string; readonly fields: readonly Field[] }
  | { readonly kind: 'place-concept'; readonly id: string; readonly place: ConceptPlace }
  /** The terms named become a concept of their own, right behind the old one. */
  | {
      readonly kind: 'split-concept';
      readonly id: string;
      readonly newId: string;
      readonly name: string;
      readonly terms: readonly string[];
      readonly isAlternative: boolean;
    }
  /** The terms go over, without those that are there already; the concept goes. */
  | { readonly kind: 'merge-concepts'; readonly id: string; readonly into: string }
  | { readonly kind: 'dismiss-suggestion'; readonly concept: string; readonly key: string }
  | { readonly kind: 'recall-suggestions'; readonly concept: string }
  /** Terms for several concepts at once; a concept that is not there is made under its name. */
  | {
      readonly kind: 'add-columns';
      readonly columns: readonly {
        readonly concept: string;
        readonly name: string;
        readonly terms: readonly Term[];
      }[];
    }
  /** `at` is the place of the first new term; at the end without it. */
  | {
      readonly kind: 'add-terms';
      readonly concept: string;
      readonly terms: readonly Term[];
      readonly at?: number;
    }
  | { readonly kind: 'edit-term'; readonly id: string; readonly text: string }
  /** As `edit-term`, while the person types: all that is typed, and the edit that ends it, is one step. */
  | { readonly kind: 'type-term'; readonly id: string; readonly text: string }
  /** Everything about a term but its id and whether it is off. */
  | { readonly kind: 'describe-term'; readonly id: string; readonly term: Omit<Term, 'id' | 'off'> }
  /** Other terms take the place of one. */
  | { readonly kind: 'replace-term'; readonly id: string; readonly terms: readonly Term[] }
  | { readonly kind: 'switch-term'; readonly id: string; readonly off: boolean }
  | { readonly kind: 'remove-terms'; readonly ids: readonly string[] }
  | { readonly kind: 'move-term'; readonly id: string; readonly concept: string; readonly to: number }
  | { readonly kind: 'set-draft'; readonly text: string }
  /** As `set-draft`, as a step of its own, not as a part of typing. */
  | { readonly kind: 'rewrite-draft'; readonly text: string }
  /** A piece of the query gets a name; `where` is the text that it was taken from, with the name in it. */
  | {
      readonly kind: 'add-block';
      readonly block: NamedBlock;
      readonly where?: { readonly block?: string; readonly text: string };
    }
  | { readonly kind: 'edit-block'; readonly id: string; readonly text: string }
  /** The new name is used wherever the old one was. */
  | { readonly kind: 'rename-block'; readonly id: string; readonly name: string }
  /** Its text takes its place wherever it is used. */
  | { readonly kind: 'remove-block'; readonly id: string }
  | { readonly kind: 'move-block'; readonly id: string; readonly to: number }
  /** Several changes as one step: all are made, or none. */
  | {
      readonly kind: 'compound';
      readonly changes: readonly Change[];
      /** What it is called for undo; without it, as its last part. */
      readonly as?: Change['kind'];
    }
  /** Goes back to a state that the draft had before. */
  | { readonly kind: 'return-to'; readonly working: Working }
  | { readonly kind: 'set-limiters'; readonly limiters: Limiters }
  | { readonly kind: 'choose-databases'; readonly databases: readonly string[] }
  /** Adds a database of one's own, or puts it in the place of the one with its short name. */
  | { readonly kind: 'keep-own-database'; readonly database: OwnDatabase }
  | { readonly kind: 'remove-own-database'; readonly id: string }
  /** Why a database was chosen or left out. */
  | { readonly kind: 'note-database'; readonly database: string; readonly reason: string }
  /** No way: as the dialect says. */
  | {
      readonly kind: 'choose-phrase-way';
      readonly database: string;
      readonly way: PhraseFallback | undefined;
    }
  | { readonly kind: 'set-band'; readonly database: string; readonly band: TargetBand }
  /** Takes back all of a variant's frozen state as the draft. */
  | { readonly kind: 'open-variant'; readonly id: string }
  | { readonly kind: 'freeze-variant'; readonly variant: Variant; readonly tallies: readonly Tally[] }
  | { readonly kind: 'rename-variant'; readonly id: string; readonly name: string; readonly note: string }
  /** What was made from it counts as made from what it was made from. */
  | { readonly kind: 'remove-variant'; readonly id: string }
  /** Puts a removed variant back into its place, with those that were made from it. */
  | {
      readonly kind: 'restore-variant';
      readonly variant: Variant;
      readonly at: number;
      readonly children: readonly string[];
    }
  | { readonly kind: 'compare-with'; readonly id: string | undefined }
  /** Counts that are kept, with the state of the draft that they belong to. */
  | { readonly kind: 'keep-tallies'; readonly tallies: readonly Tally[]; readonly state?: KeptState }
  | { readonly kind: 'remove-tally'; readonly id: string }
  | { readonly kind: 'add-must-finds'; readonly mustFinds: readonly MustFind[] }
  | { readonly kind: 'remove-must-finds'; readonly ids: readonly string[] }
  /** These are put aside and no others; none brings all back. */
  | { readonly kind: 'put-must-finds-aside'; readonly ids: readonly string[] }
  | { readonly kind: 'note-aside-look'; readonly look: AsideLook }
  /** No judgement: what was said of the record is taken back. */
  | { readonly kind: 'judge-record'; readonly record: string; readonly judgement: Judgement | undefined }
  /** A lead that is new, or one that is there, changed. */
  | { readonly kind: 'keep-lead'; readonly lead: Lead }
  | { readonly kind: 'remove-lead'; readonly id: string }
  /** Works that are there are changed in their places; new ones come at `at`, or at the end. */
  | { readonly kind: 'keep-works'; readonly works: readonly KeptWork[]; readonly at?: number }
  | { readonly kind: 'remove-kept'; readonly ids: readonly string[] }
  /** Whether two records are of one work, by `createPairKey`; no answer: they are asked about again. */
  | { readonly kind: 'answer-same-work'; readonly pair: string; readonly isSame: boolean | undefined }
  /** No request: it is forgotten that the work was asked for. */
  | { readonly kind: 'note-request'; readonly record: string; readonly request: WorkRequest | undefined }
  /** No mark: what was said of the point is taken back. */
  | { readonly kind: 'mark-review'; readonly key: string; readonly mark: ReviewMark | undefined }
  /** A note that is new, or one that is there, changed. */
  | { readonly kind: 'keep-note'; readonly note: LogNote }
  | { readonly kind: 'remove-note'; readonly id: string }
  /** A source without a string that is new, or one that is there, changed. */
  | { readonly kind: 'keep-source'; readonly source: PlainSource }
  | { readonly kind: 'remove-source'; readonly id: string }
  /** A run that is new, with its counts, or one that is there, changed. */
  | { readonly kind: 'keep-run'; readonly run: Run; readonly tallies: readonly Tally[] }
  /** Its counts stay. */
  | { readonly kind: 'remove-run'; readonly id: string }
  | { readonly kind: 'write-document'; readonly words: DocumentWords };

const UNDOABLE_KINDS = [
  'set-question',
  'set-frame',
  'set-purpose',
  'set-rules',
  'apply-rules',
  'set-context-words',
  'note-concept',
  'set-concept-fields',
  'place-concept',
  'split-concept',
  'merge-concepts',
  'dismiss-suggestion',
  'recall-suggestions',
  'add-columns',
  'describe-term',
  'replace-term',
  'add-concept',
  'rename-concept',
  'remove-concept',
  'move-concept',
  'switch-concept',
  'add-terms',
  'edit-term',
  'type-term',
  'switch-term',
  'remove-terms',
  'move-term',
  'set-draft',
  'rewrite-draft',
  'add-block',
  'edit-block',
  'rename-block',
  'remove-block',
  'move-block',
  'compound',
  'return-to',
  'set-limiters',
  'choose-databases',
  'keep-own-database',
  'remove-own-database',
  'note-database',
  'choose-phrase-way',
  'set-band',
  'open-variant',
] as const satisfies readonly Change['kind'][];
const UNDOABLE: ReadonlySet<string> = new Set(UNDOABLE_KINDS);

/** The changes that undo and redo go through. */
export type UndoableChange = Extract<Change, { kind: (typeof UNDOABLE_KINDS)[number] }>;
/** The changes that only add, or are taken back on their own. */
export type LastingChange = Exclude<Change, UndoableChange>;

/** True for a change that undo takes back. */
export function isUndoable(change: Change): change is UndoableChange {
  return UNDOABLE.has(change.kind);
}

/** The kind under whose name undo offers a change: one that is made of several is called after one of them. */
export function findStepKind(change: Change): Change['kind'] {
  if (change.kind === 'type-term') return 'edit-term';
  if (change.kind !== 'compound') return change.kind;
  const last = change.changes.at(-1);
  return change.as ?? (last ? findStepKind(last) : 'compound');
}

/** A change in words, for the undo button and the log. */
export const CHANGE_NAMES: Readonly<Record<Change['kind'], string>> = {
  'rename-project': 'Rename the project',
  'set-question': 'Edit the question',
  'set-frame': 'Frame the question',
  'set-purpose': 'Choose the purpose',
  'set-rules': 'Edit the rules for sources',
  'apply-rules': 'Apply the rules for sources',
  'set-context-words': 'Choose context words',
  'note-concept': 'Edit the note of a concept',
  'set-concept-fields': 'Choose the fields of a concept',
  'place-concept': 'Place a concept',
  'split-concept': 'Split a concept',
  'merge-concepts': 'Merge two concepts',
  'dismiss-suggestion': 'Dismiss a suggestion',
  'recall-suggestions': 'Bring back suggestions',
  'add-columns': 'Add a table of terms',
  'describe-term': 'Describe a term',
  'replace-term': 'Replace a term',
  'add-concept': 'Add a concept',
  'rename-concept': 'Rename a concept',
  'remove-concept': 'Remove a concept',
  'move-concept': 'Move a concept',
  'switch-concept': 'Switch a concept',
  'add-terms': 'Add terms',
  'edit-term': 'Edit a term',
  'type-term': 'Edit a term',
  'switch-term': 'Switch a term',
  'remove-terms': 'Remove terms',
  'move-term': 'Move a term',
  'set-draft': 'Edit the query',
  'rewrite-draft': 'Edit the outline',
  'add-block': 'Make a block',
  'edit-block': 'Edit a block',
  'rename-block': 'Rename a block',
  'remove-block': 'Remove a block',
  'move-block': 'Move a block',
  compound: 'Mend the query',
  'return-to': 'Return to an earlier state',
  'set-limiters': 'Change the limiters',
  'choose-databases': 'Choose databases',
  'keep-own-database': 'Add or change a database of your own',
  'remove-own-database': 'Remove a database of your own',
  'note-database': 'Note why a database is searched',
  'choose-phrase-way': 'Choose how cut phrases are written',
  'set-band': 'Set a target band',
  'open-variant': 'Open a variant',
  'freeze-variant': 'Freeze a variant',
  'rename-variant': 'Rename a variant',
  'remove-variant': 'Remove a variant',
  'restore-variant': 'Bring back a variant',
  'compare-with': 'Compare with a variant',
  'keep-tallies': 'Keep counts',
  'remove-tally': 'Remove a kept count',
  'add-must-finds': 'Add must-finds',
  'remove-must-finds': 'Remove must-finds',
  'put-must-finds-aside': 'Put must-finds aside',
  'note-aside-look': 'Look at the must-finds that are put aside',
  'judge-record': 'Judge a record',
  'keep-lead': 'Keep a lead',
  'remove-lead': 'Remove a lead',
  'note-request': 'Ask for a work',
  'keep-works': 'Keep works',
  'remove-kept': 'Take works off the shelf',
  'answer-same-work': 'Tell works apart',
  'mark-review': 'Remark on the report',
  'keep-note': 'Write a note',
  'remove-note': 'Remove a note',
  'keep-source': 'Note a source without a string',
  'remove-source': 'Remove a source without a string',
  'keep-run': 'Keep a run',
  'remove-run': 'Remove a run',
  'write-document': 'Write in the documented search',
};
