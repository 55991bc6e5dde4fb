import type { WorkSigns } from './work-signs';

/** Of each title so many of its rarest words are looked at, two by two: a slip in one leaves the others. */
const RAREST = 4;
/** Records that share two rare words: more of them than that, and the words are not rare. */
const MAX_SHARING = 16;
/** Of records under one title, each is compared with so many that come next to it by author, year and source. */
const MAX_NEXT = 12;
/** Fewer first letters tell nothing. */
const LEAST_INITIALS = 5;
/** A code and a place fit one number: codes have 32 bits, places so many. */
const PLACE_BITS = 2 ** 21;

/**
 * Pairs of records that may be of one work, each once, the smaller place first: those with the same title, or main
 * title, those whose titles have the same first letters of words, and those that share rare words. The number of
 * pairs grows with the number of records, not with its square. At most two million records.
 */
export function findPairs(signs: readonly WorkSigns[]): [number, number][] {
  const { numbers, frequencies } = numberWords(signs);
  const sameTitle = new CodedPlaces();
  const sameRareWords = new CodedPlaces();
  signs.forEach(({ title, main }, at) => {
    if (title.length === 0) return;
    const words = title.map((word) => numbers.get(word)!);
    sameTitle.add(hashNumbers(words, words.length, 1), at);
    const isInTwo = main < title.length;
    if (isInTwo) sameTitle.add(hashNumbers(words, main, 1), at);
    if (title.length >= LEAST_INITIALS) sameTitle.add(hashInitials(title, title.length), at);
    if (isInTwo && main >= LEAST_INITIALS) sameTitle.add(hashInitials(title, main), at);
    const rarest = [...new Set(words)]
      .sort((a, b) => frequencies[a]! - frequencies[b]! || a - b)
      .slice(0, RAREST)
      .sort((a, b) => a - b);
    for (let one = 0; one < rarest.length; one++)
      for (let other = one + 1; other < rarest.length; other++)
        sameRareWords.add(hashNumbers([rarest[one]!, rarest[other]!], 2, 2), at);
  });
  const pairs = new PairList(signs.length);
  for (const group of sameTitle.list())
    pairs.addNeighbours(group.length > MAX_NEXT ? sortBeside(group, signs) : group, MAX_NEXT);
  for (const group of sameRareWords.list())
    if (group.length <= MAX_SHARING) pairs.addNeighbours(group, MAX_SHARING);
  return pairs.list();
}

/** A number for each word, and how many titles have it. */
function numberWords(signs: readonly WorkSigns[]): {
  readonly numbers: ReadonlyMap<string, number>;
  readonly frequencies: readonly number[];
} {
  const numbers = new Map<string, number>();
  const frequencies: number[] = [];
  const sorted = new Set<string>();
  for (const { title } of signs) for (const word of title) sorted.add(word);
  // In the order of the alphabet: which of two equally rare words is taken must not hang on the order of the records.
  for (const word of [...sorted].sort()) numbers.set(word, frequencies.push(0) - 1);
  for (const { title } of signs) for (const word of title) frequencies[numbers.get(word)!]!++;
  return { numbers, frequencies };
}

/** 32 bits for the first of some numbers; a chance meeting costs a comparison, nothing else. */
function hashNumbers(values: readonly number[], count: number, seed: number): number {
  let hash = 0x811c9dc5 ^ seed;
  for (let at = 0; at < count; at++) {
    hash = Math.imul(hash ^ values[at]!, 0x01000193);
    hash ^= hash >>> 15;
  }
  return Math.imul(hash, 0x2c1b3c6d) >>> 0;
}

/** The first letters of the words, which slips of the pen hardly ever change. */
function hashInitials(title: readonly string[], count: number): number {
  return hashNumbers(
    title.map((word) => word.charCodeAt(0)),
    count,
    3,
  );
}

/** Places under codes, as numbers that are sorted together: far less to keep than a list for each code. */
class CodedPlaces {
  private values = new Float64Array(1_024);
  private count = 0;

  add(code: number, place: number): void {
    if (this.count === this.values.length) {
      const wider = new Float64Array(2 * this.count);
      wider.set(this.values);
      this.values = wider;
    }
    this.values[this.count++] = code * PLACE_BITS + place;
  }

  /** The places of each code that has several, each once. */
  list(): number[][] {
    const sorted = this.values.subarray(0, this.count).sort();
    const groups: number[][] = [];
    for (let at = 0; at < sorted.length;) {
      const code = Math.floor(sorted[at]! / PLACE_BITS);
      let end = at + 1;
      while (end < sorted.length && Math.floor(sorted[end]! / PLACE_BITS) === code) end++;
      if (end > at + 1) {
        const places = new Set<number>();
        for (; at < end; at++) places.add(sorted[at]! - code * PLACE_BITS);
        if (places.size > 1) groups.push([...places]);
      }
      at = end;
    }
    return groups;
  }
}

/** Pairs of places, each once. */
class PairList {
  private readonly pairs = new Set<number>();

  constructor(private readonly size: number) {}

  /** Each place with so many that come after it. */
  addNeighbours(places: readonly number[], most: number): void {
    for (let at = 0; at < places.length; at++)
      for (let next = at + 1; next < Math.min(places.length, at + 1 + most); next++) {
        const [one, other] = [places[at]!, places[next]!];
        this.pairs.add(one < other ? one * this.size + other : other * this.size + one);
      }
  }

  list(): [number, number][] {
    return [...this.pairs].map((pair) => [Math.floor(pair / this.size), pair % this.size]);
  }
}

function sortBeside(group: readonly number[], signs: readonly WorkSigns[]): number[] {
  const keyOf = (at: number): string => {
    const { family, year, source, given } = signs[at]!;
    return `${family} ${year} ${source} ${given}`;
  };
  return group
    .map((at) => ({ at, key: keyOf(at) }))
    .sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : a.at - b.at))
    .map(({ at }) => at);
}
