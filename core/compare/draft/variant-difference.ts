import type { SearchState } from '../../project';
import { listSingleChanges } from './single-changes';

/** What changed from one state to another, in terms: each a short line. */
export interface StateDifference {
  readonly added: readonly string[];
  readonly removed: readonly string[];
  /** Changes that are neither: the draft's text, a concept switched off, other limiters. */
  readonly other: readonly string[];
}

/** The difference between two states in words: the single changes, by what they do. */
export function describeDifference(from: SearchState, to: SearchState): StateDifference {
  const changes = listSingleChanges(from, to);
  const pick = (wanted: (typeof changes)[number]['sign']): string[] =>
    changes.filter(({ sign }) => sign === wanted).map(({ words }) => words);
  return { added: pick('added'), removed: pick('removed'), other: pick('changed') };
}

/** The number of single changes. */
export function countDifferences(difference: StateDifference): number {
  return difference.added.length + difference.removed.length + difference.other.length;
}
