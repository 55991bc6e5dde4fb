import { isSameLimiters, listLimiters } from '../dialect';
import type { Working } from '../project/project';

/** What changed from one state to another, in terms: each a short line. */
export interface StateDifference {
  readonly added: readonly string[];
  readonly removed: readonly string[];
  /** Changes that are neither: the draft's text, a concept switched off. */
  readonly other: readonly string[];
}

type State = Pick<Working, 'concepts' | 'blocks' | 'draft' | 'limiters'>;

/** The difference between two states, by the texts of their terms, concepts and limiters. */
export function describeDifference(from: State, to: State): StateDifference {
  const added: string[] = [];
  const removed: string[] = [];
  const other: string[] = [];
  const compare = (before: readonly string[], after: readonly string[]): void => {
    added.push(...after.filter((item) => !before.includes(item)));
    removed.push(...before.filter((item) => !after.includes(item)));
  };
  compare(
    from.concepts.map((concept) => `concept ${concept.name}`),
    to.concepts.map((concept) => `concept ${concept.name}`),
  );
  for (const name of new Set([...from.concepts, ...to.concepts].map((concept) => concept.name))) {
    compare(listActiveTerms(from, name), listActiveTerms(to, name));
    const [before, after] = [from, to].map((state) =>
      state.concepts.find((concept) => concept.name === name),
    );
    if (!before || !after) continue;
    if (before.off !== after.off) other.push(`${name} ${after.off ? 'switched off' : 'switched on'}`);
    if (before.fields?.join() !== after.fields?.join())
      other.push(`${name} searched in ${after.fields?.join(', ') ?? 'the usual fields'}`);
  }
  compare(
    from.blocks.map((block) => `@${block.name} ${block.text}`),
    to.blocks.map((block) => `@${block.name} ${block.text}`),
  );
  if (from.draft.trim() !== to.draft.trim()) other.push(`query: ${to.draft.trim().replace(/\s+/g, ' ')}`);
  if (!isSameLimiters(from.limiters, to.limiters)) {
    const words = (state: State): string[] =>
      listLimiters(state.limiters).map(({ value }) => `limited to ${value}`);
    compare(words(from), words(to));
  }
  return { added, removed, other };
}

/** The number of single changes. */
export function countDifferences(difference: StateDifference): number {
  return difference.added.length + difference.removed.length + difference.other.length;
}

function listActiveTerms(state: State, concept: string): string[] {
  return state.concepts
    .filter(({ name }) => name === concept)
    .flatMap(({ terms }) =>
      terms
        .filter((term) => !term.off)
        .map(({ text, databases }) => (databases ? `${text} (only in ${databases.join(', ')})` : text)),
    );
}
