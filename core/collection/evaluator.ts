import { createProblem, fail, succeed, type Outcome } from '../problem';
import { RecordSet } from './bitset';
import { FREQUENCY_BITS, SEGMENT_SIZE, type CollectionIndex } from './collection-index';
import { countPostings, findTerms } from './dictionary';
import { ALL_FIELDS, type FieldMask } from './document';
import { printExpression, type SetExpression } from './expression';
import { findNearRecords, findPhrasePlaces } from './occurrences';

/** Says whether the time is up; called now and then during long work. */
export type Deadline = () => boolean;

/** Finds record sets in one index and remembers them. */
export interface Evaluator {
  readonly index: CollectionIndex;
  /** The set must not be changed: it is shared with later answers. A problem if the deadline passes first. */
  evaluate(expression: SetExpression, deadline?: Deadline): Outcome<RecordSet>;
  /** How many sets were computed and how many were taken from memory, since the start. */
  readonly statistics: { computed: number; reused: number };
  forget(): void;
}

const NEVER: Deadline = () => false;

/** An evaluator that keeps up to `keptSets` sets, the longest unused going first. */
export function createEvaluator(index: CollectionIndex, keptSets = 4_000): Evaluator {
  return new CachingEvaluator(index, keptSets);
}

/** The time that a query may take on a server, in seconds; said in the problem. */
export const TIME_LIMIT_SECONDS = 2;

class CachingEvaluator implements Evaluator {
  readonly statistics = { computed: 0, reused: 0 };
  private readonly kept = new Map<string, RecordSet>();
  private deadline: Deadline = NEVER;
  private late = false;

  constructor(
    readonly index: CollectionIndex,
    private readonly keptSets: number,
  ) {}

  evaluate(expression: SetExpression, deadline: Deadline = NEVER): Outcome<RecordSet> {
    this.deadline = deadline;
    this.late = false;
    const set = this.find(expression);
    return this.late
      ? fail(createProblem('query-too-slow', 'error', { seconds: TIME_LIMIT_SECONDS }))
      : succeed(set);
  }

  forget(): void {
    this.kept.clear();
  }

  private find(expression: SetExpression): RecordSet {
    const key = printExpression(expression);
    const known = this.kept.get(key);
    if (known) {
      this.statistics.reused++;
      this.kept.delete(key);
      this.kept.set(key, known);
      return known;
    }
    if (this.late || this.deadline()) {
      this.late = true;
      return new RecordSet(this.index.size);
    }
    const set = this.compute(expression);
    this.statistics.computed++;
    if (!this.late) this.keep(key, set);
    return set;
  }

  private keep(key: string, set: RecordSet): void {
    this.kept.set(key, set);
    if (this.kept.size > this.keptSets) {
      const [oldest] = this.kept.keys();
      if (oldest !== undefined) this.kept.delete(oldest);
    }
  }

  private compute(expression: SetExpression): RecordSet {
    const { size } = this.index;
    switch (expression.kind) {
      case 'all':
        return RecordSet.all(size);
      case 'none':
        return new RecordSet(size);
      case 'word':
        return this.findWord(expression);
      case 'phrase':
        return this.findPhrase(expression);
      case 'near':
        return this.findNear(expression);
      case 'key':
        return this.findKey(expression.key);
      case 'range':
        return this.findRange(expression);
      case 'and':
        return this.findAll(expression.items);
      case 'or': {
        const set = new RecordSet(size);
        for (const item of expression.items) set.unite(this.find(item));
        return set;
      }
      case 'not':
        return this.find(expression.include).clone().subtract(this.find(expression.exclude));
    }
  }

  /** The cheapest first, so that nothing more is asked once nothing is left. */
  private findAll(items: readonly SetExpression[]): RecordSet {
    if (items.length === 0) return RecordSet.all(this.index.size);
    const ordered = [...items].sort((a, b) => COSTS[a.kind] - COSTS[b.kind]);
    const set = this.find(ordered[0]!).clone();
    for (const item of ordered.slice(1)) {
      if (set.isEmpty()) break;
      set.intersect(this.find(item));
    }
    return set;
  }

