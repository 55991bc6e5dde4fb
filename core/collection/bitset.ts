/** A set of record numbers below `size`, as dense bits. */
export class RecordSet {
  readonly words: Uint32Array;

  constructor(
    readonly size: number,
    words?: Uint32Array,
  ) {
    this.words = words ?? new Uint32Array((size + 31) >>> 5);
  }

  /** The set of all records. */
  static all(size: number): RecordSet {
    const set = new RecordSet(size);
    set.words.fill(0xffffffff);
    const rest = size & 31;
    if (rest > 0) set.words[set.words.length - 1] = (1 << rest) - 1;
    return set;
  }

  add(record: number): void {
    const at = record >>> 5;
    this.words[at] = (this.words[at] ?? 0) | (1 << (record & 31));
  }

  has(record: number): boolean {
    return ((this.words[record >>> 5] ?? 0) & (1 << (record & 31))) !== 0;
  }

  clone(): RecordSet {
    return new RecordSet(this.size, this.words.slice());
  }

  /** Keeps what is in the other set too. */
  intersect(other: RecordSet): this {
    const { words } = this;
    const theirs = other.words;
    for (let at = 0; at < words.length; at++) words[at]! &= theirs[at]!;
    return this;
  }

  unite(other: RecordSet): this {
    const { words } = this;
    const theirs = other.words;
    for (let at = 0; at < words.length; at++) words[at]! |= theirs[at]!;
    return this;
  }

  subtract(other: RecordSet): this {
    const { words } = this;
    const theirs = other.words;
    for (let at = 0; at < words.length; at++) words[at]! &= ~theirs[at]!;
    return this;
  }

  /** Adds what two others have both. */
  uniteShared(a: RecordSet, b: RecordSet): this {
    const { words } = this;
    for (let at = 0; at < words.length; at++) words[at]! |= a.words[at]! & b.words[at]!;
    return this;
  }

  /** The size of the intersection, which is not made. */
  countShared(other: RecordSet): number {
    let total = 0;
    for (let at = 0; at < this.words.length; at++) total += countBits(this.words[at]! & other.words[at]!);
    return total;
  }

  /** The size of the difference, which is not made. */
  countWithout(other: RecordSet): number {
    let total = 0;
    for (let at = 0; at < this.words.length; at++) total += countBits(this.words[at]! & ~other.words[at]!);
    return total;
  }

  isEmpty(): boolean {
    return this.words.every((word) => word === 0);
  }

  count(): number {
    let total = 0;
    // Most sets are small: most words have no bit.
    for (const bits of this.words) if (bits !== 0) total += countBits(bits);
    return total;
  }

  /** The record numbers in order. */
  list(): number[] {
    const found: number[] = [];
    this.visit((record) => found.push(record));
    return found;
  }

  visit(take: (record: number) => void): void {
    for (let at = 0; at < this.words.length; at++) {
      let word = this.words[at]!;
      while (word !== 0) {
        const bit = 31 - Math.clz32(word & -word);
        take((at << 5) + bit);
        word &= word - 1;
      }
    }
  }
}

/** The number of ones of 32 bits. */
function countBits(bits: number): number {
  let word = bits;
  word -= (word >>> 1) & 0x55555555;
  word = (word & 0x33333333) + ((word >>> 2) & 0x33333333);
  return (Math.imul((word + (word >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24) | 0;
}
