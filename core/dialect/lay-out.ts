import type { Dialect } from './dialect';
import type { StringTree } from './string-tree';

/** A stretch of the string and the node that it renders; pieces nest like the nodes, outer ones first. */
export interface Piece {
  readonly start: number;
  readonly end: number;
  readonly nodeId: string;
  /** The block of the nearest node that came from one. */
  readonly block?: string;
}

/** One string with the places of its pieces. */
export interface LaidOut {
  readonly text: string;
  readonly pieces: readonly Piece[];
}

/** What a database limits: signs, cut words, words searched. */
export interface Extent {
  readonly characters: number;
  readonly truncations: number;
  readonly words: number;
}

/** Prints a tree. Every group beside an operator is bracketed, unless brackets are not taken at all. */
export function layOut(tree: StringTree, dialect: Dialect): LaidOut {
  const printer = new TreePrinter(dialect);
  printer.add(tree, undefined, undefined, false);
  return { text: printer.text, pieces: printer.pieces };
}

/** The extent of a tree as it would be printed. */
export function measure(tree: StringTree, dialect: Dialect): Extent {
  const { text } = layOut(tree, dialect);
  return { characters: text.length, truncations: countTruncations(text, dialect), words: countWords(tree) };
}

/** True if a database takes a string of this extent. */
export function isWithin({ characters, truncations, words }: Extent, { most }: Dialect): boolean {
  return (
    characters <= (most.characters ?? Infinity) &&
    truncations <= (most.truncations ?? Infinity) &&
    words <= (most.words ?? Infinity)
  );
}

/** True if the mark of the fields brackets what it marks. */
export function doesMarkBracket({ fields }: Dialect): boolean {
  const [before = '', after = ''] = fields.mark.split('{item}');
  return before !== '' && after !== '';
}

function countTruncations(text: string, dialect: Dialect): number {
  const sign = dialect.wildcards.any?.sign;
  return sign === undefined ? 0 : text.split(sign).length - 1;
}

function countWords(tree: StringTree): number {
  if (tree.kind === 'atom') return tree.words;
  if (tree.kind === 'join') return tree.items.reduce((sum, item) => sum + countWords(item), 0);
  return countWords(tree.item);
}

class TreePrinter {
  text = '';
  readonly pieces: Piece[] = [];

  constructor(private readonly dialect: Dialect) {}

  add(tree: StringTree, outer: string | undefined, block: string | undefined, beside: boolean): void {
    // Several parts of one node are one piece.
    if (tree.node.id === outer) return this.addBody(tree, block, beside);
    const own = tree.node.block ?? block;
    const place = this.pieces.length;
    const piece = { nodeId: tree.node.id, ...(own !== undefined && { block: own }) };
    const brackets = beside && this.needsBrackets(tree);
    if (brackets) this.text += '(';
    const start = this.text.length;
    this.pieces.push({ start, end: start, ...piece });
    this.addBody(tree, own, false);
    this.pieces[place] = { start, end: this.text.length, ...piece };
    if (brackets) this.text += ')';
  }

  private addBody(tree: StringTree, block: string | undefined, beside: boolean): void {
    const brackets = beside && this.needsBrackets(tree);
    if (brackets) this.text += '(';
    if (tree.kind === 'atom') this.text += tree.text;
    else if (tree.kind === 'join') this.addJoin(tree, block);
    else if (tree.kind === 'without') {
      this.text += this.dialect.operators.not.write;
      this.add(tree.item, tree.node.id, block, true);
    } else {
      this.text += tree.before;
      this.add(tree.item, tree.node.id, block, !doesMarkBracket(this.dialect));
      this.text += tree.after;
    }
    if (brackets) this.text += ')';
  }

  private addJoin(tree: StringTree & { kind: 'join' }, block: string | undefined): void {
    const { write } = this.dialect.operators[tree.operator];
    const between = write === '' ? ' ' : ` ${write} `;
    tree.items.forEach((item, at) => {
      if (at > 0) this.text += between;
      this.add(item, tree.node.id, block, tree.items.length > 1);
    });
  }

  private needsBrackets(tree: StringTree): boolean {
    if (this.dialect.deepest === 0) return false;
    if (tree.kind === 'atom') return tree.isLoose === true;
    if (tree.kind !== 'join') return false;
    const [only] = tree.items;
    return tree.items.length === 1 && only ? this.needsBrackets(only) : true;
  }
}
