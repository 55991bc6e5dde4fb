import type { RecordKeys } from './identity';

/** By what a record was told to be of the same work as one before it. */
export type SameWorkRule = 'identifier' | 'work';

/** The records of several lists, told apart by their works. */
export interface Deduplicated {
  /** The number of works. */
  readonly works: number;
  /** The work of each record, list by list; works are numbered from 0 in the order of their first record. */
  readonly workOf: readonly Uint32Array[];
  /** How many records were matched by each rule. */
  readonly matched: Readonly<Record<SameWorkRule, number>>;
  /** The rule by which a record was matched, list by list; nothing for the first of its work. */
  readonly ruleOf: readonly (readonly (SameWorkRule | undefined)[])[];
}

/**
 * Finds the records of one work in several lists: first by identifier, then by normalised title, year and
 * first author. Two records whose identifiers differ are never of one work, however alike; a record without
 * one goes with the first identified record that it is like. The order of the lists only decides which record
 * is the first of its work.
 */
export function deduplicateRecords(lists: readonly (readonly RecordKeys[])[]): Deduplicated {
  const groups = groupRecords(lists);
  const numbers = new Map<number, number>();
  /** Identifiers that were seen: what comes after is matched by them. */
  const seen = new Set<number>();
  const matched = { identifier: 0, work: 0 };
  const workOf = lists.map((list) => new Uint32Array(list.length));
  const ruleOf = lists.map((list, at) =>
    list.map(({ identifier }, place): SameWorkRule | undefined => {
      const group = groups[at]![place]!;
      const known = numbers.get(group);
      const work = known ?? numbers.size;
      numbers.set(group, work);
      workOf[at]![place] = work;
      const isSeen = seen.has(identifier);
      if (identifier !== 0) seen.add(identifier);
      if (known === undefined) return undefined;
      const rule = isSeen ? 'identifier' : 'work';
      matched[rule]++;
      return rule;
    }),
  );
  return { works: numbers.size, workOf, matched, ruleOf };
}

/** A number for each record that is the same for records of one work: identified ones first, the others by what they are like. */
function groupRecords(lists: readonly (readonly RecordKeys[])[]): Float64Array[] {
  const byIdentifier = new Map<number, number>();
  const byWork = new Map<number, number>();
  let size = 0;
  const groups = lists.map((list) => new Float64Array(list.length));
  lists.forEach((list, at) =>
    list.forEach(({ identifier, work }, place) => {
      if (identifier === 0) return;
      const group = byIdentifier.get(identifier) ?? size++;
      byIdentifier.set(identifier, group);
      if (work !== 0 && !byWork.has(work)) byWork.set(work, group);
      groups[at]![place] = group;
    }),
  );
  lists.forEach((list, at) =>
    list.forEach(({ identifier, work }, place) => {
      if (identifier !== 0) return;
      const group = (work === 0 ? undefined : byWork.get(work)) ?? size++;
      if (work !== 0) byWork.set(work, group);
      groups[at]![place] = group;
    }),
  );
  return groups;
}
