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

/** A piece; there are thousands of them, so none is made by copying another. */
export function createPiece(start: number, end: number, nodeId: string, block: string | undefined): Piece {
  return block === undefined ? { start, end, nodeId } : { start, end, nodeId, block };
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

const MEASURED = new WeakMap<Dialect, WeakMap<StringTree, Extent>>();

/** The extent of a tree as it would be printed, without printing it: trees are values, so parts are measured once. */
export function measure(tree: StringTree, dialect: Dialect): Extent {
  const measured = MEASURED.get(dialect) ?? new WeakMap<StringTree, Extent>();
  MEASURED.set(dialect, measured);
  const known = measured.get(tree);
  if (known) return known;
  const extent = measureBody(tree, dialect);
  measured.set(tree, extent);
  return extent;
}

function measureBody(tree: StringTree, dialect: Dialect): Extent {
  const { any } = dialect.wildcards;
  switch (tree.kind) {
    case 'atom':
      return {
        characters: tree.text.length,
        truncations: any ? tree.text.split(any.sign).length - 1 : 0,
        words: tree.words,
      };
    case 'without':
      return lengthen(measureBeside(tree.item, dialect), dialect.operators.not.write.length);
    case 'wrap': {
      const inner = doesMarkBracket(dialect)
        ? measure(tree.item, dialect)
        : measureBeside(tree.item, dialect);
      return lengthen(inner, tree.before.length + tree.after.length);
    }
    case 'join': {
      const { write } = dialect.operators[tree.operator];
      const isGroup = tree.items.length > 1;
      const extents = tree.items.map((item) =>
        isGroup ? measureBeside(item, dialect) : measure(item, dialect),
      );
      const between = (write === '' ? 1 : write.length + 2) * Math.max(0, tree.items.length - 1);
      return lengthen(addExtents(extents), between);
    }
  }
}

/** The extent of what stands beside an operator: with brackets where it needs them. */
function measureBeside(tree: StringTree, dialect: Dialect): Extent {
  return lengthen(measure(tree, dialect), needsBrackets(tree, dialect) ? 2 : 0);
}

function lengthen(extent: Extent, by: number): Extent {
  if (by === 0) return extent;
  const { characters, truncations, words } = extent;
  return { characters: characters + by, truncations, words };
}

/** Several extents together. */
export function addExtents(extents: readonly Extent[]): Extent {
  let [characters, truncations, words] = [0, 0, 0];
  for (const extent of extents) {
    characters += extent.characters;
    truncations += extent.truncations;
    words += extent.words;
  }
  return { characters, truncations, words };
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

function needsBrackets(tree: StringTree, dialect: Dialect): boolean {
  if (dialect.deepest === 0) return false;
  if (tree.kind === 'atom') return tree.isLoose === true;
  if (tree.kind !== 'join') return false;
  const [only] = tree.items;
  return tree.items.length === 1 && only ? needsBrackets(only, dialect) : true;
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
    const brackets = beside && needsBrackets(tree, this.dialect);
    if (brackets) this.text += '(';
    const start = this.text.length;
    this.pieces.push(createPiece(start, start, tree.node.id, own));
    this.addBody(tree, own, false);
    this.pieces[place] = createPiece(start, this.text.length, tree.node.id, own);
    if (brackets) this.text += ')';
  }

  private addBody(tree: StringTree, block: string | undefined, beside: boolean): void {
    const brackets = beside && needsBrackets(tree, this.dialect);
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
}
