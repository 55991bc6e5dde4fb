import { createProblem, fail, succeed, type Outcome, type ProblemCode } from '../problem';
import type { Field, QueryNode } from '../query';
import {
  createOutline,
  findItem,
  isEmptyItem,
  listItems,
  type Join,
  type OutlineGroup,
  type OutlineItem,
  type Path,
  type Wrapper,
} from './outline';
import { checkShape, tidyOutline } from './outline-shape';
import {
  updateItem,
  putIn,
  copyItem,
  dropItems,
  keepTop,
  takeTop,
  startsWith,
  findNearest,
  findPath,
  type Target,
} from './outline-tree';

/** An outline after an edit, and the rows that the edit was about. */
export interface EditedOutline {
  readonly root: OutlineItem;
  readonly selected: readonly Path[];
}

/** How a group holds together; distance and order only for nearness. */
export interface JoinChoice {
  readonly join: Join;
  readonly distance?: number;
  readonly ordered?: boolean;
}

/** Puts new rows into a group; an empty outline becomes what is put in. */
export function insertItems(
  root: OutlineItem,
  target: Target,
  queries: readonly QueryNode[],
): Outcome<EditedOutline> {
  if (target.isExcluded && isEmptyItem(root)) return refuse('outline-not-alone');
  const items = queries.map(createOutline);
  return finish(putIn(root, target, items), items);
}

/** Puts another query in place of a row; a row that is off stays so. */
export function replaceItem(root: OutlineItem, path: Path, query: QueryNode): Outcome<EditedOutline> {
  const old = findItem(root, path);
  if (!old) return refuse('outline-gone');
  const fresh = createOutline(query);
  const isOff = old.wrappers[0]?.kind === 'off';
  const item = isOff ? { ...fresh, wrappers: [{ kind: 'off' } as const, ...fresh.wrappers] } : fresh;
  const comments = item.comments.length > 0 ? item.comments : old.comments;
  const next = { ...item, comments };
  return finish(
    updateItem(root, path, () => next),
    [next],
  );
}

/** Takes rows out; a group that loses all goes with them. */
export function removeItems(root: OutlineItem, paths: readonly Path[]): Outcome<EditedOutline> {
  const items = takeTop(root, paths);
  if (items.length === 0) return refuse('outline-gone');
  const edited = finish(dropItems(root, items), []);
  const [first] = keepTop(paths);
  if (!edited.ok || !first) return edited;
  const near = findNearest(edited.value.root, first);
  return succeed({ ...edited.value, selected: [near] });
}

/** Moves rows into a group, in their order. */
export function moveItems(root: OutlineItem, paths: readonly Path[], target: Target): Outcome<EditedOutline> {
  const tops = keepTop(paths);
  if (tops.some((path) => startsWith(target.parent, path))) return refuse('outline-into-itself');
  const items = takeTop(root, paths);
  const parent = findItem(root, target.parent);
  if (items.length === 0 || parent?.body.kind !== 'group') return refuse('outline-gone');
  const moved = items.map(copyItem);
  return finish(dropItems(putIn(root, target, moved), items), moved);
}

/** Moves rows one step: among their siblings, into the group above them, or out behind their group. */
export function shiftItems(
  root: OutlineItem,
  paths: readonly Path[],
  step: 'up' | 'down' | 'in' | 'out',
): Outcome<EditedOutline> {
  const tops = keepTop(paths);
  const [first] = tops;
  const last = tops.at(-1);
  if (!first || !last || first.length === 0) return refuse('outline-nowhere');
  const parentPath = first.slice(0, -1);
  if (!tops.every((path) => startsWith(path, parentPath) && path.length === first.length))
    return refuse('outline-not-siblings');
  const parent = findItem(root, parentPath);
  if (parent?.body.kind !== 'group') return refuse('outline-gone');
  const { members } = parent.body;
  const isExcluded = (first.at(-1) ?? 0) >= members.length;
  const offset = isExcluded ? members.length : 0;
  const from = (first.at(-1) ?? 0) - offset;
  const to = (last.at(-1) ?? 0) - offset;
  if (step === 'up' || step === 'down') {
    const size = isExcluded ? parent.body.excluded.length : members.length;
    const at = step === 'up' ? from - 1 : to + 2;
    if (at < 0 || at > size) return refuse('outline-nowhere');
    return moveItems(root, tops, { parent: parentPath, at, isExcluded });
  }
  if (step === 'out') {
    if (parentPath.length === 0) return refuse('outline-nowhere');
    const grandPath = parentPath.slice(0, -1);
    const grand = findItem(root, grandPath);
    if (grand?.body.kind !== 'group') return refuse('outline-gone');
    const place = parentPath.at(-1) ?? 0;
    const count = grand.body.members.length;
    const wasExcluded = place >= count;
    const at = (wasExcluded ? place - count : place) + 1;
    return moveItems(root, tops, { parent: grandPath, at, isExcluded: wasExcluded });
  }
  const siblings = listItems(parent);
  const above = siblings[(first.at(-1) ?? 0) - 1];
  if (above?.body.kind !== 'group') return refuse('outline-nowhere');
  const into = [...parentPath, (first.at(-1) ?? 0) - 1];
  return moveItems(root, tops, { parent: into, at: above.body.members.length, isExcluded: false });
}