  private findWord(expression: SetExpression & { kind: 'word' }): RecordSet {
    const set = new RecordSet(this.index.size);
    for (const term of findTerms(this.index, expression.slot.pattern, expression.slot.cap)) {
      if (this.deadline()) {
        this.late = true;
        break;
      }
      this.addTerm(set, term, expression.fields);
    }
    return set;
  }

  private addTerm(set: RecordSet, term: number, fields: FieldMask): void {
    const { words } = set;
    const wanted = fields << FREQUENCY_BITS;
    this.index.segments.forEach((segment, number) => {
      const base = (number * SEGMENT_SIZE) >>> 5;
      const { docs, meta } = segment;
      const end = segment.starts[term + 1]!;
      for (let at = segment.starts[term]!; at < end; at++) {
        if ((meta[at]! & wanted) === 0) continue;
        const doc = docs[at]!;
        words[base + (doc >>> 5)]! |= 1 << (doc & 31);
      }
    });
  }

  private findPhrase(expression: SetExpression & { kind: 'phrase' }): RecordSet {
    const set = new RecordSet(this.index.size);
    this.index.segments.forEach((segment, number) => {
      if (this.late || this.deadline()) {
        this.late = true;
        return;
      }
      for (const place of findPhrasePlaces(this.index, segment, expression.slots, expression.fields)) {
        set.add(number * SEGMENT_SIZE + Math.floor(place / 65_536));
      }
    });
    return set;
  }

  private findNear(expression: SetExpression & { kind: 'near' }): RecordSet {
    const set = new RecordSet(this.index.size);
    this.index.segments.forEach((segment, number) => {
      if (this.late || this.deadline()) {
        this.late = true;
        return;
      }
      for (const doc of findNearRecords(this.index, segment, expression, expression.fields))
        set.add(number * SEGMENT_SIZE + doc);
    });
    return set;
  }

  private findKey(key: string): RecordSet {
    const set = new RecordSet(this.index.size);
    for (const record of this.index.keys.get(key) ?? []) set.add(record);
    return set;
  }

  private findRange({ column, from, to }: SetExpression & { kind: 'range' }): RecordSet {
    const set = new RecordSet(this.index.size);
    const numbers = this.index[column];
    for (let record = 0; record < numbers.length; record++) {
      const number = numbers[record]!;
      if (number >= from && number <= to && number > 0) set.add(record);
    }
    return set;
  }
}

const COSTS: Readonly<Record<SetExpression['kind'], number>> = {
  none: 0,
  key: 1,
  word: 2,
  range: 3,
  all: 3,
  or: 4,
  and: 4,
  not: 5,
  phrase: 6,
  near: 7,
};

/** A weight for each record of a set by how often, where and how rare its positive words stand. */
export function scoreRecords(
  index: CollectionIndex,
  expression: SetExpression,
  set: RecordSet,
): Float32Array {
  const scores = new Float32Array(index.size);
  const terms = new Set(
    listPositiveSlots(expression).flatMap((slot) => findTerms(index, slot.pattern, slot.cap)),
  );
  for (const term of terms) {
    const rarity = Math.log(1 + index.size / (1 + countPostings(index, term)));
    index.segments.forEach((segment, number) => {
      const end = segment.starts[term + 1]!;
      for (let at = segment.starts[term]!; at < end; at++) {
        const record = number * SEGMENT_SIZE + segment.docs[at]!;
        if (!set.has(record)) continue;
        const frequency = segment.meta[at]! & 127;
        const inTitle = ((segment.meta[at]! >>> FREQUENCY_BITS) & ALL_FIELDS & 1) === 1;
        scores[record]! += rarity * ((2.2 * frequency) / (frequency + 1.2) + (inTitle ? 2 : 0));
      }
    });
  }
  return scores;
}

function listPositiveSlots(
  expression: SetExpression,
): { pattern: Parameters<typeof findTerms>[1]; cap?: number }[] {
  switch (expression.kind) {
    case 'word':
      return [expression.slot];
    case 'phrase':
      return [...expression.slots];
    case 'near':
      return [...expression.left, ...expression.right].flat();
    case 'and':
    case 'or':
      return expression.items.flatMap(listPositiveSlots);
    case 'not':
      return listPositiveSlots(expression.include);
    default:
      return [];
  }
}
