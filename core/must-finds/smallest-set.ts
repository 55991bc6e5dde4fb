import { MEANING_LEVELS, listProposals, tryChange } from '../compare';
import type { Change, Project } from '../project';
import type { Edit } from './edits';

/** Changes that together let in all records that any of the changes can let in. */
export interface SmallestSet {
  readonly edits: readonly Edit[];
  /** True if fewer changes, or as few that change less of what is asked, are surely not enough. */
  readonly isExact: boolean;
}

/** The most sets that are looked at before the best one so far is taken. */
const MAX_TRIED = 5_000;

/** A change of the question itself is worth that many others: it is only taken where nothing else will do. */
const QUESTION_COST = 1_000;

/**
 * The fewest changes that mend all of some obstacles, as far as the changes can mend them; the question itself is
 * changed only where no other change mends an obstacle. Of sets that are as small, it is the one that changes least
 * of what is asked (`MEANING_LEVELS`). Every choice is tried by branch and bound, which begins with the
 * obstacle that the fewest changes mend; where there are too many, the best set so far is taken.
 */
export function findSmallestSet(edits: readonly Edit[], obstacles: readonly string[]): SmallestSet {
  const useful = dropWeaker(edits, obstacles);
  const wanted = obstacles.filter((key) => useful.some(({ mends }) => mends.has(key)));
  let best = takeGreedily(useful, wanted);
  let tried = 0;
  const search = (chosen: readonly Edit[], open: readonly string[]): void => {
    if (tried++ > MAX_TRIED) return;
    if (open.length === 0) {
      if (measureCost(chosen) < measureCost(best)) best = chosen;
      return;
    }
    if (measureCost(chosen) >= measureCost(best)) return;
    const menders = open.map((key) => useful.filter(({ mends }) => mends.has(key)));
    const fewest = menders.reduce((least, list) => (list.length < least.length ? list : least));
    for (const edit of fewest)
      search(
        [...chosen, edit],
        open.filter((key) => !edit.mends.has(key)),
      );
  };
  search([], wanted);
  return { edits: edits.filter((edit) => best.includes(edit)), isExact: tried <= MAX_TRIED };
}

/** A change that mends no more than another one that costs no more is never needed. */
function dropWeaker(edits: readonly Edit[], obstacles: readonly string[]): Edit[] {
  const wanted = new Set(obstacles);
  const kept: { edit: Edit; keys: string[] }[] = [];
  for (const edit of [...edits].sort((a, b) => levelOf(a) - levelOf(b) || b.mends.size - a.mends.size)) {
    const keys = [...edit.mends].filter((key) => wanted.has(key));
    const isWeaker = kept.some(({ edit: other }) => keys.every((key) => other.mends.has(key)));
    if (keys.length > 0 && !isWeaker) kept.push({ edit, keys });
  }
  return kept.map(({ edit }) => edit);
}

function takeGreedily(edits: readonly Edit[], wanted: readonly string[]): readonly Edit[] {
  const chosen: Edit[] = [];
  let open = wanted;
  while (open.length > 0) {
    const count = (edit: Edit): number =>
      open.filter((key) => edit.mends.has(key)).length / measureCost([edit]);
    const next = edits.reduce((best, edit) => (count(edit) > count(best) ? edit : best));
    chosen.push(next);
    open = open.filter((key) => !next.mends.has(key));
  }
  return chosen;
}

/** What a set costs: the number of its changes first, then how far they go from what is asked. */
function measureCost(edits: readonly Edit[]): number {
  return edits.reduce((sum, edit) => {
    const base = edit.proposal.level === 'question' ? QUESTION_COST : 1;
    return sum + base + levelOf(edit) / QUESTION_COST;
  }, 0);
}

function levelOf({ proposal }: Edit): number {
  return MEANING_LEVELS.indexOf(proposal.level);
}

/**
 * Some changes as one: each is made to what those before it leave. A change may be another one there: of two limiters
 * that go, the second must not bring the first back. One that is not proposed any more is made as it was, unless it
 * sets all of the draft or of the limiters. Nothing if one of them cannot be made any more.
 */
export function joinEdits(project: Project, edits: readonly Edit[], thisYear: number): Change | undefined {
  const changes: Change[] = [];
  let now = project;
  for (const { proposal, added } of edits) {
    const proposed =
      now === project
        ? proposal
        : listProposals(now, thisYear, added ? [added.offered] : []).find(
            ({ level, words }) => level === proposal.level && words === proposal.words,
          );
    const change = proposed?.change ?? (setsAll(proposal.change) ? undefined : proposal.change);
    const next = change && tryChange(now, change);
    if (!next) return undefined;
    changes.push(change);
    now = next;
  }
  return { kind: 'compound', changes };
}

/** A change that puts a whole in the place of another: made later, it takes back what was made before. */
export function setsAll(change: Change): boolean {
  return change.kind === 'compound'
    ? change.changes.some(setsAll)
    : change.kind === 'set-limiters' || change.kind === 'rewrite-draft';
}
