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
  /** The rule by which a record was matched, list by list: 0 none (the first of its work), 1 identifier, 2 work. */
  readonly ruleOf: readonly Uint8Array[];
}

const RULES: readonly SameWorkRule[] = ['identifier', 'work'];

/**
 * Finds the records of one work in several lists: first by identifier, then by normalised title, year
 * and first author. Two records whose identifiers differ are never of one work, however alike.
 */
export function deduplicateRecords(lists: readonly (readonly RecordKeys[])[]): Deduplicated {
  const byIdentifier = new Map<number, number>();
  const byWork = new Map<number, number>();
  /** The identifier of each work, once it is known. */
  const identifiers: number[] = [];
  const matched = { identifier: 0, work: 0 };
  const ruleOf = lists.map((list) => new Uint8Array(list.length));
  const workOf = lists.map((list, at) => {
    const works = new Uint32Array(list.length);
    list.forEach(({ identifier, work }, place) => {
      let found = identifier === 0 ? undefined : byIdentifier.get(identifier);
      let rule: SameWorkRule = 'identifier';
      if (found === undefined && work !== 0) {
        const alike = byWork.get(work);
        const other = alike === undefined ? 0 : (identifiers[alike] ?? 0);
        if (alike !== undefined && (identifier === 0 || other === 0 || other === identifier)) {
          found = alike;
          rule = 'work';
        }
      }
      if (found === undefined) {
        found = identifiers.length;
        identifiers.push(identifier);
      } else {
        matched[rule]++;
        ruleOf[at]![place] = RULES.indexOf(rule) + 1;
      }
      if (identifier !== 0) {
        byIdentifier.set(identifier, found);
        identifiers[found] ||= identifier;
      }
      if (work !== 0 && !byWork.has(work)) byWork.set(work, found);
      works[place] = found;
    });
    return works;
  });
  return { works: identifiers.length, workOf, matched, ruleOf };
}
