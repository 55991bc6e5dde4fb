import { RecordSet } from '../collection/bitset';
import type { Outcome } from '../problem';
import { succeed } from '../problem';

/**
 * How many records any of some members finds. Comparisons of terms ask only this. So databases that give
 * numbers alone answer as those that give record sets.
 */
export interface UnionCounter {
  readonly members: number;
  /** Several unions at once, each a list of members; one count a list. */
  count(unions: readonly (readonly number[])[]): Promise<Outcome<readonly number[]>>;
}

/** Counts unions of record sets that are at hand. */
export function createSetCounter(sets: readonly RecordSet[]): UnionCounter {
  const size = sets[0]?.size ?? 0;
  return {
    members: sets.length,
    count: (unions) =>
      Promise.resolve(
        succeed(
          unions.map((union) => {
            const all = new RecordSet(size);
            for (const member of union) {
              const set = sets[member];
              if (set) all.unite(set);
            }
            return all.count();
          }),
        ),
      ),
  };
}

/** Remembers what was counted: equal unions are asked for once. */
export function rememberUnions(counter: UnionCounter): UnionCounter {
  const known = new Map<string, number>();
  const keyOf = (union: readonly number[]): string => [...union].sort((a, b) => a - b).join(' ');
  return {
    members: counter.members,
    count: async (unions) => {
      const missing = [...new Map(unions.map((union) => [keyOf(union), union]))].filter(
        ([key, union]) => union.length > 0 && !known.has(key),
      );
      if (missing.length > 0) {
        const counted = await counter.count(missing.map(([, union]) => union));
        if (!counted.ok) return counted;
        missing.forEach(([key], at) => known.set(key, counted.value[at] ?? 0));
      }
      return succeed(unions.map((union) => (union.length === 0 ? 0 : (known.get(keyOf(union)) ?? 0))));
    },
  };
}