/** Puts a copy of each row behind it. */
export function duplicateItems(root: OutlineItem, paths: readonly Path[]): Outcome<EditedOutline> {
  const tops = keepTop(paths);
  if (tops.some((path) => path.length === 0)) return refuse('outline-nowhere');
  const copies: OutlineItem[] = [];
  const next = [...tops].reverse().reduce((now, path) => {
    const item = findItem(now, path);
    const parent = findItem(now, path.slice(0, -1));
    if (!item || parent?.body.kind !== 'group') return now;
    const copy = copyItem(item);
    copies.unshift(copy);
    const place = path.at(-1) ?? 0;
    const count = parent.body.members.length;
    const isExcluded = place >= count;
    const at = (isExcluded ? place - count : place) + 1;
    return putIn(now, { parent: path.slice(0, -1), at, isExcluded }, [copy]);
  }, root);
  return finish(next, copies);
}

/** Switches rows off or on again. */
export function switchItems(root: OutlineItem, paths: readonly Path[], off: boolean): Outcome<EditedOutline> {
  return changeEach(root, paths, (item) => {
    const rest = item.wrappers.filter((wrapper) => wrapper.kind !== 'off');
    return { ...item, wrappers: off ? [{ kind: 'off' }, ...rest] : rest };
  });
}

/** Makes members excluded, and excluded rows members again. */
export function negateItems(root: OutlineItem, paths: readonly Path[]): Outcome<EditedOutline> {
  const tops = keepTop(paths);
  let next = root;
  const items = takeTop(root, paths);
  for (const path of [...tops].reverse()) {
    const parentPath = path.slice(0, -1);
    const parent = findItem(next, parentPath);
    const item = findItem(next, path);
    if (path.length === 0 || !item || parent?.body.kind !== 'group' || parent.body.join !== 'all')
      return refuse('outline-not-in-all');
    const { members, excluded } = parent.body;
    const isMember = members.includes(item);
    const body: OutlineGroup = isMember
      ? { ...parent.body, members: members.filter((other) => other !== item), excluded: [item, ...excluded] }
      : { ...parent.body, members: [...members, item], excluded: excluded.filter((other) => other !== item) };
    if (body.members.length === 0) return refuse('outline-not-alone');
    next = updateItem(next, parentPath, (old) => ({ ...old, body }));
  }
  return finish(next, items);
}

/** Makes one group of rows that stand in the same group. */
export function wrapItems(
  root: OutlineItem,
  paths: readonly Path[],
  choice: JoinChoice,
): Outcome<EditedOutline> {
  const tops = keepTop(paths);
  const [first] = tops;
  if (!first || tops.length < 2) return refuse('outline-needs-two');
  const parentPath = first.slice(0, -1);
  const parent = findItem(root, parentPath);
  const items = takeTop(root, paths);
  if (parent?.body.kind !== 'group') return refuse('outline-gone');
  const { members, excluded } = parent.body;
  const list = members.includes(items[0] ?? parent) ? members : excluded;
  if (!items.every((item) => list.includes(item))) return refuse('outline-not-siblings');
  const group: OutlineItem = {
    comments: [],
    wrappers: [],
    body: { kind: 'group', members: items, excluded: [], ...choice },
  };
  const kept = list.flatMap((item) => (item === items[0] ? [group] : items.includes(item) ? [] : [item]));
  const body = list === members ? { ...parent.body, members: kept } : { ...parent.body, excluded: kept };
  return finish(
    updateItem(root, parentPath, (old) => ({ ...old, body })),
    [group],
  );
}

/** Makes a group of a row and a new query. */
export function wrapWith(
  root: OutlineItem,
  path: Path,
  choice: JoinChoice,
  query: QueryNode,
): Outcome<EditedOutline> {
  const item = findItem(root, path);
  if (!item) return refuse('outline-gone');
  const fresh = createOutline(query);
  const group: OutlineItem = {
    comments: [],
    wrappers: [],
    body: { kind: 'group', members: [item, fresh], excluded: [], ...choice },
  };
  return finish(
    updateItem(root, path, () => group),
    [fresh],
  );
}

