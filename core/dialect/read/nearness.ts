import { createProblem, type Problem } from '../../problem';
import { FIELDS, GREATEST_DISTANCE, build, type Field, type QueryNode } from '../../query';
import { coverSpans, type Span } from '../../text';

/** What is said of two sides that stand near each other. */
export interface Nearness {
  /** Adjacent is 1. */
  readonly distance: number;
  readonly ordered: boolean;
  readonly operator: string;
  /** What the system takes on a side. */
  readonly operands: 'words' | 'phrases' | 'groups';
  /** The greatest distance that it takes, if there is one. */
  readonly greatest?: number;
  /** The fields of a side that has none of its own. */
  readonly unmarked: readonly Field[];
  readonly span: Span;
}

/** A word or phrase of a side, with its fields. */
interface Side {
  readonly node: QueryNode;
  readonly fields: readonly Field[] | undefined;
}

/**
 * A nearness of two sides as it is read from a string. A pair stands within one field: sides in different
 * fields are near in those that they share. What cannot be near is a problem; then both may stand anywhere.
 */
export function createNearness(
  left: QueryNode,
  right: QueryNode,
  nearness: Nearness,
  problems: Problem[],
): QueryNode {
  const { operator, distance, greatest = GREATEST_DISTANCE, unmarked, ordered } = nearness;
  const span = coverSpans(left.span, right.span);
  const place = { start: nearness.span.start, end: nearness.span.end };
  const most = Math.min(greatest, GREATEST_DISTANCE);
  const sides = [left, right].map((side) => listSides(side, nearness.operands));
  const [before, after] = sides;
  if (!before || !after) {
    problems.push(createProblem('near-operand', 'error', { operator }, place));
    return { ...build.and(left, right), span };
  }
  if (!Number.isInteger(distance) || distance < 1 || distance > most)
    problems.push(createProblem('near-distance', 'error', { operator, most }, place));
  const asked = Math.min(Math.max(distance, 1), GREATEST_DISTANCE) || 1;
  const pair = (a: QueryNode, b: QueryNode, fields: readonly Field[] | undefined): QueryNode => {
    const near = { ...build.near(a, asked, b, ordered), span };
    return fields ? { ...build.fielded(fields, near), span } : near;
  };
  const all = [...before, ...after];
  const [first] = all;
  if (all.every(({ fields }) => fields?.join() === first?.fields?.join()))
    return pair(joinSides(before), joinSides(after), first?.fields);
  const pairs = before.flatMap((a) =>
    after.flatMap((b) => {
      const shared = shareFields(a.fields ?? unmarked, b.fields ?? unmarked);
      return shared.length === 0 ? [] : [pair(a.node, b.node, shared)];
    }),
  );
  const [only] = pairs;
  if (!only) return { ...build.empty(), span };
  return pairs.length === 1 ? only : { ...build.or(...pairs), span };
}

function joinSides(sides: readonly Side[]): QueryNode {
  const nodes = sides.map(({ node }) => node);
  const [only] = nodes;
  return nodes.length === 1 && only ? only : build.or(...nodes);
}

function shareFields(a: readonly Field[], b: readonly Field[]): Field[] {
  return FIELDS.filter(
    (field) => (a.includes(field) || a.includes('text')) && (b.includes(field) || b.includes('text')),
  );
}

/** The words and phrases of a side with their fields; nothing if anything else stands there. */
function listSides(
  node: QueryNode,
  operands: Nearness['operands'],
  fields?: readonly Field[],
): Side[] | undefined {
  switch (node.kind) {
    case 'term':
      return [{ node, fields }];
    case 'phrase':
      return operands === 'words' ? undefined : [{ node, fields }];
    case 'fielded':
      return listSides(node.item, operands, node.fields);
    case 'or': {
      if (operands !== 'groups') return undefined;
      const sides = node.items.map((item) => listSides(item, operands, fields));
      return sides.includes(undefined) ? undefined : sides.flatMap((side) => side ?? []);
    }
    case 'and':
    case 'not':
    case 'near':
    case 'heading':
    case 'range':
    case 'value':
    case 'block':
    case 'off':
    case 'only':
    case 'empty':
      return undefined;
  }
}
