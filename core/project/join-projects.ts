import type { Project } from './project';

/** What two windows made of one project, as one. */
export interface JoinedProject {
  readonly project: Project;
  /** Whose project it is, but for the counts that both kept. */
  readonly side: 'mine' | 'theirs';
}

/**
 * Joins two states that come from the same one (`base`), if only one of them changed more than kept counts.
 * Ewer keeps counts by itself, so they are no reason to choose between two windows: those that either kept are
 * in it, and those that either took away are not. Nothing if both changed more.
 */
export function joinProjects(base: Project, mine: Project, theirs: Project): JoinedProject | undefined {
  const side = isSameButCounts(base, mine) ? 'theirs' : isSameButCounts(base, theirs) ? 'mine' : undefined;
  if (!side) return undefined;
  const project = {
    ...(side === 'mine' ? mine : theirs),
    tallies: joinById(base.tallies, mine.tallies, theirs.tallies),
    states: joinById(base.states, mine.states, theirs.states),
  };
  return { project, side };
}

/** Compared as they would be written, so that it does not matter which of the two was read from the disk. */
function isSameButCounts(a: Project, b: Project): boolean {
  const write = (project: Project): string => JSON.stringify({ ...project, tallies: [], states: [] });
  return write(a) === write(b);
}

function joinById<T extends { readonly id: string }>(
  base: readonly T[],
  mine: readonly T[],
  theirs: readonly T[],
): readonly T[] {
  const list = (all: readonly T[]): ReadonlySet<string> => new Set(all.map(({ id }) => id));
  const [inBase, inMine, inTheirs] = [list(base), list(mine), list(theirs)];
  return [
    ...theirs.filter(({ id }) => inMine.has(id) || !inBase.has(id)),
    ...mine.filter(({ id }) => !inTheirs.has(id) && !inBase.has(id)),
  ];
}
