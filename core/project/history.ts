import { succeed, type Outcome } from '../problem';
import { applyChange } from './apply-change';
import { findStepKind, isUndoable, type Change } from './change';
import type { Project, Working } from './project';

/** One step that undo can take: the state before it, and what was done. */
export interface Step {
  readonly before: Working;
  readonly kind: Change['kind'];
}

/** A project with the way back and forth, without limit. States share what did not change. */
export interface History {
  readonly project: Project;
  readonly past: readonly Step[];
  readonly future: readonly { readonly after: Working; readonly kind: Change['kind'] }[];
  /** When the last step was made, in milliseconds; typing in quick succession is one step. */
  readonly lastMoment: number;
  /** The id of the term that is being typed: what follows of it is a part of the last step. */
  readonly typedTerm?: string;
}

/** Changes of the same text that follow each other within this time are one step. */
const BURST = 1_200;
const TYPING: ReadonlySet<Change['kind']> = new Set<Change['kind']>(['set-draft', 'set-question']);

/** The history of a project that was just opened. */
export function createHistory(project: Project): History {
  return { project, past: [], future: [], lastMoment: -Infinity };
}

/** The history after a change; `moment` in milliseconds. */
export function makeChange(history: History, change: Change, moment: number): Outcome<History> {
  const result = applyChange(history.project, change);
  if (!result.ok) return result;
  const project = result.value;
  if (!isUndoable(change)) return succeed({ ...history, project });
  // What changes nothing is no step: undo never seems to do nothing.
  if (project.working === history.project.working) return succeed(endTyping(history, change));
  const last = history.past.at(-1);
  const isTyping =
    TYPING.has(change.kind) && last?.kind === change.kind && isBurst(moment - history.lastMoment);
  const goesOn = (isTyping || isOfTypedTerm(history, change)) && history.future.length === 0;
  // Typed back to what it was: then nothing was done.
  if (goesOn && last && change.kind === 'edit-term' && findText(last.before, change.id) === change.text)
    return succeed({
      project: { ...project, working: last.before },
      past: history.past.slice(0, -1),
      future: [],
      lastMoment: -Infinity,
    });
  const past = goesOn
    ? history.past
    : [...history.past, { before: history.project.working, kind: findStepKind(change) }];
  // What is typed after a change of several parts is no part of it.
  return succeed({
    project,
    past,
    future: [],
    lastMoment: change.kind === 'compound' ? -Infinity : moment,
    ...(change.kind === 'type-term' && { typedTerm: change.id }),
  });
}

function findText({ concepts }: Working, id: string): string | undefined {
  for (const { terms } of concepts) {
    const term = terms.find((one) => one.id === id);
    if (term) return term.text;
  }
  return undefined;
}

/** True for what goes on with the term that is being typed, or ends its typing. */
function isOfTypedTerm({ typedTerm }: History, change: Change): boolean {
  return (change.kind === 'type-term' || change.kind === 'edit-term') && change.id === typedTerm;
}

/** An edit that changes nothing still ends the typing of its term. */
function endTyping(history: History, change: Change): History {
  if (history.typedTerm === undefined || change.kind === 'type-term') return history;
  const { typedTerm: _, ...rest } = history;
  return rest;
}

/** A clock that was set back makes a step of its own: it never joins what was typed long ago. */
function isBurst(milliseconds: number): boolean {
  return milliseconds >= 0 && milliseconds < BURST;
}

/** One step back; the same history if there is none. */
export function undo(history: History): History {
  const last = history.past.at(-1);
  if (!last) return history;
  const { project } = history;
  return {
    project: { ...project, working: last.before },
    past: history.past.slice(0, -1),
    future: [{ after: project.working, kind: last.kind }, ...history.future],
    lastMoment: -Infinity,
  };
}

/** One step forth again. */
export function redo(history: History): History {
  const [next, ...future] = history.future;
  if (!next) return history;
  const { project } = history;
  return {
    project: { ...project, working: next.after },
    past: [...history.past, { before: project.working, kind: next.kind }],
    future,
    lastMoment: -Infinity,
  };
}
