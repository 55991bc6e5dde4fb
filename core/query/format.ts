import { isLeaf, type QueryNode } from './node';
import { bracket, needsBrackets, printItem, printQuery, type Place } from './printer';

/** The longest line that is not broken, in characters. */
const WIDTH = 76;

/**
 * The tree as query text laid out for reading: what fits stands on one line, longer groups have a line a
 * member. The same law as `printQuery`: parsing gives the tree again.
 */
export function formatQuery(root: QueryNode, trailing: readonly string[] = []): string {
  const end = trailing.map((comment) => `\n// ${comment}`).join('');
  if (root.kind === 'empty') return printQuery(root, trailing);
  return layOut(root, 'root', WIDTH) + end;
}

function layOut(node: QueryNode, place: Place, room: number): string {
  const line = printItem(node, place);
  if (line.length <= room && !line.includes('\n')) return line;
  const comments = (node.comments ?? []).map((comment) => `// ${comment}\n`).join('');
  const body = layOutBare(node, room);
  if (!needsBrackets(node, place, comments !== '')) return comments + body;
  return body.includes('\n') ? `${comments}(\n${indent(body)}\n)` : comments + bracket(body);
}

function layOutBare(node: QueryNode, room: number): string {
  const { comments: _, ...rest } = node;
  const bare: QueryNode = rest;
  if (isLeaf(bare)) return printItem(bare, 'root');
  switch (bare.kind) {
    case 'and':
    case 'or': {
      const operator = bare.kind === 'and' ? 'AND' : 'OR';
      const start: Place = bare.kind === 'and' ? 'chain-start' : 'member';
      return bare.items
        .map((item, at) => (at === 0 ? layOut(item, start, room - 2) : layOutBehind(operator, item, room)))
        .join('\n');
    }
    case 'not': {
      const include =
        bare.include.kind === 'and' && !bare.include.comments
          ? layOutBare(bare.include, room)
          : layOut(bare.include, 'chain-start', room);
      return `${include}\n${layOutBehind('NOT', bare.exclude, room)}`;
    }
    case 'off':
      return `OFF(${wrap(layOut(bare.item, 'root', room - 5))})`;
    case 'only':
      return `IN(${bare.databases.join(', ')}:${wrap(layOut(bare.item, 'root', room - 5), ' ')})`;
    case 'fielded': {
      const isGroup = bare.item.kind === 'and' || bare.item.kind === 'or' || bare.item.kind === 'not';
      if (!isGroup || bare.item.comments) return printItem(bare, 'root');
      return `${bare.fields.join(',')}: ${layOut(bare.item, 'member', room - 2)}`;
    }
    case 'near':
      return printItem(bare, 'root');
  }
}

/** An operator and its operand; comments of the operand stand above them. */
function layOutBehind(operator: string, node: QueryNode, room: number): string {
  const text = layOut(node, 'member', room - operator.length - 3);
  const comments = node.comments ?? [];
  const above = comments.map((comment) => `// ${comment}\n`).join('');
  return `${above}${operator} ${text.startsWith(above) ? text.slice(above.length) : text}`;
}

function wrap(text: string, gap = ''): string {
  return text.includes('\n') ? `\n${indent(text)}\n` : `${gap}${text}`;
}

function indent(text: string): string {
  return text.replace(/^(?=.)/gm, '  ');
}
