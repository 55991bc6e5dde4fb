import type { Dialect } from '../profile';
import { addExtents, isWithin, measure, type Extent } from './lay-out';
import { add, countLeastBins, packBins, shareOut, subtract } from './pack';
import { joinTrees, listMembers, type Join, type StringTree } from './string-tree';

/** The most strings that one query is split into. */
export const MAX_PARTS = 24;
/** So many of the largest groups are split together. */
const JOINED_GROUPS = 4;

/** An OR whose members may be shared out among several strings, wherever it stands. */
interface SplitGroup {
  readonly members: readonly StringTree[];
  readonly sizes: readonly Extent[];
  /** All of them together. */
  readonly total: Extent;
  /** The ways to share it out that were asked for, by the number of shares. */
  readonly shares: Map<number, Shares>;
  /** The ways to pack it that were asked for, by the room of each bin. */
  readonly packed: Map<string, number[][] | undefined>;
  /** The OR of some of its members, the same value for the same ones. */
  readonly join: (places: readonly number[]) => StringTree;
}

/** A group shared out: the places of the members in each share, and how large the shares are. */
interface Shares {
  readonly places: readonly (readonly number[])[];
  readonly sizes: readonly Extent[];
}

/** A group in the place where it stands in a tree. */
interface PlacedGroup {
  readonly group: SplitGroup;
  readonly path: readonly number[];
}

/**
 * Splits a tree that is too long for a database into few shorter trees. Their results together are those of
 * the tree: the members of an OR that stands under ANDs only are shared out. For one group of up to 14 members
 * the number is the least possible; several groups and larger ones are searched within a bound. Nothing if no
 * split of at most `MAX_PARTS` is found.
 */
export function splitTree(tree: StringTree, dialect: Dialect): StringTree[] | undefined {
  const whole = measure(tree, dialect);
  if (isWithin(whole, dialect)) return [tree];
  // Every member stands in some part: so much cannot stand in so few.
  if (countLeastBins([whole], createLimits(dialect)) > MAX_PARTS) return undefined;
  const groups = findGroups(tree, dialect)
    .sort((a, b) => b.group.total.characters - a.group.total.characters)
    .slice(0, JOINED_GROUPS);
  const plan = planSplit(groups, whole, dialect);
  const parts = plan && carryOut(plan, tree);
  return parts?.every((part) => isWithin(measure(part, dialect), dialect)) ? parts : undefined;
}

/** The ORs that can be split, with their places. */
function findGroups(tree: StringTree, dialect: Dialect): PlacedGroup[] {
  const found: PlacedGroup[] = [];
  const visit = (part: StringTree, path: readonly number[]): void => {
    if (part.kind === 'wrap') {
      visit(part.item, [...path, 0]);
      return;
    }
    if (part.kind !== 'join') return;
    if (part.items.length > 1 && part.operator === 'or') {
      found.push({ group: recallGroup(part, dialect), path });
      return;
    }
    part.items.forEach((item, at) => {
      if (part.operator !== 'not' || at === 0) visit(item, [...path, at]);
    });
  };
  visit(tree, []);
  return found;
}

const GROUPS = new WeakMap<Dialect, WeakMap<StringTree, SplitGroup>>();

/** Trees are values: a group that stands in many queries is looked at once. */
function recallGroup(tree: Join, dialect: Dialect): SplitGroup {
  const groups = GROUPS.get(dialect) ?? new WeakMap<StringTree, SplitGroup>();
  GROUPS.set(dialect, groups);
  const group = groups.get(tree) ?? createGroup(tree, dialect);
  groups.set(tree, group);
  return group;
}

function createGroup(tree: Join, dialect: Dialect): SplitGroup {
  const members = listMembers(tree, 'or');
  const operator = dialect.operators.or.write.length + 2;
  const sizes = members.map((member) => {
    const size = measure(member, dialect);
    const brackets = member.kind === 'atom' ? 0 : 2;
    return { ...size, characters: size.characters + operator + brackets };
  });
  const joined = new Map<string, StringTree>();
  const join: SplitGroup['join'] = (places) => {
    const key = places.join();
    const known = joined.get(key);
    if (known) return known;
    const made = joinTrees(
      tree.node,
      'or',
      places.map((place) => members[place]!),
    );
    joined.set(key, made);
    return made;
  };
  return { members, sizes, total: addExtents(sizes), shares: new Map(), packed: new Map(), join };
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
  readonly last: PlacedGroup;
  readonly others: readonly PlacedGroup[];
  readonly shares: readonly Shares[];
  /** For each way to take one share of every other group: the bins of the last one. */
  readonly bins: readonly (readonly (readonly number[])[])[];
}

/**
 * Plans a split by sizes alone: all groups but one are shared out equally, every part of the one with
 * every part of the others, and the last one is packed as tightly as what is left in each allows. The
 * numbers of parts with the smallest product are tried first, until nothing smaller can follow.
 */