/** Lets the members of a group stand in the group around it. */
export function unwrapItem(root: OutlineItem, path: Path): Outcome<EditedOutline> {
  const item = findItem(root, path);
  const parentPath = path.slice(0, -1);
  const parent = findItem(root, parentPath);
  if (path.length === 0 || item?.body.kind !== 'group' || parent?.body.kind !== 'group')
    return refuse('outline-nothing-around');
  const { body } = item;
  const isMember = parent.body.members.includes(item);
  if (body.excluded.length > 0 && !(isMember && parent.body.join === 'all'))
    return refuse('outline-not-in-all');
  const spread = (inner: OutlineItem, at: number): OutlineItem => ({
    ...inner,
    comments: at === 0 ? [...item.comments, ...inner.comments] : inner.comments,
    wrappers: [...item.wrappers, ...inner.wrappers],
  });
  const members = body.members.map(spread);
  const splice = (list: readonly OutlineItem[]): OutlineItem[] =>
    list.flatMap((other) => (other === item ? members : [other]));
  const next: OutlineGroup = {
    ...parent.body,
    members: splice(parent.body.members),
    excluded: [...splice(parent.body.excluded), ...body.excluded.map((inner) => spread(inner, 1))],
  };
  return finish(
    updateItem(root, parentPath, (old) => ({ ...old, body: next })),
    members,
  );
}

/** Changes how the members of a group belong together. */
export function joinItem(root: OutlineItem, path: Path, choice: JoinChoice): Outcome<EditedOutline> {
  const item = findItem(root, path);
  if (item?.body.kind !== 'group') return refuse('outline-needs-two');
  if (item.body.excluded.length > 0 && choice.join !== 'all') {
    const { members, excluded } = item.body;
    if (members.length < 2) return refuse('outline-needs-two');
    const inner: OutlineItem = {
      comments: [],
      wrappers: [],
      body: { kind: 'group', members, excluded: [], ...choice },
    };
    const next: OutlineItem = { ...item, body: { kind: 'group', join: 'all', members: [inner], excluded } };
    return finish(
      updateItem(root, path, () => next),
      [inner],
    );
  }
  const { members, excluded } = item.body;
  const next: OutlineItem = { ...item, body: { kind: 'group', members, excluded, ...choice } };
  return finish(
    updateItem(root, path, () => next),
    [next],
  );
}

/** Says where rows are searched; no fields are the default ones. */
export function setItemFields(
  root: OutlineItem,
  paths: readonly Path[],
  fields: readonly Field[],
): Outcome<EditedOutline> {
  return changeEach(root, paths, (item) =>
    withWrapper(item, 'fielded', fields.length > 0 ? { kind: 'fielded', fields } : undefined),
  );
}

/** Says for which databases rows are meant; none named are all. */
export function setItemDatabases(
  root: OutlineItem,
  paths: readonly Path[],
  databases: readonly string[],
): Outcome<EditedOutline> {
  return changeEach(root, paths, (item) =>
    withWrapper(item, 'only', databases.length > 0 ? { kind: 'only', databases } : undefined),
  );
}

/** Writes what is remarked on a row, a line each. */
export function setItemComments(
  root: OutlineItem,
  path: Path,
  comments: readonly string[],
): Outcome<EditedOutline> {
  const lines = comments
    .flatMap((comment) => comment.split(/\r?\n/))
    .map((line) => line.trim())
    .filter((line) => line !== '');
  return changeEach(root, [path], (item) => ({ ...item, comments: lines }));
}

const ORDER: readonly Wrapper['kind'][] = ['off', 'only', 'fielded'];

function withWrapper(item: OutlineItem, kind: Wrapper['kind'], wrapper: Wrapper | undefined): OutlineItem {
  const rest = item.wrappers.filter((other) => other.kind !== kind);
  const wrappers = wrapper ? [...rest, wrapper] : rest;
  return { ...item, wrappers: [...wrappers].sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind)) };
}

function changeEach(
  root: OutlineItem,
  paths: readonly Path[],
  change: (item: OutlineItem) => OutlineItem,
): Outcome<EditedOutline> {
  const made: OutlineItem[] = [];
  // Inner rows first, so that outer ones take the changed inner ones along.
  const sorted = [...paths].sort((a, b) => b.length - a.length);
  let next = root;
  for (const path of sorted) {
    const item = findItem(next, path);
    if (!item) return refuse('outline-gone');
    const changed = change(item);
    next = updateItem(next, path, () => changed);
  }
  for (const path of paths) {
    const item = findItem(next, path);
    if (item) made.push(item);
  }
  return finish(next, made);
}

function refuse(code: ProblemCode): Outcome<EditedOutline> {
  return fail(createProblem(code, 'error'));
}

function finish(root: OutlineItem, items: readonly OutlineItem[]): Outcome<EditedOutline> {
  const tidy = tidyOutline(root);
  const problem = checkShape(tidy);
  if (problem) return fail(problem);
  const selected = items.flatMap((item) => {
    const path = findPath(tidy, item);
    return path ? [path] : [];
  });
  return succeed({ root: tidy, selected });
}
