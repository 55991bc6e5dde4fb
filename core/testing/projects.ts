import { applyChange, type Change, type Project, type Tally } from '../project';

/** A count that was kept, for tests that care only for its id. */
export function createTally(id: string, more: Partial<Tally> = {}): Tally {
  return {
    id,
    database: 'gantry',
    string: 'lamp%',
    limiters: {},
    moment: '2026-03-01T00:00:00.000Z',
    total: 3,
    estimated: false,
    source: 'measured',
    ...more,
  };
}

/** The project after some changes, each of which has to be possible. */
export function applyAll(project: Project, ...changes: readonly Change[]): Project {
  return changes.reduce((now, change) => {
    const made = applyChange(now, change);
    if (!made.ok) throw new Error(`${change.kind}: ${made.problem.code}`);
    return made.value;
  }, project);
}
