import { createProblem, type Problem } from '../problem';
import { build } from '../query';
import { createLeafItem, listItems, type OutlineGroup, type OutlineItem } from './outline';

/**
 * An outline without groups that hold one member or none: a single member takes the place of its group,
 * an emptied group goes. What is unchanged is the same value.
 */
export function tidyOutline(item: OutlineItem): OutlineItem {
  if (item.body.kind === 'leaf') return item;
  const members = tidyList(item.body.members);
  const excluded = tidyList(item.body.excluded);
  const [only] = members;
  if (!only && excluded.length === 0) return { ...createLeafItem(build.empty()), comments: item.comments };
  if (!only) return { ...item, body: { ...item.body, members: [createLeafItem(build.empty())], excluded } };
  if (members.length === 1 && excluded.length === 0) {
    if (item.comments.length === 0 && item.wrappers.length === 0) return only;
    return {
      ...only,
      comments: [...item.comments, ...only.comments],
      wrappers: [...item.wrappers, ...only.wrappers],
    };
  }
  if (members.length === 1 && isOpenAll(only)) {
    const inner = only.body;
    return {
      ...item,
      body: { ...item.body, members: inner.members, excluded: [...inner.excluded, ...excluded] },
    };
  }
  const isSame = members === item.body.members && excluded === item.body.excluded;
  return isSame ? item : { ...item, body: { ...item.body, members, excluded } };
}

/** A group of all of which nothing more is said: it is one with the group that takes something from it. */
function isOpenAll(item: OutlineItem): item is OutlineItem & { body: OutlineGroup } {
  const { comments, wrappers, body } = item;
  return comments.length === 0 && wrappers.length === 0 && body.kind === 'group' && body.join === 'all';
}

function tidyList(list: readonly OutlineItem[]): readonly OutlineItem[] {
  const tidy = list.flatMap((item) => {
    const next = tidyOutline(item);
    const isGone = next !== item && next.body.kind === 'leaf' && next.body.node.kind === 'empty';
    return isGone ? [] : [next];
  });
  return tidy.length === list.length && tidy.every((item, at) => item === list[at]) ? list : tidy;
}

/** What is wrong with an outline as a whole: sides of nearness that cannot be searched. */
export function checkShape(item: OutlineItem): Problem | undefined {
  const { body } = item;
  if (body.kind === 'group' && body.join === 'near') {
    const operator = body.ordered === true ? 'BEFORE' : 'WITHIN';
    if (body.members.length > 2) return createProblem('near-chain', 'error', { operator });
    if (body.members.length < 2 || !body.members.every(isNearSide))
      return createProblem('near-operand', 'error', { operator });
  }
  if (body.kind === 'group' && body.join !== 'all' && body.excluded.length > 0)
    return createProblem('outline-not-in-all', 'error');
  for (const child of listItems(item)) {
    const problem = checkShape(child);
    if (problem) return problem;
  }
  return undefined;
}

function isNearSide(item: OutlineItem): boolean {
  if (item.wrappers.length > 0) return false;
  if (item.body.kind === 'leaf') return item.body.node.kind === 'term' || item.body.node.kind === 'phrase';
  return item.body.join === 'any' && item.body.members.every((member) => isWord(member));
}

function isWord({ wrappers, body }: OutlineItem): boolean {
  return (
    wrappers.length === 0 &&
    body.kind === 'leaf' &&
    (body.node.kind === 'term' || body.node.kind === 'phrase')
  );
}