function planSplit(groups: readonly PlacedGroup[], whole: Extent, dialect: Dialect): SplitPlan | undefined {
  const limits = createLimits(dialect);
  const rest = groups.reduce((left, { group }) => subtract(left, group.total), whole);
  let best: SplitPlan | undefined;
  let fewest = MAX_PARTS + 1;
  for (const last of groups) {
    const others = groups.filter((group) => group !== last);
    for (const { counts, product } of listCounts(others.length)) {
      if (product > 1 && product * 2 >= fewest) break;
      if (!mayFit(rest, last.group, others, counts, Math.floor((fewest - 1) / product), limits)) continue;
      const shares = others.map(({ group }, at) => recallShares(group, counts[at] ?? 1, limits));
      const bins = packLast(last.group, listRests(rest, shares), limits, fewest - 1);
      if (!bins) continue;
      best = { last, others, shares, bins };
      fewest = countBins(bins);
    }
  }
  return best;
}

/** The shares of a group are the same whatever the others do. */
function recallShares({ sizes, shares }: SplitGroup, count: number, limits: Extent): Shares {
  const known = shares.get(count);
  if (known) return known;
  const places = shareOut(sizes, count, limits);
  const made = {
    places,
    sizes: places.map((share) => addExtents(share.map((place) => sizes[place]!))),
  };
  shares.set(count, made);
  return made;
}

/** A quick look before the long one, asked thousands of times: equal shares, and as many bins as may be, would fit at best. */
function mayFit(
  rest: Extent,
  last: SplitGroup,
  others: readonly PlacedGroup[],
  counts: readonly number[],
  bins: number,
  limits: Extent,
): boolean {
  let characters = rest.characters + last.total.characters / bins;
  let truncations = rest.truncations + last.total.truncations / bins;
  let words = rest.words + last.total.words / bins;
  for (let at = 0; at < others.length; at++) {
    const { members, total } = others[at]!.group;
    const count = counts[at] ?? 1;
    if (count > members.length) return false;
    characters += total.characters / count;
    truncations += total.truncations / count;
    words += total.words / count;
  }
  return characters <= limits.characters && truncations <= limits.truncations && words <= limits.words;
}

function countBins(bins: SplitPlan['bins']): number {
  return bins.reduce((sum, some) => sum + some.length, 0);
}

/** What stands beside the last group, for each way to take one share of every other group. */
function listRests(rest: Extent, shares: readonly Shares[]): Extent[] {
  let rests = [rest];
  for (const { sizes } of shares)
    if (sizes.length === 1) rests = rests.map((one) => add(one, sizes[0]!));
    else rests = rests.flatMap((one) => sizes.map((size) => add(one, size)));
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
    const room = subtract(limits, rest);
    if (countLeastBins([last.total], room) > left) return undefined;
    const packed = recallBins(last, room);
    if (!packed || packed.length > left) return undefined;
    left -= packed.length;
    bins.push(packed);
    if (left < rests.length - bins.length) return undefined;
  }
  return bins;
}

/** The fewest bins for a group, found once for each room: variants of a query leave the same rooms. */
function recallBins({ sizes, packed }: SplitGroup, room: Extent): number[][] | undefined {
  const key = `${room.characters} ${room.truncations} ${room.words}`;
  if (packed.has(key)) return packed.get(key);
  const bins = packBins(sizes, room, MAX_PARTS);
  packed.set(key, bins);
  return bins;
}

function carryOut({ last, others, shares, bins }: SplitPlan, tree: StringTree): StringTree[] {
  return combineShares(tree, others, shares).flatMap((part, at) =>
    (bins[at] ?? []).map((bin) => replaceAt(part, last.path, last.group.join(bin))),
  );
}

/** Numbers of parts for some groups, and how many ways there are to take a part of each. */
interface PartCounts {
  readonly counts: readonly number[];
  readonly product: number;
}

const COUNTS = new Map<number, readonly PartCounts[]>();

/** Numbers of parts for each of so many groups, those with the smallest product first; made once. */
function listCounts(groups: number): readonly PartCounts[] {
  const known = COUNTS.get(groups);
  if (known) return known;
  let rows: PartCounts[] = [{ counts: [], product: 1 }];
  for (let group = 0; group < groups; group++) {
    rows = rows.flatMap(({ counts, product }) =>
      Array.from({ length: Math.floor(MAX_PARTS / product) }, (_, at) => ({
        counts: [...counts, at + 1],
        product: product * (at + 1),
      })),
    );
  }
  rows.sort((a, b) => a.product - b.product);
  COUNTS.set(groups, rows);
  return rows;
}

function combineShares(
  tree: StringTree,
  groups: readonly PlacedGroup[],
  shares: SplitPlan['shares'],
): StringTree[] {
  let parts = [tree];
  groups.forEach(({ group, path }, at) => {
    const joins = (shares[at]?.places ?? []).map((share) => group.join(share));
    parts = parts.flatMap((part) => joins.map((join) => replaceAt(part, path, join)));
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
