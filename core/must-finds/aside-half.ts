import type { MustFind } from '../project';
import { hashText } from '../record';
import { createMustFindKey } from './must-find';

/** Fewer must-finds cannot be halved to any purpose. */
export const LEAST_FOR_HALVES = 4;

/** The must-finds that may feed what Ewer proposes: all but those that are put aside. */
export function listOpenMustFinds(mustFinds: readonly MustFind[]): readonly MustFind[] {
  return mustFinds.filter(({ isAside }) => !isAside);
}

/**
 * The half that is put aside, by ids: half of the works, drawn by a number that each work has for itself. So the same
 * works give the same half, in whatever order they were added, and one that was taken off and comes back goes where
 * it was. Those that this query found are not among them: their recall proves nothing.
 */
export function chooseHalf(mustFinds: readonly MustFind[]): readonly string[] {
  const drawn = mustFinds
    .filter(({ isFromQuery }) => !isFromQuery)
    .map((mustFind) => ({ id: mustFind.id, number: hashText(`half ${createMustFindKey(mustFind)}`) }))
    .sort((a, b) => a.number - b.number);
  return drawn.slice(0, Math.floor(drawn.length / 2)).map(({ id }) => id);
}
