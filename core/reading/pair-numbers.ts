/** Before the first pair, room for so many. */
const FIRST_ROOM = 1 << 12;
/** A place that no pair has. */
const FREE = -1;

/** Gives pairs of numbers a number each, from 0 in the order in which they come: a hash table of three arrays. */
export class PairNumbers {
  private room = FIRST_ROOM;
  private slots = new Int32Array(2 * FIRST_ROOM).fill(FREE);
  /** The pairs by their numbers. */
  firsts = new Int32Array(FIRST_ROOM);
  seconds = new Int32Array(FIRST_ROOM);
  size = 0;

  /** The number of a pair; a new one if it is met for the first time. */
  number(first: number, second: number): number {
    const mask = this.slots.length - 1;
    let at = hash(first, second) & mask;
    for (;;) {
      const known = this.slots[at]!;
      if (known === FREE) break;
      if (this.firsts[known] === first && this.seconds[known] === second) return known;
      at = (at + 1) & mask;
    }
    if (this.size === this.room) {
      this.grow();
      return this.number(first, second);
    }
    this.slots[at] = this.size;
    this.firsts[this.size] = first;
    this.seconds[this.size] = second;
    return this.size++;
  }

  private grow(): void {
    this.room *= 2;
    const widen = (old: Int32Array): Int32Array<ArrayBuffer> => {
      const wider = new Int32Array(this.room);
      wider.set(old);
      return wider;
    };
    this.firsts = widen(this.firsts);
    this.seconds = widen(this.seconds);
    this.slots = new Int32Array(2 * this.room).fill(FREE);
    const mask = this.slots.length - 1;
    for (let pair = 0; pair < this.size; pair++) {
      let at = hash(this.firsts[pair]!, this.seconds[pair]!) & mask;
      while (this.slots[at] !== FREE) at = (at + 1) & mask;
      this.slots[at] = pair;
    }
  }
}

function hash(first: number, second: number): number {
  const mixed = Math.imul(first, 0x9e3779b1) ^ Math.imul(second, 0x85ebca6b);
  return mixed ^ (mixed >>> 15);
}
