import Joi from 'joi';
import type { SchemaOf } from '../schema';
import type { Change } from './change';
import type { History } from './history';
import type { Project, Working } from './project';
import { WORKING_PART } from './project-file';

/** What a step changed, seen from one side: the parts as they are there, and those that are not there. */
export interface StatePatch {
  readonly set: Partial<Working>;
  readonly drop: readonly (keyof Working)[];
}

/** A step as it is kept: only what it changed, so that a long history is not many copies of the project. */
export interface KeptStep {
  readonly kind: Change['kind'];
  readonly back: StatePatch;
  readonly forth: StatePatch;
}

/** So many steps are kept beyond a sitting, the nearest ones. */
export const MAX_KEPT_STEPS = 300;

/** The states of a history, from the earliest to undo to the last to redo, and the current place. */
export interface StateRow {
  readonly states: readonly Working[];
  readonly kinds: readonly Change['kind'][];
  /** The place of the present state. */
  readonly at: number;
}

/** Lays a history out in a row. */
export function listStates({ project, past, future }: History): StateRow {
  return {
    states: [...past.map(({ before }) => before), project.working, ...future.map(({ after }) => after)],
    kinds: [...past, ...future].map(({ kind }) => kind),
    at: past.length,
  };
}

/** The step from one state to the next. */
export function createKeptStep(kind: Change['kind'], before: Working, after: Working): KeptStep {
  return { kind, back: createPatch(after, before), forth: createPatch(before, after) };
}

/**
 * The history of a project by its kept steps, of which `at` come before the present state. What cannot
 * be read, and what lies beyond it, is left out.
 */
export function restoreHistory(project: Project, steps: readonly unknown[], at: number): History {
  const past: { before: Working; kind: Change['kind'] }[] = [];
  let state = project.working;
  for (let place = at - 1; place >= 0; place--) {
    const step = readStep(steps[place]);
    if (!step) break;
    state = applyPatch(state, step.back);
    past.unshift({ before: state, kind: step.kind });
  }
  const future: { after: Working; kind: Change['kind'] }[] = [];
  state = project.working;
  for (let place = at; place < steps.length; place++) {
    const step = readStep(steps[place]);
    if (!step) break;
    state = applyPatch(state, step.forth);
    future.push({ after: state, kind: step.kind });
  }
  return { project, past, future, lastMoment: -Infinity };
}

const PATCH = Joi.object({
  set: WORKING_PART.required(),
  drop: Joi.array()
    .items(Joi.valid('frame', 'phraseWays', 'base'))
    .required(),
});
const STEP = Joi.object<KeptStep>({
  kind: Joi.string().max(100).required(),
  back: PATCH.required(),
  forth: PATCH.required(),
} satisfies SchemaOf<KeptStep>).required();

function readStep(kept: unknown): KeptStep | undefined {
  const result = STEP.validate(kept, { convert: false });
  return result.error ? undefined : result.value;
}

function createPatch(from: Working, to: Working): StatePatch {
  const keys = (state: Working): (keyof Working)[] => Object.keys(state) as (keyof Working)[];
  const set = Object.fromEntries(
    keys(to).flatMap((key) => (to[key] === from[key] || to[key] === undefined ? [] : [[key, to[key]]])),
  ) as Partial<Working>;
  return { set, drop: keys(from).filter((key) => from[key] !== undefined && to[key] === undefined) };
}

function applyPatch(state: Working, { set, drop }: StatePatch): Working {
  const rest = Object.entries(state).filter(([key]) => !drop.includes(key as keyof Working));
  return { ...(Object.fromEntries(rest) as unknown as Working), ...set };
}
