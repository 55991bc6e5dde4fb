import { createProblem, type Problem } from '../../problem';
import { NOWHERE, coverSpans, type Span } from '../../text';
import { FIELDS, build, listNodes, printQuery, type Field, type QueryNode } from '../../query';
import type { Dialect } from '../profile';

/** An operator of a row. */
export type RowOperator = 'and' | 'or' | 'not';
/** What stands in a row, one behind the other: operators and what they stand between. */
export type Entry = OperatorEntry | { readonly node: QueryNode };
/** An operator as it is written. */
export interface OperatorEntry {
  readonly operator: RowOperator;
  readonly span: Span;
  readonly word: string;
}

/** An operand with the operator before it. */
interface Link {
  readonly operator: RowOperator;
  readonly node: QueryNode;
}
type Row = readonly ({ readonly operator: RowOperator } | { readonly node: QueryNode })[];

/**
 * Makes one node of a row by the dialect's precedence. No operator is dropped in silence: one without a side,
 * or beside another one, is a problem in its place. The rest is joined as well as possible. Nothing comes of a
 * row without operands.
 */
export function joinRow(row: readonly Entry[], dialect: Dialect, problems: Problem[]): QueryNode | undefined {
  const { links, leading } = linkRow(row, dialect, problems);
  checkMixed(row, links, dialect, problems);
  const entries: Row = links.flatMap(({ operator, node }, at) =>
    at === 0 ? [{ node }] : [{ operator }, { node }],
  );
  const kept = joinByPrecedence(entries, dialect);
  return leading.reduce<QueryNode | undefined>(
    (include, exclude) => ({ ...build.not(include ?? build.empty(), exclude), span: exclude.span }),
    kept,
  );
}

/** Pairs each operand with the operator before it; what is excluded before anything else stands apart. */
function linkRow(
  row: readonly Entry[],
  dialect: Dialect,
  problems: Problem[],
): { links: Link[]; leading: QueryNode[] } {
  const links: Link[] = [];
  const leading: QueryNode[] = [];
  let waiting: OperatorEntry | undefined;
  const report = (entry: OperatorEntry, code: Problem['code'] = 'missing-operand'): void => {
    problems.push(createProblem(code, 'error', { operator: entry.word }, entry.span));
  };
  for (const entry of row) {
    if ('operator' in entry) {
      if (waiting) report(entry);
      else if (links.length + leading.length === 0)
        report(entry, entry.operator === 'not' ? 'pure-negation' : 'missing-operand');
      // Of AND NOT and the like, the one that takes records away is what was meant.
      waiting = waiting?.operator === 'not' ? waiting : entry;
      continue;
    }
    if (links.length === 0 && waiting?.operator === 'not') leading.push(entry.node);
    else {
      if (!waiting && links.length > 0 && dialect.sideBySide !== 'and' && dialect.sideBySide !== 'or')
        problems.push(createProblem('side-by-side', 'error', {}, place(entry.node.span)));
      links.push({
        operator: waiting?.operator ?? (dialect.sideBySide === 'or' ? 'or' : 'and'),
        node: entry.node,
      });
    }
    waiting = undefined;
  }
  if (waiting && links.length + leading.length > 0) report(waiting);
  return { links, leading };
}

function checkMixed(
  row: readonly Entry[],
  links: readonly Link[],
  dialect: Dialect,
  problems: Problem[],
): void {
  const { mixedOperators } = dialect;
  if (!mixedOperators) return;
  const used = new Set(links.slice(1).map(({ operator }) => operator));
  // AND beside NOT comes to the same, whichever binds tighter.
  if (used.size < 2 || (mixedOperators === 'unsure' && !used.has('or'))) return;
  const first = row.find((entry) => 'operator' in entry);
  const other = row.find((entry) => 'operator' in entry && entry.operator !== first?.operator);
  if (other && 'operator' in other)
    problems.push(
      createProblem('mixed-operators', mixedOperators === 'refused' ? 'error' : 'warning', {}, other.span),
    );
}

function joinByPrecedence(row: Row, { precedence }: Dialect): QueryNode | undefined {
  const levels = precedence === 'left-to-right' ? [['and', 'or', 'not']] : precedence;
  let rest = row;
  for (const level of levels) rest = joinLevel(rest, level);
  const [only] = rest;
  return only && 'node' in only ? only.node : undefined;
}

/** Joins what operators of one level connect, from left to right; other operators stay. */
function joinLevel(row: Row, level: readonly string[]): Row {
  const done: Row[number][] = [];
  for (let at = 0; at < row.length; at++) {
    const entry = row[at];
    if (!entry) continue;
    const left = done.at(-1);
    const right = row[at + 1];
    if (
      !('operator' in entry) ||
      !level.includes(entry.operator) ||
      !left ||
      !('node' in left) ||
      !right ||
      !('node' in right)
    ) {
      done.push(entry);
      continue;
    }
    done[done.length - 1] = { node: joinPair(left.node, entry.operator, right.node) };
    at++;
  }
  return done;
}

/** Chains of one operator become one group. */
export function joinPair(left: QueryNode, operator: RowOperator, right: QueryNode): QueryNode {
  const span = left.span === NOWHERE ? right.span : coverSpans(left.span, right.span);
  if (operator === 'not') return { ...build.not(left, right), span };
  if (left.kind === operator && left.id === 'open') return { ...left, items: [...left.items, right], span };
  return { ...build[operator](left, right), id: 'open', span };
}

/** Kinds that have their own place in a record, whatever fields words are searched in. */
const PLACED: readonly QueryNode['kind'][] = ['fielded', 'heading', 'range', 'value', 'block'];

/** The fields round what has none of its own. */
export function markUnmarked(node: QueryNode, fields: readonly Field[]): QueryNode {
  if (!listNodes(node).some(({ kind }) => PLACED.includes(kind)))
    return node.kind === 'empty' ? node : { ...build.fielded(fields, node), span: node.span };
  if (node.kind === 'and' || node.kind === 'or')
    return { ...node, items: node.items.map((item) => markUnmarked(item, fields)) };
  if (node.kind !== 'not') return node;
  return {
    ...node,
    include: markUnmarked(node.include, fields),
    exclude: markUnmarked(node.exclude, fields),
  };
}

const LEAVES: readonly string[] = ['term', 'phrase', 'near'];

/** The same word in one field or another is that word in both: `title: x OR abstract: x` becomes `title,abstract: x`. */
export function joinMarks(node: QueryNode): QueryNode {
  if (node.kind === 'and') return { ...node, items: node.items.map(joinMarks) };
  if (node.kind === 'not')
    return { ...node, include: joinMarks(node.include), exclude: joinMarks(node.exclude) };
  if (node.kind === 'fielded') return { ...node, item: joinMarks(node.item) };
  if (node.kind !== 'or') return node;
  const joined = new Map<string, QueryNode>();
  node.items.map(joinMarks).forEach((item, at) => {
    const isLeaf = item.kind === 'fielded' && LEAVES.includes(item.item.kind);
    const key = isLeaf ? printQuery(item.item) : `\n${at}`;
    const before = joined.get(key);
    if (isLeaf && before?.kind === 'fielded') {
      const fields = FIELDS.filter((field) => before.fields.includes(field) || item.fields.includes(field));
      joined.set(key, { ...build.fielded(fields, item.item), span: coverSpans(before.span, item.span) });
    } else joined.set(key, item);
  });
  const items = [...joined.values()];
  const [only] = items;
  return items.length === 1 && only ? { ...only, span: node.span } : { ...node, items };
}

/** A span alone, without what a token or node has besides. */
export function place({ start, end }: Span): Span {
  return { start, end };
}
