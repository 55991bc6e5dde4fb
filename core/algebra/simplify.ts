import {
  build,
  covers,
  isLeaf,
  isSameQuery,
  mapChildren,
  type CoverSettings,
  type QueryNode,
} from '../query';

/** Rounds of rewriting; each makes the query smaller, so few are ever needed. */
const MAX_ROUNDS = 40;
/** In groups with more members, only equal members are looked for. */
const MAX_COMPARED = 120;

/**
 * A smaller query with the same record set for any records: flattened groups, no repeated members, no
 * members that others cover, no emptied parts (associativity, idempotence, absorption, annihilation).
 * Blocks, what is off or meant for some databases, and commented pieces are left as they stand.
 */
export function simplifyQuery(root: QueryNode, settings: CoverSettings = {}): QueryNode {
  let now = root;
  for (let round = 0; round < MAX_ROUNDS; round++) {
    const next = simplifyOnce(now, settings);
    if (isSameQuery(next, now)) return next;
    now = next;
  }
  return now;
}

function simplifyOnce(node: QueryNode, settings: CoverSettings): QueryNode {
  if (node.kind === 'near' || isMarked(node)) return node;
  const within = node.kind === 'fielded' ? { ...settings, within: node.fields } : settings;
  const inner = mapChildren(node, (child) => simplifyOnce(child, within));
  if (isLeaf(inner)) return inner;
  switch (inner.kind) {
    case 'and':
    case 'or':
      return simplifyGroup(inner, settings);
    case 'not':
      return simplifyExclusion(inner, settings);
    case 'fielded':
      return simplifyFields(inner);
    case 'near':
    case 'off':
    case 'only':
      return inner;
  }
}

/** A comment belongs to a piece that a person wrote about: it is not rewritten. */
function isMarked(node: QueryNode): boolean {
  return (node.comments?.length ?? 0) > 0 || node.kind === 'off' || node.kind === 'only';
}

function simplifyGroup(node: QueryNode & { kind: 'and' | 'or' }, settings: CoverSettings): QueryNode {
  const flat = node.items.flatMap((item) =>
    item.kind === node.kind && !isMarked(item) && item.block === undefined ? item.items : [item],
  );
  // `()` finds nothing: an OR loses nothing by it, and an AND with it finds nothing.
  if (node.kind === 'and' && flat.some((item) => item.kind === 'empty')) return build.empty();
  const items = flat.filter((item) => item.kind !== 'empty');
  const kept = dropNeedless(items, node.kind, settings);
  const [only] = kept;
  if (!only) return build.empty();
  return kept.length === 1 ? only : { ...node, items: kept };
}

/** Of an OR, members that another one covers can go; of an AND, members that cover another one. */
function dropNeedless(items: readonly QueryNode[], kind: 'and' | 'or', settings: CoverSettings): QueryNode[] {
  const isNeedless = (item: QueryNode, other: QueryNode): boolean => {
    if (isMarked(item)) return false;
    if (items.length > MAX_COMPARED) return isSameQuery(item, other);
    return kind === 'or' ? coversAll(other, item, settings) : coversAll(item, other, settings);
  };
  const kept = [...items];
  for (let at = kept.length - 1; at >= 0; at--) {
    const item = kept[at];
    if (item && kept.some((other, place) => place !== at && isNeedless(item, other))) kept.splice(at, 1);
  }
  return kept;
}

/** As `covers`; equal pieces need no closer look. */
function coversAll(wide: QueryNode, narrow: QueryNode, settings: CoverSettings): boolean {
  if (isSameQuery(wide, narrow)) return true;
  return !usesNames(wide) && !usesNames(narrow) && covers(wide, narrow, settings);
}

/** Blocks stand for what is not seen here; what is off or for some databases changes from one to another. */
function usesNames(node: QueryNode): boolean {
  if (node.kind === 'block' || node.kind === 'off' || node.kind === 'only') return true;
  let uses = false;
  mapChildren(node, (child) => {
    uses ||= usesNames(child);
    return child;
  });
  return uses;
}

function simplifyExclusion(node: QueryNode & { kind: 'not' }, settings: CoverSettings): QueryNode {
  const { include, exclude } = node;
  if (include.kind === 'empty') return build.empty();
  if (exclude.kind === 'empty' && !isMarked(exclude)) return include;
  if (coversAll(exclude, include, settings)) return build.empty();
  if (include.kind === 'not' && !isMarked(include)) {
    const excluded = [include.exclude, exclude].flatMap((item) =>
      item.kind === 'or' && !isMarked(item) && item.block === undefined ? item.items : [item],
    );
    return { ...node, include: include.include, exclude: build.or(...excluded) };
  }
  return node;
}

function simplifyFields(node: QueryNode & { kind: 'fielded' }): QueryNode {
  const { item } = node;
  if (['empty', 'heading', 'range', 'value'].includes(item.kind)) return item;
  return item.kind === 'fielded' && !isMarked(item) ? item : node;
}

/**
 * The query with what all alternatives of an OR ask for said once: `(a AND b) OR (a AND c)` is
 * `a AND (b OR c)` (distributivity). Only where members are groups of all with a member in common.
 */
export function factorQuery(root: QueryNode): QueryNode {
  if (root.kind === 'near' || isMarked(root)) return root;
  const node = mapChildren(root, factorQuery);
  if (node.kind !== 'or') return node;
  const groups = node.items.map((item) => (item.kind === 'and' && !isMarked(item) ? item.items : [item]));
  const [first] = groups;
  const common = (first ?? []).filter((item) =>
    groups.every((group) => group.some((other) => isSameQuery(item, other))),
  );
  if (common.length === 0 || groups.length < 2) return node;
  const rests = groups.map((group) =>
    group.filter((item) => !common.some((other) => isSameQuery(item, other))),
  );
  // One alternative asks for nothing more than the common part: it covers the others.
  if (rests.some((rest) => rest.length === 0))
    return common.length === 1 && common[0] ? common[0] : build.and(...common);
  const choice = build.or(
    ...rests.map((rest) => (rest.length === 1 && rest[0] ? rest[0] : build.and(...rest))),
  );
  return build.and(...common, choice);
}

/** What one query finds and another one does not. */
function subtractQuery(from: QueryNode, what: QueryNode): QueryNode {
  return build.not(from, what);
}

/** The queries that hold what only one, only the other, and both find. */
export function splitByQueries(
  a: QueryNode,
  b: QueryNode,
): { onlyA: QueryNode; onlyB: QueryNode; both: QueryNode } {
  return { onlyA: subtractQuery(a, b), onlyB: subtractQuery(b, a), both: build.and(a, b) };
}
