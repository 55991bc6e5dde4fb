import { createProblem, type Problem } from '../../problem';
import type { Limiters } from '../../limiter';
import { DEFAULT_FIELDS, dropInactive, type Field, type QueryNode } from '../../query';
import type { Dialect } from '../profile';
import { SAME, describeShift, joinShifts, type Fidelity } from '../profile';
import { flattenTree, mustFlatten } from './flatten';
import { findJointShift } from './joint-words';
import { isWithin, joinLines, layOut, measure, type Extent, type LaidOut, type Piece } from './lay-out';
import { writeLimiters, type SentLimiters, type HandStep } from './write-limiters';
import { NodeWriter } from './node-writer';
import { MAX_PARTS, splitTree } from './split';
import { joinTrees, type Result, type StringTree } from './string-tree';
import type { ListBranch } from './write-headings';
import type { FindForms } from './write-words';

/** Which way a count is off what was asked: see `Rendering.omitted`. */
export type Omitted = Exclude<Fidelity['level'], 'same' | 'left-out'>;

/** A query in one database's syntax, with what became of every node. */
export interface Rendering {
  readonly database: string;
  /** Empty if nothing could be written; then a problem says so. Several parts stand on a line each. */
  readonly text: string;
  readonly pieces: readonly Piece[];
  /** The strings to send: more than one if the database does not take them as one; any of them will do for a record. */
  readonly parts: readonly LaidOut[];
  readonly fidelity: ReadonlyMap<string, Fidelity>;
  /** The fidelity of the whole, limiters apart. */
  readonly whole: Fidelity['level'];
  /** Fields were left out so that the string is not too long: its count means something wider than one with them. */
  readonly withoutFields?: true;
  /**
   * Which way its count is off because a part or a field of the query cannot be searched there. An exclusion that
   * cannot be written is such a part. See `listLeftOut` for what it is.
   */
  readonly omitted?: Omitted;
  /** The limiters that are sent with the string. */
  readonly sentLimiters: SentLimiters;
  /** What has to be set by hand in the database's own page, and what it cannot do. */
  readonly steps: readonly HandStep[];
  /** The extent of the largest part. */
  readonly extent: Extent;
  readonly problems: readonly Problem[];
}

/** What the writer may be told beyond the query. */
export interface WriteSettings {
  readonly limiters?: Limiters;
  readonly defaultFields?: readonly Field[];
  /** The forms of cut words in this database, where its syntax cannot cut them. */
  readonly findForms?: FindForms;
  /** A heading and all below it in this database's thesaurus, where it is known; nothing where it is not. */
  readonly listBranch?: ListBranch;
  /** How earlier searches are referred to, by the names of the blocks that they are. */
  readonly references?: ReadonlyMap<string, string>;
}

/**
 * Writes a query in a dialect. Blocks must have been expanded. What takes no part is dropped; what
 * the dialect cannot say is spelled out, widened or left out, each with its reason. Claims compose
 * upward with their direction and hold for the whole, in however many parts it is written.
 */
export function writeQuery(root: QueryNode, dialect: Dialect, settings: WriteSettings = {}): Rendering {
  const full = write(root, dialect, settings, false);
  if (full.problems.length === 0) return full;
  if (settings.findForms) {
    // Fewer words are left when cut words are not spelled out.
    const { findForms: _, ...plain } = settings;
    const short = write(root, dialect, plain, false);
    if (short.problems.length === 0) return short;
  }
  if (!dialect.whenTooLong.includes('without-fields')) return full;
  const bare = write(root, dialect, settings, true);
  return bare.problems.length === 0 ? bare : full;
}

/** What a dialect does to each node of a query, whatever the length of its strings: as `writeQuery` says, without them. */
export function describeFidelity(root: QueryNode, dialect: Dialect): ReadonlyMap<string, Fidelity> {
  const writer = new NodeWriter(dialect, DEFAULT_FIELDS, false);
  const active = dropInactive(root, dialect.id);
  if (active) writer.write(active);
  return writer.notes.gather();
}

