import { addExtents, type Extent } from './lay-out';

// Things of some sizes put into as few bins as hold them: what a string that is too long is split by.

/** Up to so many things the fewest bins are found for sure. */
const EXACT_MEMBERS = 14;
const EXACT_STEPS = 50_000;

/** Two extents together. */
export function add(a: Extent, b: Extent): Extent {
  return {
    characters: a.characters + b.characters,
    truncations: a.truncations + b.truncations,
    words: a.words + b.words,
  };
}

/** What is left of an extent. */
export function subtract(a: Extent, b: Extent): Extent {
  return {
    characters: a.characters - b.characters,
    truncations: a.truncations - b.truncations,
    words: a.words - b.words,
  };
}

/** Shares of about the same size, by the limit that is nearest. */
export function shareOut(sizes: readonly Extent[], count: number, limits: Extent): number[][] {
  const shares = Array.from({ length: Math.min(count, sizes.length) }, () => ({
    weight: 0,
    places: [] as number[],
  }));
  const weights = sizes.map((size) => weigh(size, limits));
  const order = sizes.map((_, at) => at).sort((a, b) => weights[b]! - weights[a]!);
  for (const at of order) {
    const least = shares.reduce((a, b) => (b.weight < a.weight ? b : a));
    least.places.push(at);
    least.weight += weights[at]!;
  }
  return shares.map((share) => share.places.sort((a, b) => a - b));
}

/**
 * Puts things of some sizes into the fewest bins of one size: exactly for few things, else by
 * taking the largest first. The places of the things in each bin; nothing if more than `most`.
 */
export function packBins(sizes: readonly Extent[], room: Extent, most: number): number[][] | undefined {
  if (sizes.some((size) => !isSmaller(size, room)) || countLeastBins(sizes, room) > most) return undefined;
  const weights = sizes.map((size) => weigh(size, room));
  const order = sizes.map((_, at) => at).sort((a, b) => weights[b]! - weights[a]!);
  const quick = packLargestFirst(order, sizes, room);
  let best = quick && quick.length <= most ? quick : undefined;
  const least = countLeastBins(sizes, room);
  const limit = Math.min(most, (quick?.length ?? most + 1) - 1);
  if (sizes.length <= EXACT_MEMBERS && limit >= least) {
    for (let count = least; count <= limit; count++) {
      const exact = packExactly(order, sizes, room, count);
      if (!exact) continue;
      best = exact;
      break;
    }
  }
  return best?.map((bin) => [...bin].sort((a, b) => a - b)).sort((a, b) => a[0]! - b[0]!);
}

/** As few bins as the sums of the sizes allow; the shapes of the things may need more. */
export function countLeastBins(sizes: readonly Extent[], room: Extent): number {
  const { characters, truncations, words } = addExtents(sizes);
  return Math.max(
    1,
    divide(characters, room.characters),
    divide(truncations, room.truncations),
    divide(words, room.words),
  );
}

function divide(used: number, free: number): number {
  return free === Infinity ? 1 : Math.ceil(used / Math.max(1, free));
}

function packLargestFirst(
  order: readonly number[],
  sizes: readonly Extent[],
  room: Extent,
): number[][] | undefined {
  const bins: { used: Extent; places: number[] }[] = [];
  for (const at of order) {
    const size = sizes[at]!;
    if (!isSmaller(size, room)) return undefined;
    const bin = bins.find(({ used }) => isSmaller(add(used, size), room));
    if (bin) {
      bin.places.push(at);
      bin.used = add(bin.used, size);
    } else bins.push({ used: size, places: [at] });
  }
  return bins.map((bin) => bin.places);
}

/** Tries every way to put the things into so many bins, the largest first, without those that cannot end well. */
function packExactly(
  order: readonly number[],
  sizes: readonly Extent[],
  room: Extent,
  count: number,
): number[][] | undefined {
  let steps = 0;
  const bins = Array.from({ length: count }, () => ({ free: room, places: [] as number[] }));
  const rests = listRests(order.map((at) => sizes[at]!));
  const place = (next: number, lastBin: number): boolean => {
    const rest = rests[next];
    if (!rest) return true;
    if (++steps > EXACT_STEPS || !mayHold(bins, rest)) return false;
    const at = order[next]!;
    const size = sizes[at]!;
    for (let number = lastBin; number < count; number++) {
      const bin = bins[number]!;
      // Bins with the same left are alike: one of them is enough.
      const isTried = bins.slice(lastBin, number).some(({ free }) => isEqual(free, bin.free));
      if (isTried || !isSmaller(size, bin.free)) continue;
      const before = bin.free;
      bin.free = subtract(before, size);
      bin.places.push(at);
      const following = sizes[order[next + 1] ?? -1];
      // Of things that are alike, the later one goes into no earlier bin.
      if (place(next + 1, following && isEqual(following, size) ? number : 0)) return true;
      bin.places.pop();
      bin.free = before;
    }
    return false;
  };
  return place(0, 0) ? bins.map(({ places }) => places).filter(({ length }) => length > 0) : undefined;
}

/** What is still to be placed, before each thing. */
interface Rest {
  readonly total: Extent;
  /** The smallest of each measure: a bin that does not have that much left is full. */
  readonly least: Extent;
}

function listRests(sizes: readonly Extent[]): Rest[] {
  const rests: Rest[] = [];
  for (const size of sizes.toReversed()) {
    const after = rests.at(-1);
    rests.push(
      after
        ? { total: add(after.total, size), least: findLeast(after.least, size) }
        : { total: size, least: size },
    );
  }
  return rests.reverse();
}

function findLeast(a: Extent, b: Extent): Extent {
  return {
    characters: Math.min(a.characters, b.characters),
    truncations: Math.min(a.truncations, b.truncations),
    words: Math.min(a.words, b.words),
  };
}

/** True unless what the bins have left is too little for the rest, whatever its shapes. */
function mayHold(bins: readonly { readonly free: Extent }[], { total, least }: Rest): boolean {
  let [characters, truncations, words] = [0, 0, 0];
  for (const { free } of bins) {
    if (!isSmaller(least, free)) continue;
    characters += free.characters;
    truncations += free.truncations;
    words += free.words;
  }
  return isSmaller(total, { characters, truncations, words });
}

function isEqual(a: Extent, b: Extent): boolean {
  return a.characters === b.characters && a.truncations === b.truncations && a.words === b.words;
}

function weigh(size: Extent, room: Extent): number {
  return Math.max(
    weighOne(size.characters, room.characters),
    weighOne(size.truncations, room.truncations),
    weighOne(size.words, room.words),
  );
}

function weighOne(used: number, free: number): number {
  return free === Infinity || free <= 0 ? 0 : used / free;
}

function isSmaller(size: Extent, room: Extent): boolean {
  return (
    size.characters <= room.characters && size.truncations <= room.truncations && size.words <= room.words
  );
}
