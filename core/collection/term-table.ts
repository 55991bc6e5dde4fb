const FACTOR = 0x01000193;
const START = 0x811c9dc5;

/** The hash with one more letter (FNV-1a over UTF-16 units). */
export function addToHash(hash: number, code: number): number {
  return Math.imul(hash ^ code, FACTOR);
}

/** The hash of no letters. */
export const EMPTY_HASH = START;

/**
 * Numbers words in the order of their first appearance. Words are looked up by their letters in a buffer. So
 * building an index makes no string for a known word.
 */
export class TermTable {
  readonly terms: string[] = [];
  /** Places of the table hold a term's number plus one; open addressing. */
  private table = new Uint32Array(1 << 16);
  private hashes = new Int32Array(1 << 12);
  private starts = new Uint32Array((1 << 12) + 1);
  private letters = new Uint16Array(1 << 16);

  /** The number of a word given as the first `length` letters of a buffer. */
  number(buffer: Uint16Array, length: number, hash: number): number {
    const mask = this.table.length - 1;
    let place = (hash ^ (hash >>> 15)) & mask;
    for (let term = this.table[place]!; term !== 0; term = this.table[place]!) {
      if (this.hashes[term - 1] === hash && this.isSame(term - 1, buffer, length)) return term - 1;
      place = (place + 1) & mask;
    }
    return this.add(buffer, length, hash, place);
  }

  /** The number of a word given as a string. */
  numberText(text: string, buffer: Uint16Array): number {
    if (text.length > buffer.length) return this.numberText(text.slice(0, buffer.length), buffer);
    let hash = EMPTY_HASH;
    for (let at = 0; at < text.length; at++) {
      const code = text.charCodeAt(at);
      buffer[at] = code;
      hash = addToHash(hash, code);
    }
    return this.number(buffer, text.length, hash);
  }

  private isSame(term: number, buffer: Uint16Array, length: number): boolean {
    const start = this.starts[term]!;
    if (this.starts[term + 1]! - start !== length) return false;
    for (let at = 0; at < length; at++) if (this.letters[start + at] !== buffer[at]) return false;
    return true;
  }

  private add(buffer: Uint16Array, length: number, hash: number, place: number): number {
    const term = this.terms.length;
    const start = this.starts[term]!;
    this.reserve(term + 1, start + length);
    this.letters.set(buffer.subarray(0, length), start);
    this.starts[term + 1] = start + length;
    this.hashes[term] = hash;
    this.terms.push(String.fromCharCode(...buffer.subarray(0, length)));
    this.table[place] = term + 1;
    if (this.terms.length * 2 > this.table.length) this.rehash();
    return term;
  }

  private reserve(terms: number, letters: number): void {
    if (terms >= this.hashes.length) {
      this.hashes = copyInto(new Int32Array(terms * 2), this.hashes);
      this.starts = copyInto(new Uint32Array(terms * 2 + 1), this.starts);
    }
    if (letters > this.letters.length) this.letters = copyInto(new Uint16Array(letters * 2), this.letters);
  }

  private rehash(): void {
    const table = new Uint32Array(this.table.length * 2);
    const mask = table.length - 1;
    for (let term = 0; term < this.terms.length; term++) {
      const hash = this.hashes[term]!;
      let place = (hash ^ (hash >>> 15)) & mask;
      while (table[place] !== 0) place = (place + 1) & mask;
      table[place] = term + 1;
    }
    this.table = table;
  }
}

function copyInto<T extends Int32Array | Uint32Array | Uint16Array>(wider: T, old: T): T {
  wider.set(old);
  return wider;
}
