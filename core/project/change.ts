import type { Limiters } from '../dialect';
import type { Tally, TargetBand, Term, Variant } from './project';

/**
 * Everything that can happen to a project. Ids and moments are made outside and handed in, so that
 * the same changes always give the same project.
 */
export type Change =
  | { readonly kind: 'rename-project'; readonly name: string }
  | { readonly kind: 'set-question'; readonly question: string }
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
  /** `at` is the place of the first new term; at the end without it. */
  | {
      readonly kind: 'add-terms';
      readonly concept: string;
      readonly terms: readonly Term[];
      readonly at?: number;
    }
  | { readonly kind: 'edit-term'; readonly id: string; readonly text: string }
  | { readonly kind: 'switch-term'; readonly id: string; readonly off: boolean }
  | { readonly kind: 'remove-terms'; readonly ids: readonly string[] }
  | { readonly kind: 'move-term'; readonly id: string; readonly concept: string; readonly to: number }
  | { readonly kind: 'set-draft'; readonly text: string }
  | { readonly kind: 'set-limiters'; readonly limiters: Limiters }
  | { readonly kind: 'choose-databases'; readonly databases: readonly string[] }
  | { readonly kind: 'set-band'; readonly database: string; readonly band: TargetBand }
  /** Takes back all of a variant's frozen state as the draft. */
  | { readonly kind: 'open-variant'; readonly id: string }
  | { readonly kind: 'freeze-variant'; readonly variant: Variant; readonly tallies: readonly Tally[] }
  | { readonly kind: 'rename-variant'; readonly id: string; readonly name: string; readonly note: string }
  | { readonly kind: 'remove-variant'; readonly id: string }
  | { readonly kind: 'compare-with'; readonly id: string | undefined }
  | { readonly kind: 'add-tally'; readonly tally: Tally };

/** The kinds that undo and redo go through; the others only add, or are taken back on their own. */
export const UNDOABLE: ReadonlySet<Change['kind']> = new Set<Change['kind']>([
  'set-question',
  'add-concept',
  'rename-concept',
  'remove-concept',
  'move-concept',
  'switch-concept',
  'add-terms',
  'edit-term',
  'switch-term',
  'remove-terms',
  'move-term',
  'set-draft',
  'set-limiters',
  'choose-databases',
  'set-band',
  'open-variant',
]);

/** A change in words, for the undo button and the log. */
export const CHANGE_NAMES: Readonly<Record<Change['kind'], string>> = {
  'rename-project': 'Rename the project',
  'set-question': 'Edit the question',
  'add-concept': 'Add a concept',
  'rename-concept': 'Rename a concept',
  'remove-concept': 'Remove a concept',
  'move-concept': 'Move a concept',
  'switch-concept': 'Switch a concept',
  'add-terms': 'Add terms',
  'edit-term': 'Edit a term',
  'switch-term': 'Switch a term',
  'remove-terms': 'Remove terms',
  'move-term': 'Move a term',
  'set-draft': 'Edit the query',
  'set-limiters': 'Change the limiters',
  'choose-databases': 'Choose databases',
  'set-band': 'Set a target band',
  'open-variant': 'Open a variant',
  'freeze-variant': 'Freeze a variant',
  'rename-variant': 'Rename a variant',
  'remove-variant': 'Remove a variant',
  'compare-with': 'Compare with a variant',
  'add-tally': 'Keep a count',
};
