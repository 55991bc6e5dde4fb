import { build } from '../query';
import { createLeafItem, isEmptyItem, findItem, listItems, type OutlineItem, type Path } from './outline';

/** Where rows are put: in a group, before the child at a place. */
export interface Target {
  readonly parent: Path;
  /** Among the members, or among the excluded. */
  readonly at: number;
  readonly isExcluded: boolean;
}

/** The tree with the item at a path changed. */
export function updateItem(
  root: OutlineItem,
  path: Path,
  change: (item: OutlineItem) => OutlineItem,
): OutlineItem {
  const [at, ...rest] = path;
  if (at === undefined) return change(root);
  if (root.body.kind !== 'group') return root;
  const { members, excluded } = root.body;
  const update = (list: readonly OutlineItem[], place: number): OutlineItem[] =>
    list.map((item, index) => (index === place ? updateItem(item, rest, change) : item));
  return {
    ...root,
    body: {
      ...root.body,
      members: update(members, at),
      excluded: update(excluded, at - members.length),
    },
  };
}

/** Puts items into the group at a path; a leaf there becomes a group of all with them. */
export function putIn(
  root: OutlineItem,
  { parent, at, isExcluded }: Target,
  items: readonly OutlineItem[],
): OutlineItem {
  return updateItem(root, parent, (item) => {
    const [only] = items;
    if (isEmptyItem(item) && only) return items.length === 1 ? only : createGroup(items);
    if (item.body.kind === 'leaf')
      return isExcluded ? createGroup([item], items) : createGroup([item, ...items]);
    const list = isExcluded ? item.body.excluded : item.body.members;
    const next = list.toSpliced(at, 0, ...items);
    return { ...item, body: isExcluded ? { ...item.body, excluded: next } : { ...item.body, members: next } };
  });
}

function createGroup(members: readonly OutlineItem[], excluded: readonly OutlineItem[] = []): OutlineItem {
  return { comments: [], wrappers: [], body: { kind: 'group', join: 'all', members, excluded } };
}

/** A copy that shares no item with what it was made from: items are told apart by what they are. */
export function copyItem(item: OutlineItem): OutlineItem {
  if (item.body.kind === 'leaf') return { ...item };
  const { members, excluded } = item.body;
  return {
    ...item,
    body: { ...item.body, members: members.map(copyItem), excluded: excluded.map(copyItem) },
  };
}

/** The tree without some items, told apart by what they are. */
export function dropItems(root: OutlineItem, items: readonly OutlineItem[]): OutlineItem {
  if (items.includes(root)) return createLeafItem(build.empty());
  if (root.body.kind === 'leaf') return root;
  const drop = (list: readonly OutlineItem[]): OutlineItem[] =>
    list.filter((item) => !items.includes(item)).map((item) => dropItems(item, items));
  return {
    ...root,
    body: { ...root.body, members: drop(root.body.members), excluded: drop(root.body.excluded) },
  };
}

/** The paths without those inside others, in the order of the rows. */
export function keepTop(paths: readonly Path[]): Path[] {
  return paths
    .filter((path) => !paths.some((other) => other.length < path.length && startsWith(path, other)))
    .sort(comparePaths);
}

function comparePaths(a: Path, b: Path): number {
  for (let at = 0; at < Math.min(a.length, b.length); at++) {
    const difference = (a[at] ?? 0) - (b[at] ?? 0);
    if (difference !== 0) return difference;
  }
  return a.length - b.length;
}

/** The items at some paths, without those inside others. */
export function takeTop(root: OutlineItem, paths: readonly Path[]): OutlineItem[] {
  return keepTop(paths).flatMap((path) => findItem(root, path) ?? []);
}

/** True if a path leads through another one. */
export function startsWith(path: Path, start: Path): boolean {
  return start.every((at, index) => path[index] === at);
}

/** The row that stands where another one stood, or the one before, or the group around. */
export function findNearest(root: OutlineItem, path: Path): Path {
  for (let length = path.length; length > 0; length--) {
    const place = path.slice(0, length);
    if (findItem(root, place)) return place;
    const before = [...place.slice(0, -1), (place.at(-1) ?? 0) - 1];
    if (findItem(root, before)) return before;
  }
  return [];
}

/** The way to an item that is this very value. */
export function findPath(root: OutlineItem, wanted: OutlineItem): Path | undefined {
  if (root === wanted) return [];
  for (const [at, item] of listItems(root).entries()) {
    const path = findPath(item, wanted);
    if (path) return [at, ...path];
  }
  return undefined;
}
