import type { Dialect } from './dialect';
import { addExtents, isWithin, measure, type Extent } from './lay-out';
import { joinTrees, listMembers, type StringTree } from './string-tree';

/** The most strings that one query is split into. */
export const MOST_PARTS = 24;
/** Up to so many members the fewest parts are found for sure. */
const EXACT_MEMBERS = 14;
const EXACT_STEPS = 50_000;
/** So many of the largest groups are split together. */
const JOINED_GROUPS = 4;

/** An OR of the tree whose members may be shared out among several strings. */
interface SplitGroup {
  readonly members: readonly StringTree[];
  readonly sizes: readonly Extent[];
  /** All of them together. */
  readonly total: Extent;
  /** A tree that has this group with other members in the place of all of these; its other groups stay where they are. */
  readonly withMembers: (tree: StringTree, members: readonly StringTree[]) => StringTree;
}

/**
 * Splits a tree that a database does not take into few trees that it takes, whose results together
 * are those of the tree: the members of an OR that stands under ANDs only are shared out. For one
 * group of up to 14 members the number is the least possible; several groups and larger ones are
 * searched within a bound. Nothing if no split of at most `MOST_PARTS` is found.
 */
export function splitTree(tree: StringTree, dialect: Dialect): StringTree[] | undefined {
  const whole = measure(tree, dialect);
  if (isWithin(whole, dialect)) return [tree];
  // Every member stands in some part: so much cannot stand in so few.
  if (countLeastBins([whole], createLimits(dialect)) > MOST_PARTS) return undefined;
  const groups = findGroups(tree, dialect)
    .sort((a, b) => b.total.characters - a.total.characters)
    .slice(0, JOINED_GROUPS);
  const plan = planSplit(groups, whole, dialect);
  const parts = plan && carryOut(plan, tree);
  return parts?.every((part) => isWithin(measure(part, dialect), dialect)) ? parts : undefined;
}

/** The ORs that can be split, with the ways to put other members into them. */
function findGroups(tree: StringTree, dialect: Dialect): SplitGroup[] {
  const found: SplitGroup[] = [];
  const visit = (part: StringTree, path: readonly number[]): void => {
    if (part.kind === 'wrap') {
      visit(part.item, [...path, 0]);
      return;
    }
    if (part.kind !== 'join') return;
    if (part.items.length > 1 && part.operator === 'or') {
      const members = listMembers(part, 'or');
      const operator = dialect.operators.or.write.length + 2;
      const sizes = members.map((member) => {
        const size = measure(member, dialect);
        const brackets = member.kind === 'atom' ? 0 : 2;
        return { ...size, characters: size.characters + operator + brackets };
      });
      const withMembers: SplitGroup['withMembers'] = (whole, others) =>
        replaceAt(whole, path, joinTrees(part.node, 'or', others));
      found.push({ members, sizes, total: addExtents(sizes), withMembers });
      return;
    }
    part.items.forEach((item, at) => {
      if (part.operator !== 'not' || at === 0) visit(item, [...path, at]);
    });
  };
  visit(tree, []);
  return found;
}

function replaceAt(tree: StringTree, [at, ...rest]: readonly number[], other: StringTree): StringTree {
  if (at === undefined) return other;
  if (tree.kind === 'wrap') return { ...tree, item: replaceAt(tree.item, rest, other) };
  if (tree.kind !== 'join') return tree;
  return {
    ...tree,
    items: tree.items.map((item, place) => (place === at ? replaceAt(item, rest, other) : item)),
  };
}

/** Which group is packed last, and the shares of the others. */
interface SplitPlan {
  readonly last: SplitGroup;
  readonly others: readonly SplitGroup[];
  readonly shares: readonly (readonly (readonly number[])[])[];
  /** For each way to take one share of every other group: the bins of the last one. */
  readonly bins: readonly (readonly (readonly number[])[])[];
}

