import type { Dialect } from './dialect';
import { isWithin, measure, type Extent } from './lay-out';
import { joinTrees, listMembers, type StringTree } from './string-tree';

/** The most strings that one query is split into. */
export const MOST_PARTS = 24;
/** Up to so many members the fewest parts are found for sure. */
const EXACT_MEMBERS = 14;
const EXACT_STEPS = 50_000;
/** So many of the largest groups are tried in pairs. */
const PAIRED_GROUPS = 4;

/** An OR of the tree whose members may be shared out among several strings. */
interface SplitGroup {
  readonly members: readonly StringTree[];
  readonly sizes: readonly Extent[];
  /** The tree with other members in the place of all of these. */
  readonly withMembers: (members: readonly StringTree[]) => StringTree;
}

/**
 * Splits a tree that a database does not take into few trees that it takes, whose results together
 * are those of the tree: the members of an OR that stands under ANDs only are shared out. For one
 * group of up to 14 members the number is the least possible; pairs of groups and larger ones are
 * searched within a bound. Nothing if no split of at most `MOST_PARTS` is found.
 */
export function splitTree(tree: StringTree, dialect: Dialect): StringTree[] | undefined {
  if (isWithin(measure(tree, dialect), dialect)) return [tree];
  const groups = findGroups(tree, dialect).sort((a, b) => sum(b.sizes).characters - sum(a.sizes).characters);
  const candidates = groups.flatMap((group) => {
    const parts = splitGroup(group, dialect);
    return parts ? [parts] : [];
  });
  const single = pickFewest(candidates);
  if (single?.length === 2) return single;
  const pairs = splitPairs(groups.slice(0, PAIRED_GROUPS), dialect);
  const best = pickFewest([...(single ? [single] : []), ...pairs]) ?? halve(tree, dialect, MOST_PARTS);
  return best && best.length <= MOST_PARTS ? best : undefined;
}

function pickFewest(candidates: readonly StringTree[][]): StringTree[] | undefined {
  return [...candidates].sort((a, b) => a.length - b.length)[0];
}

/** The ORs that can be split, with the ways to put other members into them. */
function findGroups(tree: StringTree, dialect: Dialect): SplitGroup[] {
  const found: SplitGroup[] = [];
  const visit = (part: StringTree, rebuild: (other: StringTree) => StringTree): void => {
    if (part.kind === 'wrap') {
      visit(part.item, (item) => rebuild({ ...part, item }));
      return;
    }
    if (part.kind !== 'join') return;
    if (part.items.length > 1 && part.operator === 'or') {
      const members = listMembers(part, 'or');
      const operator = dialect.operators.or.write.length + 2;
      const sizes = members.map((member) => {
        const size = measure(joinTrees(member.node, 'or', [member]), dialect);
        const brackets = member.kind === 'atom' ? 0 : 2;
        return { ...size, characters: size.characters + operator + brackets };
      });
      found.push({
        members,
        sizes,
        withMembers: (others) => rebuild(joinTrees(part.node, 'or', others)),
      });
      return;
    }
    part.items.forEach((item, at) => {
      if (part.operator === 'not' && at > 0) return;
      visit(item, (other) =>
        rebuild({ ...part, items: part.items.map((old, place) => (place === at ? other : old)) }),
      );
    });
  };
  visit(tree, (other) => other);
  return found;
}

function splitGroup(group: SplitGroup, dialect: Dialect): StringTree[] | undefined {
  const room = findRoom(group, dialect);
  if (!room) return undefined;
  const bins = packBins(group.sizes, room, MOST_PARTS);
  const parts = bins?.map((bin) => group.withMembers(bin.map((at) => group.members[at]!)));
  return parts?.every((part) => isWithin(measure(part, dialect), dialect)) ? parts : undefined;
}

