import type { Dialect } from '../profile';
import { joinTrees, listMembers, type Atom, type StringTree } from './string-tree';

/** The most members that a flat form may have before it is given up. */
export const MAX_FLAT = 600;
/** The most groups. */
const MAX_GROUPS = 200;

/** A word or phrase that must or must not be there. */
interface Literal {
  readonly atom: Atom;
  readonly isExcluded: boolean;
}
type Group = readonly Literal[];

/** True if the tree must be brought into a flat form before it can be written. */
export function mustFlatten({ deepest, exclusion }: Dialect): boolean {
  return deepest !== undefined || exclusion === 'before';
}

/**
 * Brings a tree into forms that a dialect with hardly any brackets takes: all of some ORs, any of
 * some ANDs, or several strings whose results together are those of the tree. Gives the form with
 * the fewest strings, then the fewest words; nothing if every form is too large (the bound is
 * `MAX_FLAT` members) or would exclude without anything to exclude from.
 */
export function flattenTree(
  tree: StringTree,
  dialect: Dialect,
  mostStrings: number,
): StringTree[] | undefined {
  return flatten(inheritBlocks(tree, tree.node.block), dialect, mostStrings);
}

/** Trees are values: the members of a block that stands in many queries inherit it once. */
const INHERITED = new WeakMap<StringTree, Map<string | undefined, StringTree>>();

/** What is left of a group when it is taken apart is the block that its members came from. */
function inheritBlocks(tree: StringTree, block: string | undefined): StringTree {
  const byBlock = INHERITED.get(tree) ?? new Map<string | undefined, StringTree>();
  const known = byBlock.get(block);
  if (known) return known;
  const made = passBlock(tree, tree.node.block ?? block);
  INHERITED.set(tree, byBlock.set(block, made));
  return made;
}

function passBlock(tree: StringTree, block: string | undefined): StringTree {
  if (tree.kind === 'atom') return block === undefined ? tree : { ...tree, node: { ...tree.node, block } };
  if (tree.kind === 'join') return { ...tree, items: tree.items.map((item) => inheritBlocks(item, block)) };
  return tree;
}

function flatten(tree: StringTree, dialect: Dialect, mostStrings: number): StringTree[] | undefined {
  const plain = takeAsItIs(tree, dialect);
  if (plain) return [plain];
  const [tightest] = dialect.precedence === 'left-to-right' ? [[]] : dialect.precedence;
  const takesBrackets = (dialect.deepest ?? Infinity) >= 1;
  const forms: StringTree[][] = [];
  const all = distribute(tree, 'and', false);
  if (
    all &&
    isAllForm(all) &&
    (takesBrackets || tightest?.includes('or') || all.every((group) => group.length === 1))
  )
    forms.push([createAllForm(tree, all)]);
  const any = distribute(tree, 'or', false);
  if (any?.every((group) => group.some((literal) => !literal.isExcluded))) {
    const ands = any.map((group) => createAndForm(tree, group));
    if (takesBrackets || tightest?.includes('and') || ands.length === 1)
      forms.push([joinTrees(tree.node, 'or', ands)]);
    if (ands.length <= mostStrings) forms.push(ands);
  }
  return forms.sort((a, b) => a.length - b.length || countAtoms(a) - countAtoms(b))[0];
}

const PLAIN = new WeakMap<StringTree, { readonly plain: StringTree | undefined }>();

/** A single item or an OR of single items, as it stands; nothing if there is more to it. */
function readPlain(member: StringTree): StringTree | undefined {
  if (member.kind === 'atom') return member;
  if (member.kind !== 'join' || member.operator !== 'or') return undefined;
  const known = PLAIN.get(member);
  if (known) return known.plain;
  const items = listMembers(member, 'or');
  const plain = items.every(({ kind }) => kind === 'atom') ? joinTrees(member.node, 'or', items) : undefined;
  PLAIN.set(member, { plain });
  return plain;
}

/** All of single items and ORs of single items, as they stand; nothing if there is more to it. */
function takeAsItIs(tree: StringTree, dialect: Dialect): StringTree | undefined {
  const members = listMembers(tree, 'and').map(readPlain);
  const known = members.filter((member) => member !== undefined);
  if (known.length < members.length) return undefined;
  const [only] = known;
  if (known.length === 1 && only) return only;
  const takesGroups = (dialect.deepest ?? Infinity) >= 1 || known.every((member) => member.kind === 'atom');
  return takesGroups ? joinTrees(tree.node, 'and', known) : undefined;
}