/**
 * Plans a split by sizes alone: all groups but one are shared out equally, every part of the one with
 * every part of the others, and the last one is packed as tightly as what is left in each allows. The
 * numbers of parts with the smallest product are tried first, until nothing smaller can follow.
 */
function planSplit(groups: readonly SplitGroup[], whole: Extent, dialect: Dialect): SplitPlan | undefined {
  const limits = createLimits(dialect);
  const rest = groups.reduce((left, group) => subtract(left, group.total), whole);
  const known = new Map<SplitGroup, Map<number, number[][]>>();
  /** The shares of a group are the same whatever the others do. */
  const share = (group: SplitGroup, count: number): number[][] => {
    const made = known.get(group) ?? new Map<number, number[][]>();
    known.set(group, made);
    const shares = made.get(count) ?? shareOut(group.sizes, count, limits);
    made.set(count, shares);
    return shares;
  };
  let best: SplitPlan | undefined;
  let fewest = MOST_PARTS + 1;
  for (const last of groups) {
    const others = groups.filter((group) => group !== last);
    for (const counts of listCounts(others.length)) {
      const product = multiply(counts);
      if (product > 1 && product * 2 >= fewest) break;
      if (!mayFit(rest, last, others, counts, Math.floor((fewest - 1) / product), limits)) continue;
      const shares = others.map((group, at) => share(group, counts[at] ?? 1));
      const bins = packLast(last, listRests(rest, others, shares), limits, fewest - 1);
      if (!bins) continue;
      best = { last, others, shares, bins };
      fewest = countBins(bins);
    }
  }
  return best;
}

/** A quick look before the long one: equal shares, and as many bins as may be, would fit at best. */
function mayFit(
  rest: Extent,
  last: SplitGroup,
  others: readonly SplitGroup[],
  counts: readonly number[],
  bins: number,
  limits: Extent,
): boolean {
  if (others.some(({ members }, at) => (counts[at] ?? 1) > members.length)) return false;
  const least = (read: (extent: Extent) => number): number =>
    others.reduce(
      (sum, group, at) => sum + read(group.total) / (counts[at] ?? 1),
      read(rest) + read(last.total) / bins,
    );
  return (
    least(({ characters }) => characters) <= limits.characters &&
    least(({ truncations }) => truncations) <= limits.truncations &&
    least(({ words }) => words) <= limits.words
  );
}

function countBins(bins: SplitPlan['bins']): number {
  return bins.reduce((sum, some) => sum + some.length, 0);
}

/** What stands beside the last group, for each way to take one share of every other group. */
function listRests(rest: Extent, groups: readonly SplitGroup[], shares: SplitPlan['shares']): Extent[] {
  let rests = [rest];
  groups.forEach((group, at) => {
    const sums = (shares[at] ?? []).map((share) => addExtents(share.map((place) => group.sizes[place]!)));
    rests = rests.flatMap((one) => sums.map((sum) => addExtents([one, sum])));
  });
  return rests;
}

/** Packs the last group beside each rest; nothing if that takes more than `most` strings. */
function packLast(
  last: SplitGroup,
  rests: readonly Extent[],
  limits: Extent,
  most: number,
): SplitPlan['bins'] | undefined {
  const bins: number[][][] = [];
  let left = most;
  for (const rest of rests) {
    const packed = packBins(last.sizes, subtract(limits, rest), left);
    if (!packed) return undefined;
    left -= packed.length;
    bins.push(packed);
    if (left < rests.length - bins.length) return undefined;
  }
  return bins;
}

function carryOut({ last, others, shares, bins }: SplitPlan, tree: StringTree): StringTree[] {
  return combineShares(tree, others, shares).flatMap((part, at) =>
    (bins[at] ?? []).map((bin) =>
      last.withMembers(
        part,
        bin.map((place) => last.members[place]!),
      ),
    ),
  );
}

