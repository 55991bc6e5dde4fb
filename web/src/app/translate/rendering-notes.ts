import { describeReason, type FidelityLevel, type HandStep, type Rendering } from '#core/dialect/index';
import { listNodes, printQuery, type QueryNode } from '#core/query/index';

/** One reason for a difference, with the pieces that it concerns. */
export interface FidelityNote {
  readonly reason: string;
  /** It changes nothing in what is found. */
  readonly isHarmless: boolean;
  readonly pieces: readonly string[];
  readonly nodes: readonly string[];
}

/** The fidelity of a whole rendering in a few words. */
export const LEVEL_WORDS: Readonly<Record<FidelityLevel, string>> = {
  same: 'finds the same',
  wider: 'wider: may find more',
  narrower: 'narrower: may find fewer',
  different: 'different: may find more and fewer',
  'left-out': 'cannot be written',
};

/** The reasons of all nodes, equal ones together, each with the pieces of the query that it is about. */
export function listFidelityNotes(root: QueryNode, rendering: Rendering): FidelityNote[] {
  const notes = new Map<string, { isHarmless: boolean; pieces: string[]; nodes: string[] }>();
  for (const node of listNodes(root)) {
    const fidelity = rendering.fidelity.get(node.id);
    for (const reason of fidelity?.reasons ?? []) {
      if (reason.code === 'member-left-out') continue;
      const key = describeReason(reason);
      const note = notes.get(key) ?? {
        isHarmless: reason.code === 'heading-elsewhere',
        pieces: [],
        nodes: [],
      };
      note.pieces.push(printQuery(node));
      note.nodes.push(node.id);
      notes.set(key, note);
    }
  }
  return [...notes].map(([reason, note]) => ({ reason, ...note }));
}

/** What a person has to do in the database's own page. */
export function describeStep(step: HandStep): string {
  return step.how === 'box' ? `Tick there: ${step.value}` : `Not to be had there: ${step.value}`;
}
