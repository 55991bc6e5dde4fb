import { createProblem, fail, succeed, type Outcome } from '../problem';
import { isPlain } from '../query';
import { RecordSet } from './bitset';
import {
  FREQUENCY_BITS,
  FREQUENCY_ESCAPE,
  SEGMENT_SIZE,
  splitKey,
  type CollectionIndex,
} from './collection-index';
import { NEVER, countPostings, findTerms, type Deadline } from './dictionary';
import { ALL_FIELDS, type FieldMask } from './document';
import type { SetExpression, Slot } from './expression';
import { EvaluatorMemory } from './evaluator-memory';
import { findKeyRecords } from './key-table';
import { findNearRecords, findPhrasePlaces } from './occurrences';
import { visitPlainPhrase } from './plain-phrases';

/** Finds record sets in one index and remembers them. */
export interface Evaluator {
  readonly index: CollectionIndex;
  /** The set must not be changed: it is shared with later answers. A problem if the deadline passes first. */
  evaluate(expression: SetExpression, deadline?: Deadline): Outcome<RecordSet>;
  /** The size of the set, without making it where that is not needed. */
  count(expression: SetExpression, deadline?: Deadline): Outcome<number>;
  /** A number that equal expressions share, until something is evaluated. */
  identify(expression: SetExpression): number;
  /** How many sets were computed and how many were taken from memory, since the start. */
  readonly statistics: { computed: number; reused: number };
  /** Forgets what it and those that share its memory remember. */
  forget(): void;
}

/** An evaluator; several of them can share a memory. */
export function createEvaluator(index: CollectionIndex, memory = new EvaluatorMemory()): Evaluator {
  return new CachingEvaluator(index, memory);
}

/** The time that a query may take on a server, in seconds; said in the problem. */
export const TIME_LIMIT_SECONDS = 2;

class CachingEvaluator implements Evaluator {
  readonly statistics = { computed: 0, reused: 0 };
  private deadline: Deadline = NEVER;
  private late = false;
  private masked = false;
  /** Tells its sets from those of the others in the memory. */
  private readonly place: number;

  constructor(
    readonly index: CollectionIndex,
    private readonly memory: EvaluatorMemory,
  ) {
    this.place = memory.join();
  }

  evaluate(expression: SetExpression, deadline: Deadline = NEVER): Outcome<RecordSet> {
    this.deadline = deadline;
    this.late = false;
    this.masked = false;
    this.memory.makeRoom();
    const set = this.find(expression);
    return this.late
      ? fail(createProblem('query-too-slow', 'error', { seconds: TIME_LIMIT_SECONDS }))
      : succeed(set);
  }

  count(expression: SetExpression, deadline: Deadline = NEVER): Outcome<number> {
    if ((expression.kind === 'and' || expression.kind === 'or') && expression.items.length === 1) {
      return this.count(expression.items[0]!, deadline);
    }
    if (expression.kind === 'word' && isPlain(expression.slot.pattern)) {
      const terms = this.findForms(expression.slot);
      if (terms.length <= 1)
        return succeed(terms.length === 0 ? 0 : this.countTerm(terms[0]!, expression.fields));
    }
    const found = this.evaluate(expression, deadline);
    return found.ok ? succeed(found.value.count()) : found;
  }

  forget(): void {
    this.memory.clear();
  }

  identify(expression: SetExpression): number {
    return this.memory.identify(expression);
  }

  /** With a mask, the set may lack records outside it; such a set is marked in `masked` and not remembered. */
  private find(expression: SetExpression, mask?: RecordSet): RecordSet {
    const id = this.memory.identify(expression);
    const known = this.memory.find(this.place, id);
    if (known) {
      this.statistics.reused++;
      return known;
    }
    if (this.isLate()) return new RecordSet(this.index.size);
    const outer = this.masked;
    this.masked = false;
    const set = this.compute(expression, this.isAskedAgain(expression, id) ? undefined : mask);
    this.statistics.computed++;
    if (!this.late && !this.masked) this.memory.keep(this.place, id, set);
    this.masked ||= outer;
    return set;
  }

  /** A phrase that is asked for again is found whole and remembered: variants of a query share it under other masks. */
  private isAskedAgain(expression: SetExpression, id: number): boolean {
    return expression.kind === 'phrase' && this.memory.isAskedAgain(this.place, id);
  }