const COUNTS = new Map<number, readonly (readonly number[])[]>();

/** Numbers of parts for each of so many groups, those with the smallest product first; made once. */
function listCounts(groups: number): readonly (readonly number[])[] {
  const known = COUNTS.get(groups);
  if (known) return known;
  let rows: number[][] = [[]];
  for (let group = 0; group < groups; group++) {
    rows = rows.flatMap((row) =>
      Array.from({ length: Math.floor(MOST_PARTS / multiply(row)) }, (_, at) => [...row, at + 1]),
    );
  }
  rows.sort((a, b) => multiply(a) - multiply(b));
  COUNTS.set(groups, rows);
  return rows;
}

function multiply(numbers: readonly number[]): number {
  return numbers.reduce((product, number) => product * number, 1);
}

function combineShares(
  tree: StringTree,
  groups: readonly SplitGroup[],
  shares: readonly (readonly (readonly number[])[])[],
): StringTree[] {
  let parts = [tree];
  groups.forEach((group, at) => {
    parts = parts.flatMap((part) =>
      (shares[at] ?? []).map((share) =>
        group.withMembers(
          part,
          share.map((place) => group.members[place]!),
        ),
      ),
    );
  });
  return parts;
}

function createLimits({ most }: Dialect): Extent {
  return {
    characters: most.characters ?? Infinity,
    truncations: most.truncations ?? Infinity,
    words: most.words ?? Infinity,
  };
}

function subtract(a: Extent, b: Extent): Extent {
  return {
    characters: a.characters - b.characters,
    truncations: a.truncations - b.truncations,
    words: a.words - b.words,
  };
}

/** Shares of about the same size, by the limit that is nearest. */
function shareOut(sizes: readonly Extent[], count: number, limits: Extent): number[][] {
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

function countLeastBins(sizes: readonly Extent[], room: Extent): number {
  const total = addExtents(sizes);
  const share = (used: number, free: number): number =>
    free === Infinity ? 1 : Math.ceil(used / Math.max(1, free));
  return Math.max(
    1,
    share(total.characters, room.characters),
    share(total.truncations, room.truncations),
    share(total.words, room.words),
  );
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
    const bin = bins.find(({ used }) => isSmaller(addExtents([used, size]), room));
    if (bin) {
      bin.places.push(at);
      bin.used = addExtents([bin.used, size]);
    } else bins.push({ used: size, places: [at] });
  }
  return bins.map((bin) => bin.places);
}

function packExactly(
  order: readonly number[],
  sizes: readonly Extent[],
  room: Extent,
  count: number,
): number[][] | undefined {
  let steps = 0;
  const used: Extent[] = Array.from({ length: count }, () => addExtents([]));
  const bins: number[][] = Array.from({ length: count }, () => []);
  const place = (next: number): boolean => {
    if (next === order.length) return true;
    if (++steps > EXACT_STEPS) return false;
    const at = order[next]!;
    for (let bin = 0; bin < count; bin++) {
      const before = used[bin]!;
      const after = addExtents([before, sizes[at]!]);
      if (isSmaller(after, room)) {
        used[bin] = after;
        bins[bin]!.push(at);
        if (place(next + 1)) return true;
        bins[bin]!.pop();
        used[bin] = before;
      }
      // Empty bins are alike: one try is enough.
      if (bins[bin]!.length === 0) break;
    }
    return false;
  };
  return place(0) ? bins.filter((bin) => bin.length > 0) : undefined;
}

function weigh(size: Extent, room: Extent): number {
  const part = (used: number, free: number): number => (free === Infinity || free <= 0 ? 0 : used / free);
  return Math.max(
    part(size.characters, room.characters),
    part(size.truncations, room.truncations),
    part(size.words, room.words),
  );
}

function isSmaller(size: Extent, room: Extent): boolean {
  return (
    size.characters <= room.characters && size.truncations <= room.truncations && size.words <= room.words
  );
}
