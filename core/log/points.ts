import type { KeptState, Project, SearchState, Tally, Variant } from '../project';
import { byMoment, groupBy, splitByRests } from './groups';

/** A moment at which the search stood somewhere: the draft rested and was counted, or was frozen. */
export interface Point {
  readonly id: string;
  /** ISO 8601, UTC. */
  readonly moment: string;
  readonly state: SearchState;
  /** What was counted there, in its order. */
  readonly tallies: readonly Tally[];
  /** Nothing at a state of the draft. */
  readonly variant?: Variant;
  readonly kept?: KeptState;
}

/** Counts of one state that are no further apart are one visit to it, in milliseconds. */
const VISIT = 60_000;

/** The points of a project, the earliest first. Counts that belong to none stand alone nowhere. */
export function listPoints(project: Project): Point[] {
  const inRuns = new Set(
    project.runs.flatMap(({ databases }) => databases.flatMap(({ tally }) => tally ?? [])),
  );
  const byState = groupBy(project.tallies, ({ state }) => state);
  const byVariant = groupBy(
    project.tallies.filter(({ id }) => !inRuns.has(id)),
    ({ variant }) => variant,
  );
  const points: Point[] = [];
  for (const kept of project.states) {
    const visits = splitByRests(byState.get(kept.id) ?? [], VISIT);
    const [first] = visits;
    // A state that rested without any count, or before the first of its counts came.
    const moment = kept.moment ?? first?.[0]?.moment ?? project.created;
    if (!first) points.push({ id: kept.id, moment, state: kept.state, tallies: [], kept });
    visits.forEach((tallies, at) => {
      points.push({
        id: at === 0 ? kept.id : `${kept.id} ${at}`,
        moment: at === 0 ? moment : tallies[0]!.moment,
        state: kept.state,
        tallies,
        kept,
      });
    });
  }
  for (const variant of project.variants)
    points.push({
      id: variant.id,
      moment: variant.moment,
      state: variant.frozen,
      tallies: byVariant.get(variant.id) ?? [],
      variant,
    });
  return points.sort(byMoment);
}
