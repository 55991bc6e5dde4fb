import { build, type QueryNode } from '../query';

/** The most concepts that are combined: 255 combinations. */
export const MOST_COMBINED = 8;

/** Some concepts joined by AND. */
export interface Combination {
  /** Bit n stands for concept n. */
  readonly bits: number;
  readonly members: readonly number[];
  readonly root: QueryNode;
}

/** Every combination of some concepts, alone first, then pairs, triples and so on. */
export function listCombinations(concepts: readonly QueryNode[]): Combination[] {
  const used = concepts.slice(0, MOST_COMBINED);
  const all = Array.from({ length: 2 ** used.length - 1 }, (_, at): Combination => {
    const bits = at + 1;
    const members = listBits(bits);
    const roots = members.map((member) => used[member] ?? build.empty());
    const [only] = roots;
    return { bits, members, root: roots.length === 1 && only ? only : build.and(...roots) };
  });
  return all.sort((a, b) => a.members.length - b.members.length || a.bits - b.bits);
}

/** The concepts of a combination. */
export function listBits(bits: number): number[] {
  return Array.from({ length: MOST_COMBINED }, (_, at) => at).filter((at) => (bits & (1 << at)) !== 0);
}

/** The counts that follow from others: what holds a combination that finds nothing finds nothing. */
export function deriveCounts(known: ReadonlyMap<number, number>, concepts: number): Map<number, number> {
  const derived = new Map(known);
  const nothing = [...known].filter(([, count]) => count === 0).map(([bits]) => bits);
  for (let bits = 1; bits < 2 ** concepts; bits++) {
    if (!derived.has(bits) && nothing.some((inner) => (bits & inner) === inner)) derived.set(bits, 0);
  }
  return derived;
}

/**
 * How many records hold just these concepts of those combined and no other one, from the counts of
 * all combinations, by inclusion and exclusion. Nothing, while one of them is missing.
 */
export function countExactly(
  counts: ReadonlyMap<number, number>,
  concepts: number,
): ReadonlyMap<number, number> | undefined {
  const size = 2 ** concepts;
  const exact = new Float64Array(size);
  for (let bits = 1; bits < size; bits++) {
    const count = counts.get(bits);
    if (count === undefined) return undefined;
    exact[bits] = count;
  }
  for (let concept = 0; concept < concepts; concept++) {
    for (let bits = 1; bits < size; bits++) {
      if ((bits & (1 << concept)) === 0) exact[bits]! -= exact[bits | (1 << concept)]!;
    }
  }
  return new Map(Array.from(exact, (count, bits) => [bits, count] as const).slice(1));
}

/** What to do where all concepts together find nothing, or too little. */
export interface NearestCombination {
  /** The largest combinations that find something, the most records first. */
  readonly nearest: readonly { readonly bits: number; readonly count: number }[];
  /** The concept without which most is found: the one to widen first. */
  readonly widen: number | undefined;
  /** What is found without it. */
  readonly without: number | undefined;
}

/** The nearest combination to all concepts, and the concept to widen first, from what is known. */
export function findNearest(counts: ReadonlyMap<number, number>, concepts: number): NearestCombination {
  const all = 2 ** concepts - 1;
  const sizeOf = (bits: number): number => listBits(bits).length;
  const found = [...counts]
    .filter(([bits, count]) => bits !== all && count > 0)
    .map(([bits, count]) => ({ bits, count }))
    .sort((a, b) => sizeOf(b.bits) - sizeOf(a.bits) || b.count - a.count || a.bits - b.bits);
  const largest = found[0] ? sizeOf(found[0].bits) : 0;
  const withouts = listBits(all)
    .map((concept) => ({ concept, count: counts.get(all & ~(1 << concept)) }))
    .filter((entry) => entry.count !== undefined)
    .sort((a, b) => (b.count ?? 0) - (a.count ?? 0));
  const [best] = concepts > 1 ? withouts : [];
  return {
    nearest: found.filter(({ bits }) => sizeOf(bits) === largest),
    widen: best && (best.count ?? 0) > 0 ? best.concept : undefined,
    without: best?.count,
  };
}