/** What is left for a group's members when everything else of the tree stands; nothing if not even one fits. */
function findRoom(group: SplitGroup, dialect: Dialect): Extent | undefined {
  const [first] = group.members;
  const [size] = group.sizes;
  if (!first || !size) return undefined;
  const rest = measure(group.withMembers([first, first]), dialect);
  const most = dialect.most;
  const room = {
    characters: (most.characters ?? Infinity) - rest.characters + 2 * size.characters,
    truncations: (most.truncations ?? Infinity) - rest.truncations + 2 * size.truncations,
    words: (most.words ?? Infinity) - rest.words + 2 * size.words,
  };
  return group.sizes.every((one) => isSmaller(one, room)) ? room : undefined;
}

/** Splits of two groups at once: every part of the one with every part of the other. */
function splitPairs(groups: readonly SplitGroup[], dialect: Dialect): StringTree[][] {
  return groups.flatMap((one, at) =>
    groups.slice(at + 1).flatMap((other) =>
      [2, 3, 4, 5, 6].flatMap((count) => {
        const shares = shareOut(one.sizes, count);
        const parts: StringTree[] = [];
        for (const share of shares) {
          const narrowed = one.withMembers(share.map((place) => one.members[place]!));
          if (isWithin(measure(narrowed, dialect), dialect)) {
            parts.push(narrowed);
            continue;
          }
          const rest = findGroups(narrowed, dialect).find((group) => group.members[0] === other.members[0]);
          const split = rest && splitGroup(rest, dialect);
          if (!split || parts.length + split.length > MOST_PARTS) return [];
          parts.push(...split);
        }
        return [parts];
      }),
    ),
  );
}

/** Halves the largest group again and again. */
function halve(tree: StringTree, dialect: Dialect, most: number): StringTree[] | undefined {
  if (isWithin(measure(tree, dialect), dialect)) return [tree];
  const [largest] = findGroups(tree, dialect)
    .filter((group) => group.members.length > 1)
    .sort((a, b) => sum(b.sizes).characters - sum(a.sizes).characters);
  if (!largest || most < 2) return undefined;
  const parts: StringTree[] = [];
  for (const share of shareOut(largest.sizes, 2)) {
    const half = halve(
      largest.withMembers(share.map((at) => largest.members[at]!)),
      dialect,
      most - parts.length,
    );
    if (!half || parts.length + half.length > most) return undefined;
    parts.push(...half);
  }
  return parts;
}

/** Shares of about the same length. */
function shareOut(sizes: readonly Extent[], count: number): number[][] {
  const shares = Array.from({ length: Math.min(count, sizes.length) }, () => ({
    length: 0,
    places: [] as number[],
  }));
  const order = sizes.map((_, at) => at).sort((a, b) => sizes[b]!.characters - sizes[a]!.characters);
  for (const at of order) {
    const least = shares.reduce((a, b) => (b.length < a.length ? b : a));
    least.places.push(at);
    least.length += sizes[at]!.characters;
  }
  return shares.map((share) => share.places.sort((a, b) => a - b));
}

/**
 * Puts things of some sizes into the fewest bins of one size: exactly for few things, else by
 * taking the largest first. The places of the things in each bin; nothing if more than `most`.
 */
export function packBins(sizes: readonly Extent[], room: Extent, most: number): number[][] | undefined {
  const order = sizes.map((_, at) => at).sort((a, b) => weigh(sizes[b]!, room) - weigh(sizes[a]!, room));
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
  const total = sum(sizes);
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
    const bin = bins.find(({ used }) => isSmaller(sum([used, size]), room));
    if (bin) {
      bin.places.push(at);
      bin.used = sum([bin.used, size]);
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
  const used: Extent[] = Array.from({ length: count }, () => sum([]));
  const bins: number[][] = Array.from({ length: count }, () => []);
  const place = (next: number): boolean => {
    if (next === order.length) return true;
    if (++steps > EXACT_STEPS) return false;
    const at = order[next]!;
    for (let bin = 0; bin < count; bin++) {
      const before = used[bin]!;
      const after = sum([before, sizes[at]!]);
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

function sum(sizes: readonly Extent[]): Extent {
  return sizes.reduce(
    (total, size) => ({
      characters: total.characters + size.characters,
      truncations: total.truncations + size.truncations,
      words: total.words + size.words,
    }),
    { characters: 0, truncations: 0, words: 0 },
  );
}
