import { printLabel } from './heading-label';
import { isLeaf, type QueryNode } from './node';
import { printPattern, type Pattern } from './pattern';
import { printProperty } from './properties';

const OPERATOR_WORDS = new Set(['AND', 'OR', 'NOT', 'WITHIN', 'BEFORE', 'OFF', 'IN']);

/**
 * The tree as Ewer's query text. Law: parsing the text gives the tree again (up to ids and places),
 * for every well-formed tree: groups of two or more, no redundant nesting.
 */
export function printQuery(root: QueryNode, trailing: readonly string[] = []): string {
  const end = trailing.map((comment) => `\n// ${comment}`).join('');
  return root.kind === 'empty' && end !== '' ? end.trimStart() : printItem(root, 'root') + end;
}

/** Where an item stands: alone, first of an AND, or beside an operator. */
export type Place = 'root' | 'chain-start' | 'member';

/** An item with its comments and, where its place asks for them, brackets. */
export function printItem(node: QueryNode, place: Place): string {
  const before = (node.comments ?? []).map((comment) => `// ${comment}\n`).join('');
  const bare = printBare(node);
  if (!needsBrackets(node, place, before !== '')) return before + bare;
  return `${before}${bracket(bare)}`;
}

/** True if an item must be bracketed to stay one in a place. */
export function needsBrackets(node: QueryNode, place: Place, commented: boolean): boolean {
  if (isLeaf(node)) return false;
  switch (node.kind) {
    case 'and':
    case 'or':
      return place !== 'root' || commented;
    case 'not':
      return place === 'member' || commented;
    case 'near':
      return place === 'member' || place === 'chain-start' || commented;
    case 'fielded':
    case 'off':
    case 'only':
      return false;
  }
}

function printBare(node: QueryNode): string {
  switch (node.kind) {
    case 'and':
    case 'or': {
      const operator = node.kind === 'and' ? ' AND ' : ' OR ';
      const start: Place = node.kind === 'and' ? 'chain-start' : 'member';
      return node.items.map((item, at) => printItem(item, at === 0 ? start : 'member')).join(operator);
    }
    case 'not': {
      const include =
        node.include.kind === 'and' && !node.include.comments
          ? printBare(node.include)
          : printItem(node.include, 'chain-start');
      return `${include} NOT ${printItem(node.exclude, 'member')}`;
    }
    case 'near': {
      const operator = node.ordered ? 'BEFORE' : 'WITHIN';
      return `${printItem(node.left, 'member')} ${operator} ${node.distance} ${printItem(node.right, 'member')}`;
    }
    case 'fielded':
      return `${node.fields.join(',')}: ${printFieldItem(node.fields, node.item)}`;
    case 'term':
      return printTerm(node.pattern);
    case 'phrase':
      return `"${node.words.map(printPattern).join(' ')}"`;
    case 'heading': {
      const vocabulary = node.vocabulary === undefined ? '' : `(${node.vocabulary})`;
      return `${node.scope}${vocabulary}: "${printLabel(node)}"`;
    }
    case 'range':
    case 'value':
      return printProperty(node);
    case 'block':
      return `@${node.name}`;
    case 'off':
      return `OFF${bracket(printItem(node.item, 'root'))}`;
    case 'only':
      return `IN(${node.databases.join(', ')}: ${printItem(node.item, 'root')})`;
    case 'empty':
      return '()';
  }
}

/** A comment needs a blank before it to be one. */
export function bracket(text: string): string {
  return text.startsWith('//') ? `( ${text})` : `(${text})`;
}

/** Words that are operators are quoted, so that they stay words. */
function printTerm(pattern: Pattern): string {
  const signs = printPattern(pattern);
  return OPERATOR_WORDS.has(signs.toUpperCase()) ? `"${signs}"` : signs;
}

/** `heading: "…"` is a whole label; a phrase or a quoted word in headings needs brackets to differ from it. */
function printFieldItem(fields: readonly string[], item: QueryNode): string {
  const printed = printItem(item, 'member');
  const looksLikeLabel = fields.length === 1 && fields[0] === 'heading' && printBare(item).startsWith('"');
  return looksLikeLabel ? bracket(printed) : printed;
}
