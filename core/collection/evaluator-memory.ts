import { LRUCache } from 'lru-cache';
import type { RecordSet } from './bitset';
import { ExpressionIds } from './expression-ids';
import type { SetExpression } from './expression';

/** The sets of an evaluator that has its memory for itself may take so many bytes. */
const USUAL_BYTES = 64 * 1024 * 1024;
/** What a set takes beside its bits: bytes. */
const SET_OVERHEAD = 200;
/** So many evaluators can share one memory. */
const MAX_EVALUATORS = 64;

/**
 * What evaluators remember: numbers of expressions, and the record sets that were found. Several
 * evaluators can share one, so that one bound holds for all of them. The set that is unused for the
 * longest time goes first.
 */
export class EvaluatorMemory {
  private readonly ids = new ExpressionIds();
  private readonly sets: LRUCache<number, RecordSet>;
  /** The phrases that were asked for. */
  private readonly phrases = new Set<number>();
  private evaluators = 0;

  /** `maxBytes` bounds the sets. */
  constructor(maxBytes = USUAL_BYTES) {
    this.sets = new LRUCache({
      maxSize: maxBytes,
      sizeCalculation: (set) => set.words.byteLength + SET_OVERHEAD,
    });
  }

  /** Takes in one more evaluator: its place tells its sets from those of the others. */
  join(): number {
    if (this.evaluators === MAX_EVALUATORS)
      throw new RangeError(`At most ${MAX_EVALUATORS} evaluators share a memory.`);
    return this.evaluators++;
  }

  /** A number that equal expressions share. */
  identify(expression: SetExpression): number {
    return this.ids.find(expression);
  }

  find(place: number, id: number): RecordSet | undefined {
    return this.sets.get(createKey(place, id));
  }

  keep(place: number, id: number, set: RecordSet): void {
    this.sets.set(createKey(place, id), set);
  }

  /** Whether a phrase was asked for before; from now on it was. */
  isAskedAgain(place: number, id: number): boolean {
    const key = createKey(place, id);
    if (this.phrases.has(key)) return true;
    this.phrases.add(key);
    return false;
  }

  /** Begins anew if too many expressions are remembered: numbers given before then mean nothing any more. */
  makeRoom(): void {
    if (this.ids.isFull) this.clear();
  }

  clear(): void {
    this.sets.clear();
    this.phrases.clear();
    this.ids.clear();
  }
}

function createKey(place: number, id: number): number {
  return id * MAX_EVALUATORS + place;
}
