import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Change } from './change';
import { createHistory, makeChange, redo, undo, type History } from './history';
import { createKeptStep, listStates, restoreHistory } from './kept-steps';
import { createProject } from './project';

const PROJECT = createProject('p', 'P', '2026-10-01T08:00:00.000Z', ['gantry']);

const change: fc.Arbitrary<Change> = fc.oneof(
  fc.string({ maxLength: 20 }).map((text): Change => ({ kind: 'set-draft', text })),
  fc.string({ maxLength: 20 }).map((question): Change => ({ kind: 'set-question', question })),
  fc.constantFrom<Change>(
    { kind: 'set-limiters', limiters: { years: { from: 2000 } } },
    { kind: 'set-limiters', limiters: {} },
    { kind: 'set-frame', frame: { id: 'own', parts: [{ name: 'who', answer: 'bats' }] } },
    { kind: 'set-frame', frame: undefined },
  ),
);
const act = fc.oneof(
  { weight: 4, arbitrary: change },
  { weight: 2, arbitrary: fc.constantFrom('undo' as const, 'redo' as const) },
);

const run = (acts: readonly (Change | 'undo' | 'redo')[]): History => {
  let history = createHistory(PROJECT);
  acts.forEach((one, at) => {
    if (one === 'undo') history = undo(history);
    else if (one === 'redo') history = redo(history);
    else {
      const made = makeChange(history, one, at * 10_000);
      if (made.ok) history = made.value;
    }
  });
  return history;
};

const keep = (history: History): unknown[] => {
  const { states, kinds } = listStates(history);
  return structuredClone(kinds.map((kind, at) => createKeptStep(kind, states[at]!, states[at + 1]!)));
};

describe('kept steps', () => {
  it('bring back the whole history: every state to undo and to redo', () => {
    fc.assert(
      fc.property(fc.array(act, { maxLength: 30 }), (acts) => {
        const history = run(acts);
        const restored = restoreHistory(history.project, keep(history), history.past.length);
        expect(restored).toEqual({ ...history, lastMoment: -Infinity });
      }),
      { numRuns: 300 },
    );
  });

  it('hold only what changed', () => {
    const [step] = keep(run([{ kind: 'set-draft', text: 'bats' }]));
    expect(step).toEqual({
      kind: 'set-draft',
      back: { set: { draft: PROJECT.working.draft }, drop: [] },
      forth: { set: { draft: 'bats' }, drop: [] },
    });
  });

  it('that are broken end the way back there, and nothing beyond is taken from them', () => {
    const history = run(['a', 'b', 'c', 'd'].map((text) => ({ kind: 'set-draft', text })));
    for (const broken of [undefined, {}, { kind: 'set-draft', back: { set: { draft: 7 }, drop: [] } }]) {
      const steps = keep(history);
      steps[1] = broken;
      const restored = restoreHistory(history.project, steps, 4);
      expect(restored.past.map(({ before }) => before.draft)).toEqual(['b', 'c']);
    }
  });
});

describe('a clock that is set back', () => {
  it('makes a step of its own of what is typed then', () => {
    let history = createHistory(PROJECT);
    for (const [text, moment] of [
      ['a', 9_000_000],
      ['ab', 9_000_500],
      ['abc', 1_000],
      ['abcd', 1_500],
    ] as const) {
      const made = makeChange(history, { kind: 'set-draft', text }, moment);
      if (made.ok) history = made.value;
    }
    expect(history.past.map(({ before }) => before.draft)).toEqual([PROJECT.working.draft, 'ab']);
  });
});
