import { asTotal, byTotal, type Total } from '../count';
import { build, type QueryNode } from '../query';

/** The most concepts that are combined: 255 combinations. */
export const MAX_COMBINED = 8;

/** Some concepts joined by AND. */
export interface Combination {
  /** Bit n stands for concept n. */
  readonly bits: number;
  readonly members: readonly number[];
  readonly root: QueryNode;
}

/**
 * Every combination of some concepts, alone first, then pairs, triples and so on. `excluded` is taken away
 * from each combination, so that all together are the query that they come from.
 */
export function listCombinations(
  concepts: readonly QueryNode[],
  excluded: readonly QueryNode[] = [],
): Combination[] {
  const used = concepts.slice(0, MAX_COMBINED);
  const all = Array.from({ length: 2 ** used.length - 1 }, (_, at): Combination => {
    const bits = at + 1;
    const members = listBits(bits);
    const roots = members.map((member) => used[member] ?? build.empty());
    const [only] = roots;
    const joined = roots.length === 1 && only ? only : build.and(...roots);
    return { bits, members, root: excluded.reduce<QueryNode>((node, away) => build.not(node, away), joined) };
  });
  return all.sort((a, b) => a.members.length - b.members.length || a.bits - b.bits);
}

/** The concepts of a combination. */
export function listBits(bits: number): number[] {
  return Array.from({ length: MAX_COMBINED }, (_, at) => at).filter((at) => (bits & (1 << at)) !== 0);
}

/** The counts that follow from others: what holds a combination that finds nothing finds nothing. */
export function deriveCounts(known: ReadonlyMap<number, Total>, concepts: number): Map<number, Total> {
  const derived = new Map(known);
  const nothing = [...known].filter(([, count]) => count === 0).map(([bits]) => bits);
  for (let bits = 1; bits < 2 ** concepts; bits++) {
    if (!derived.has(bits) && nothing.some((inner) => (bits & inner) === inner))
      derived.set(bits, asTotal(0));
  }
  return derived;
}

/** What to do where all concepts together find nothing, or too little. */
export interface NearestCombination {
  /** The largest combinations that find something, the most records first. */
  readonly nearest: readonly { readonly bits: number; readonly count: Total }[];
  /** The concept without which most is found: the one to widen first. */
  readonly widen: number | undefined;
  /** What is found without it. */
  readonly without: Total | undefined;
}

/** The nearest combination to all concepts, and the concept to widen first, from what is known. */
export function findNearest(counts: ReadonlyMap<number, Total>, concepts: number): NearestCombination {
  const all = 2 ** concepts - 1;
  const sizeOf = (bits: number): number => listBits(bits).length;
  const found = [...counts]
    .filter(([bits, count]) => bits !== all && count > 0)
    .map(([bits, count]) => ({ bits, count }))
    .sort((a, b) => sizeOf(b.bits) - sizeOf(a.bits) || byTotal(a.count, b.count) || a.bits - b.bits);
  const largest = found[0] ? sizeOf(found[0].bits) : 0;
  const withouts = listBits(all)
    .flatMap((concept) => {
      const count = counts.get(all & ~(1 << concept));
      return count === undefined ? [] : [{ concept, count }];
    })
    .sort((a, b) => byTotal(a.count, b.count));
  const [best] = concepts > 1 ? withouts : [];
  return {
    nearest: found.filter(({ bits }) => sizeOf(bits) === largest),
    widen: best && best.count > 0 ? best.concept : undefined,
    without: best?.count,
  };
}