function write(root: QueryNode, dialect: Dialect, settings: WriteSettings, bare: boolean): Rendering {
  const writer = new NodeWriter(dialect, settings.defaultFields ?? DEFAULT_FIELDS, bare, settings);
  const active = dropInactive(root, dialect.id);
  const written: Result = active ? writer.write(active) : { kind: 'nothing' };
  const result =
    written.kind === 'written' && active
      ? { ...written, shift: joinShifts(written.shift, findJointShift(active, dialect)) }
      : written;
  const { text, sentLimiters, steps } = writeLimiters(settings.limiters, dialect);
  const { trees, problem } =
    result.kind === 'written'
      ? fitTree(addLimiters(result.tree, text), dialect)
      : { trees: [], problem: createProblem('nothing-to-send', 'error', { database: dialect.name }) };
  const parts = trees.map((tree) => layOut(tree, dialect));
  const lines = joinLines(parts);
  let fidelity: ReadonlyMap<string, Fidelity> | undefined;
  return {
    database: dialect.id,
    text: lines.text,
    get pieces() {
      return lines.pieces;
    },
    parts,
    get fidelity() {
      return (fidelity ??= writer.notes.gather());
    },
    whole: describeWhole(result),
    ...(bare && { withoutFields: true as const }),
    ...describeOmitted(result),
    sentLimiters,
    steps,
    extent: findGreatest(trees.map((tree) => measure(tree, dialect))),
    problems: problem ? [problem] : [],
  };
}

function describeWhole(result: Result): Fidelity['level'] {
  if (result.kind === 'written') return describeShift(result.shift);
  return result.kind === 'left-out' && result.shift !== SAME ? 'left-out' : 'same';
}

function describeOmitted(result: Result): Pick<Rendering, 'omitted'> {
  const level = result.kind === 'written' ? describeShift(result.omitted) : 'same';
  return level === 'same' || level === 'left-out' ? {} : { omitted: level };
}

/** Limiters go round the whole. */
function addLimiters(tree: StringTree, limiters: readonly string[]): StringTree {
  if (limiters.length === 0) return tree;
  const node = { ...tree.node, id: `${tree.node.id}+` };
  const atoms = limiters.map((text): StringTree => ({ kind: 'atom', node, text, words: 0 }));
  return joinTrees(node, 'and', [tree, ...atoms]);
}

/** The strings that a database takes for a tree, or one that it does not take, and why. */
function fitTree(tree: StringTree, dialect: Dialect): { trees: StringTree[]; problem?: Problem } {
  const flat = mustFlatten(dialect) ? flattenTree(tree, dialect, MAX_PARTS) : [tree];
  if (!flat)
    return { trees: [tree], problem: createProblem('too-nested', 'error', { database: dialect.name }) };
  if (flat.every((part) => isWithin(measure(part, dialect), dialect))) return { trees: flat };
  const split = dialect.whenTooLong.includes('parts') ? flat.map((part) => splitTree(part, dialect)) : [];
  const parts = split.flatMap((some) => some ?? []);
  if (split.length > 0 && split.every((some) => some !== undefined) && parts.length <= MAX_PARTS)
    return { trees: parts };
  return {
    trees: flat,
    problem: describeExcess(findGreatest(flat.map((one) => measure(one, dialect))), dialect),
  };
}

function describeExcess(extent: Extent, { most, name }: Dialect): Problem {
  if (extent.characters > (most.characters ?? Infinity)) {
    const data = { length: extent.characters, most: most.characters ?? 0, database: name };
    return createProblem('string-too-long', 'error', data);
  }
  if (extent.truncations > (most.truncations ?? Infinity)) {
    const data = { count: extent.truncations, most: most.truncations ?? 0, database: name };
    return createProblem('too-many-truncations', 'error', data);
  }
  const data = { count: extent.words, most: most.words ?? 0, database: name };
  return createProblem('too-many-words', 'error', data);
}

function findGreatest(extents: readonly Extent[]): Extent {
  const greatest = (read: (extent: Extent) => number): number => Math.max(0, ...extents.map(read));
  return {
    characters: greatest((extent) => extent.characters),
    truncations: greatest((extent) => extent.truncations),
    words: greatest((extent) => extent.words),
  };
}
