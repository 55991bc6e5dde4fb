import type { Dialect } from '../profile';
import type { Atom, Join, StringTree } from './string-tree';

/** A stretch of the string and the node that it renders; pieces nest like the nodes, outer ones first. */
export interface Piece {
  readonly start: number;
  readonly end: number;
  readonly nodeId: string;
  /** The block of the nearest node that came from one. */
  readonly block?: string;
}

/** A piece; there are thousands of them, so none is made by copying another. */
function createPiece(start: number, end: number, nodeId: string, block: string | undefined): Piece {
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

/**
 * Prints a tree. Every group beside an operator is bracketed, unless brackets are not taken at all. The
 * pieces are found when somebody asks for them: most strings of a batch are only sent.
 */
export function layOut(tree: StringTree, dialect: Dialect): LaidOut {
  let pieces: Piece[] | undefined;
  return {
    text: recallPrinted(tree, dialect).text,
    get pieces() {
      return (pieces ??= findPieces(tree, dialect));
    },
  };
}

/** Parts on a line each, with their pieces found as those of `layOut` are. */
export function joinLines(parts: readonly LaidOut[]): LaidOut {
  const [only] = parts;
  if (parts.length === 1 && only) return only;
  let pieces: Piece[] | undefined;
  return {
    text: parts.map(({ text }) => text).join('\n'),
    get pieces() {
      return (pieces ??= movePieces(parts));
    },
  };
}

function movePieces(parts: readonly LaidOut[]): Piece[] {
  let from = 0;
  return parts.flatMap(({ text, pieces }) => {
    const start = from;
    from += text.length + 1;
    return pieces.map((piece) =>
      createPiece(piece.start + start, piece.end + start, piece.nodeId, piece.block),
    );
  });
}

/** A tree as text, and how much of what is limited that takes. */
interface Printed {
  readonly text: string;
  readonly extent: Extent;
}

const PRINTED = new WeakMap<Dialect, WeakMap<StringTree, Printed>>();

/** Trees are values: what stands in many of them is printed and measured once. */
function recallPrinted(tree: StringTree, dialect: Dialect): Printed {
  const printed = PRINTED.get(dialect) ?? new WeakMap<StringTree, Printed>();
  PRINTED.set(dialect, printed);
  const known = printed.get(tree);
  if (known) return known;
  const made = tree.kind === 'atom' ? printAtom(tree, dialect) : printInner(tree, dialect);
  printed.set(tree, made);
  return made;
}

function printAtom({ text, words }: Atom, { wildcards: { any } }: Dialect): Printed {
  const truncations = any ? text.split(any.sign).length - 1 : 0;
  return { text, extent: { characters: text.length, truncations, words } };
}

function printInner(tree: Exclude<StringTree, Atom>, dialect: Dialect): Printed {
  const items = tree.kind === 'join' ? tree.items : [tree.item];
  const text = printBody(tree, dialect);
  let [truncations, words] = [0, 0];
  for (const item of items) {
    const { extent } = recallPrinted(item, dialect);
    truncations += extent.truncations;
    words += extent.words;
  }
  return { text, extent: { characters: text.length, truncations, words } };
}

function printBody(tree: Exclude<StringTree, Atom>, dialect: Dialect): string {
  const beside = isBeside(tree, dialect);
  const inner = (item: StringTree): string => {
    const { text } = recallPrinted(item, dialect);
    return beside && needsBrackets(item, dialect) ? `(${text})` : text;
  };
  switch (tree.kind) {
    case 'without':
      return dialect.operators.not.write + inner(tree.item);
    case 'wrap':
      return tree.before + inner(tree.item) + tree.after;
    case 'join':
      return tree.items.map(inner).join(writeBetween(tree, dialect));
  }
}

/** What stands inside stands beside an operator or a mark, so that groups need their brackets. */
function isBeside(tree: Exclude<StringTree, Atom>, dialect: Dialect): boolean {
  if (tree.kind === 'join') return tree.items.length > 1;
  return tree.kind === 'without' || !doesMarkBracket(dialect);
}

function writeBetween({ operator }: Join, dialect: Dialect): string {
  const { write } = dialect.operators[operator];
  return write === '' ? ' ' : ` ${write} `;
}

/** The extent of a tree as it is printed. */
export function measure(tree: StringTree, dialect: Dialect): Extent {
  return recallPrinted(tree, dialect).extent;
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

/** The places of the nodes in the text of a tree. */
function findPieces(tree: StringTree, dialect: Dialect): Piece[] {
  const pieces: Piece[] = [];
  /** Gives where the tree ends. */
  const visit = (
    part: StringTree,
    at: number,
    outer: string | undefined,
    block: string | undefined,
    beside: boolean,
  ): number => {
    const bracket = beside && needsBrackets(part, dialect) ? 1 : 0;
    const start = at + bracket;
    // Several parts of one node are one piece.
    if (part.node.id === outer) return visitBody(part, start, block) + bracket;
    const own = part.node.block ?? block;
    const place = pieces.length;
    pieces.push(createPiece(start, start, part.node.id, own));
    const end = visitBody(part, start, own);
    pieces[place] = createPiece(start, end, part.node.id, own);
    return end + bracket;
  };
  const visitBody = (part: StringTree, start: number, block: string | undefined): number => {
    if (part.kind === 'atom') return start + part.text.length;
    const beside = isBeside(part, dialect);
    if (part.kind === 'without')
      return visit(part.item, start + dialect.operators.not.write.length, part.node.id, block, beside);
    if (part.kind === 'wrap')
      return visit(part.item, start + part.before.length, part.node.id, block, beside) + part.after.length;
    const between = writeBetween(part, dialect).length;
    return part.items.reduce(
      (at, item, place) => visit(item, place > 0 ? at + between : at, part.node.id, block, beside),
      start,
    );
  };
  visit(tree, 0, undefined, undefined, false);
  return pieces;
}