  private compute(expression: SetExpression, mask: RecordSet | undefined): RecordSet {
    const { size } = this.index;
    switch (expression.kind) {
      case 'all':
        return RecordSet.all(size);
      case 'none':
        return new RecordSet(size);
      case 'given':
        return expression.set;
      case 'word':
        return this.findWord(expression);
      case 'phrase':
        return this.findPhrase(expression, mask);
      case 'near':
        return this.findNear(expression);
      case 'key':
        return this.findKey(expression.key);
      case 'identifier':
        return this.findIdentifier(expression.key);
      case 'range':
        return this.findRange(expression);
      case 'and':
        return this.findAll(expression.items, mask);
      case 'or':
        return this.findAny(expression.items, mask);
      case 'not':
        return this.find(expression.include, mask).clone().subtract(this.find(expression.exclude, mask));
    }
  }

  /** The cheapest first: what it leaves is all that the others are asked about. */
  private findAll(items: readonly SetExpression[], mask: RecordSet | undefined): RecordSet {
    if (items.length === 0) return RecordSet.all(this.index.size);
    const ordered = items.map((item) => ({ item, cost: estimateCost(item) })).sort((a, b) => a.cost - b.cost);
    const set = this.find(ordered[0]!.item, mask).clone();
    const wasMasked = this.masked;
    for (const { item } of ordered.slice(1)) {
      if (set.isEmpty()) break;
      set.intersect(this.find(item, set));
    }
    // What was asked within the first set is whole again once it is cut down to it.
    this.masked = wasMasked;
    return set;
  }

  /** A word with few records goes straight into the union: that costs less than a set of its own. */
  private findAny(items: readonly SetExpression[], mask: RecordSet | undefined): RecordSet {
    const set = new RecordSet(this.index.size);
    for (const item of items) {
      if (this.isLate()) break;
      const [term] = item.kind === 'word' && isPlain(item.slot.pattern) ? this.findForms(item.slot) : [];
      if (item.kind === 'word' && term !== undefined && countPostings(this.index, term) < set.words.length) {
        this.addTerm(set, term, item.fields);
      } else set.unite(this.find(item, mask));
    }
    return set;
  }

  /** As the deadline, and remembers that it has passed. */
  private readonly isLate: Deadline = () => (this.late ||= this.deadline());

  private findForms({ pattern, cap }: Slot): number[] {
    return findTerms(this.index, pattern, cap, this.isLate);
  }

  private findWord(expression: SetExpression & { kind: 'word' }): RecordSet {
    const set = new RecordSet(this.index.size);
    for (const term of this.findForms(expression.slot)) {
      if (this.isLate()) break;
      this.addTerm(set, term, expression.fields);
    }
    return set;
  }

  private addTerm(set: RecordSet, term: number, fields: FieldMask): void {
    const { words } = set;
    const wanted = fields << FREQUENCY_BITS;
    const { segments } = this.index;
    for (let number = 0; number < segments.length; number++) {
      const base = (number * SEGMENT_SIZE) >>> 5;
      const { docs, meta, starts } = segments[number]!;
      const end = starts[term + 1]!;
      for (let at = starts[term]!; at < end; at++) {
        if ((meta[at]! & wanted) === 0) continue;
        const doc = docs[at]!;
        words[base + (doc >>> 5)]! |= 1 << (doc & 31);
      }
    }
  }

  private countTerm(term: number, fields: FieldMask): number {
    const wanted = fields << FREQUENCY_BITS;
    let count = 0;
    for (const { starts, meta } of this.index.segments) {
      const end = starts[term + 1]!;
      for (let at = starts[term]!; at < end; at++) if ((meta[at]! & wanted) !== 0) count++;
    }
    return count;
  }

  /** Word by word where the wildcards allow few phrases, by lists of places where they allow many. */
  private findPhrase(expression: SetExpression & { kind: 'phrase' }, mask: RecordSet | undefined): RecordSet {
    const set = new RecordSet(this.index.size);
    const forms = expression.slots.map((slot) => this.findForms(slot));
    const phrases = forms.reduce((product, terms) => product * terms.length, 1);
    // Where one word has no form, the others must not be spelled out.
    if (phrases === 0) return set;
    const plain = phrases <= MAX_PLAIN_PHRASES ? combineForms(forms, phrases) : undefined;
    this.index.segments.forEach((segment, number) => {
      if (this.isLate()) return;
      const base = number * SEGMENT_SIZE;
      if (plain) {
        const isWanted = mask && ((doc: number): boolean => mask.has(base + doc));
        if (mask) this.masked = true;
        for (const terms of plain) {
          if (this.isLate()) return;
          visitPlainPhrase(
            segment,
            terms,
            expression.fields,
            isWanted,
            (doc) => {
              set.add(base + doc);
            },
            this.isLate,
          );
        }
        return;
      }
      for (const place of findPhrasePlaces(
        this.index,
        segment,
        expression.slots,
        expression.fields,
        this.isLate,
      )) {
        set.add(base + Math.floor(place / 65_536));
      }
    });
    return set;
  }

