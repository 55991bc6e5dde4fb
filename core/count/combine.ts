import type { Total } from './amount';

/**
 * The records of just these concepts and no others, by inclusion and exclusion. All counts are of one database
 * and on one basis. Bit n of a key stands for concept n. Nothing while a count is missing.
 */
export function countExactly(
  counts: ReadonlyMap<number, Total>,
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
      if ((bits & (1 << concept)) === 0)
        exact[bits] = (exact[bits] ?? 0) - (exact[bits | (1 << concept)] ?? 0);
    }
  }
  return new Map(Array.from(exact, (count, bits) => [bits, count] as const).slice(1));
}