function isAllForm(groups: readonly Group[]): boolean {
  return (
    groups.every((group) => group.length === 1 || group.every((literal) => !literal.isExcluded)) &&
    groups.some((group) => group.every((literal) => !literal.isExcluded))
  );
}

function createAllForm(tree: StringTree, groups: readonly Group[]): StringTree {
  const positive = groups.filter((group) => !group[0]?.isExcluded);
  const excluded = groups.filter((group) => group[0]?.isExcluded);
  const items = [...positive, ...excluded].map((group) =>
    group.length === 1 ? writeLiteral(group[0]!) : joinTrees(tree.node, 'or', group.map(writeLiteral)),
  );
  return joinTrees(tree.node, 'and', items);
}

function createAndForm(tree: StringTree, group: Group): StringTree {
  const ordered = [...group].sort((a, b) => Number(a.isExcluded) - Number(b.isExcluded));
  return joinTrees(tree.node, 'and', ordered.map(writeLiteral));
}

function writeLiteral({ atom, isExcluded }: Literal): StringTree {
  return isExcluded ? { kind: 'without', node: atom.node, item: atom } : atom;
}

function countAtoms(trees: readonly StringTree[]): number {
  return trees.reduce((sum, tree) => {
    if (tree.kind === 'join') return sum + countAtoms(tree.items);
    return sum + (tree.kind === 'atom' ? tree.words : tree.kind === 'without' ? tree.item.words : 0);
  }, 0);
}

/**
 * The groups of a normal form: for `and`, all of the groups, each any of its members; for `or`, any
 * of the groups, each all of its members. Nothing if there are too many.
 */
function distribute(tree: StringTree, outer: 'and' | 'or', isExcluded: boolean): Group[] | undefined {
  if (tree.kind === 'atom') return [[{ atom: tree, isExcluded }]];
  if (tree.kind !== 'join') return undefined;
  const { operator, items } = tree;
  const parts = items.map((item, at) =>
    distribute(item, outer, isExcluded !== (operator === 'not' && at > 0)),
  );
  if (!parts.every((part) => part !== undefined)) return undefined;
  // An exclusion is an AND with what is not there; from inside another one, an OR.
  const meaning = operator === 'or' ? 'or' : 'and';
  const isOuter = (meaning === outer) !== isExcluded;
  const groups = isOuter || items.length === 1 ? parts.flat() : cross(parts);
  return groups && absorb(groups);
}

function cross(parts: readonly (readonly Group[])[]): Group[] | undefined {
  let groups: Group[] = [[]];
  const seen = new Set<string>();
  for (const part of parts) {
    const keys = new Set(part.flat().map(keyOf));
    // Groups without a member in common absorb nothing of each other: their number is known before they are made.
    const isApart = [...keys].every((key) => !seen.has(key));
    if (groups.length * part.length > (isApart ? MAX_GROUPS : MAX_GROUPS * 4)) return undefined;
    groups = groups.flatMap((group) => part.map((more) => uniqueLiterals([...group, ...more])));
    if (!isApart) groups = absorb(groups);
    for (const key of keys) seen.add(key);
    if (groups.length > MAX_GROUPS || groups.reduce((sum, group) => sum + group.length, 0) > MAX_FLAT)
      return undefined;
  }
  return groups;
}

function keyOf({ atom, isExcluded }: Literal): string {
  return `${isExcluded ? '-' : ''}${atom.text}`;
}

function uniqueLiterals(group: readonly Literal[]): Group {
  return [...new Map(group.map((literal) => [keyOf(literal), literal])).values()];
}

/** A group that has all members of another says nothing that the other does not. */
function absorb(groups: readonly Group[]): Group[] {
  const keys = groups.map((group) => new Set(group.map(keyOf)));
  return groups.filter((_, at) =>
    keys.every(
      (other, place) =>
        place === at ||
        other.size > keys[at]!.size ||
        (other.size === keys[at]!.size && place > at) ||
        ![...other].every((key) => keys[at]!.has(key)),
    ),
  );
}