  private findNear(expression: SetExpression & { kind: 'near' }): RecordSet {
    const set = new RecordSet(this.index.size);
    this.index.segments.forEach((segment, number) => {
      if (this.isLate()) return;
      for (const doc of findNearRecords(this.index, segment, expression, expression.fields, this.isLate))
        set.add(number * SEGMENT_SIZE + doc);
    });
    return set;
  }

  private findKey(key: string): RecordSet {
    const set = new RecordSet(this.index.size);
    for (const record of findKeyRecords(this.index.keys, key)) set.add(record);
    return set;
  }

  private findIdentifier(key: number): RecordSet {
    const set = new RecordSet(this.index.size);
    const [high, low] = splitKey(key);
    const { identifiers } = this.index;
    for (let at = 0; at < identifiers.length; at += 2)
      if (identifiers[at + 1] === low && identifiers[at] === high && key !== 0) set.add(at >>> 1);
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

/** Groups by what they hold: the fewer phrases, the sooner. */
function estimateCost(expression: SetExpression): number {
  if (expression.kind === 'and' || expression.kind === 'or') {
    return expression.items.reduce(
      (sum, item) => sum + (item.kind === 'phrase' || item.kind === 'near' ? 0.1 : 0.001),
      COSTS.or,
    );
  }
  return COSTS[expression.kind];
}

/** A phrase with wildcards is spelled out to so many plain ones at most. */
const MAX_PLAIN_PHRASES = 200;

/** Every way to take one form of each word: the places in the lists count up like the digits of a number. */
function combineForms(forms: readonly (readonly number[])[], phrases: number): number[][] {
  return Array.from({ length: phrases }, (_, phrase) => {
    let rest = phrase;
    return forms.map((terms) => {
      const term = terms[rest % terms.length]!;
      rest = Math.floor(rest / terms.length);
      return term;
    });
  });
}

const COSTS: Readonly<Record<SetExpression['kind'], number>> = {
  none: 0,
  given: 0,
  key: 1,
  identifier: 1,
  word: 2,
  range: 3,
  all: 3,
  or: 4,
  and: 4,
  not: 5,
  phrase: 6,
  near: 7,
};

/**
 * A weight for each record of a set by how often, where and how rare its positive words stand. Once the
 * deadline has passed, by the words looked at so far: who has one asks it afterwards.
 */
export function scoreRecords(
  index: CollectionIndex,
  expression: SetExpression,
  set: RecordSet,
  deadline: Deadline = NEVER,
): Float32Array {
  const scores = new Float32Array(index.size);
  const isTerm = new Uint8Array(index.terms.length);
  for (const slot of listPositiveSlots(expression)) {
    if (deadline()) break;
    for (const term of findTerms(index, slot.pattern, slot.cap, deadline)) isTerm[term] = 1;
  }
  for (let term = isTerm.indexOf(1); term >= 0; term = isTerm.indexOf(1, term + 1)) {
    if (deadline()) break;
    const rarity = Math.log(1 + index.size / (1 + countPostings(index, term)));
    index.segments.forEach((segment, number) => {
      const end = segment.starts[term + 1]!;
      for (let at = segment.starts[term]!; at < end; at++) {
        const record = number * SEGMENT_SIZE + segment.docs[at]!;
        if (!set.has(record)) continue;
        const frequency = segment.meta[at]! & FREQUENCY_ESCAPE;
        const inTitle = ((segment.meta[at]! >>> FREQUENCY_BITS) & ALL_FIELDS & 1) === 1;
        scores[record]! += rarity * ((2.2 * frequency) / (frequency + 1.2) + (inTitle ? 2 : 0));
      }
    });
  }
  return scores;
}

function listPositiveSlots(expression: SetExpression): Slot[] {
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
    case 'key':
    case 'identifier':
    case 'range':
    case 'given':
    case 'all':
    case 'none':
      return [];
  }
}
