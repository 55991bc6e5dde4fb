import { createProblem, type Problem } from '../problem';
import { DEFAULT_FIELDS, dropInactive, type Field, type QueryNode } from '../query';
import type { Dialect } from './dialect';
import { bracketPart, type Result, type StringPart } from './draft-string';
import { SAME, describeDrift, type Fidelity } from './fidelity';
import { writeLimiters, type Boxes, type HandStep, type Limiters } from './limiters';
import { NodeWriter } from './node-writer';

/** A stretch of the string and the node that it renders; pieces nest like the nodes, outer ones first. */
export interface Piece {
  readonly start: number;
  readonly end: number;
  readonly nodeId: string;
  /** The block of the nearest node that came from one. */
  readonly block?: string;
}

/** A query in one database's syntax, with what became of every node. */
export interface Rendering {
  readonly database: string;
  /** Empty if nothing could be written; then a problem says so. */
  readonly text: string;
  readonly pieces: readonly Piece[];
  readonly fidelity: ReadonlyMap<string, Fidelity>;
  /** The fidelity of the whole, limiters apart. */
  readonly whole: Fidelity['level'];
  /** The limiters that go as ticked boxes with the string. */
  readonly boxes: Boxes;
  /** What has to be set by hand in the database's own page, and what it cannot do. */
  readonly steps: readonly HandStep[];
  readonly truncations: number;
  readonly problems: readonly Problem[];
}

/** What the writer may be told beyond the query. */
export interface WriteSettings {
  readonly limiters?: Limiters;
  readonly defaultFields?: readonly Field[];
}

/**
 * Writes a query in a dialect. Blocks must have been expanded. What takes no part is dropped; what
 * the dialect cannot say is spelled out, widened or left out, each with its reason. Claims compose
 * upward with their direction and hold for the whole.
 */
export function writeQuery(root: QueryNode, dialect: Dialect, settings: WriteSettings = {}): Rendering {
  const full = write(root, dialect, settings, false);
  const tooLong = full.problems.some((problem) => problem.code === 'string-too-long');
  return tooLong && dialect.fields.leaveOutWhenTooLong ? write(root, dialect, settings, true) : full;
}

function write(root: QueryNode, dialect: Dialect, settings: WriteSettings, bare: boolean): Rendering {
  const writer = new NodeWriter(dialect, settings.defaultFields ?? DEFAULT_FIELDS, bare);
  const active = dropInactive(root, dialect.id);
  const result: Result = active ? writer.write(active) : { kind: 'nothing' };
  const limiters = writeLimiters(settings.limiters, dialect);
  const { text, pieces } =
    result.kind === 'written' ? layOut(result.part, limiters.text, dialect) : { text: '', pieces: [] };
  const truncations = countTruncations(text, dialect);
  const problems: Problem[] = [];
  const { characters, truncations: mostTruncations } = dialect.most;
  if (text === '') problems.push(createProblem('nothing-to-send', 'error', { database: dialect.name }));
  if (characters !== undefined && text.length > characters) {
    problems.push(
      createProblem('string-too-long', 'error', {
        length: text.length,
        most: characters,
        database: dialect.name,
      }),
    );
  }
  if (mostTruncations !== undefined && truncations > mostTruncations) {
    problems.push(
      createProblem('too-many-truncations', 'error', {
        count: truncations,
        most: mostTruncations,
        database: dialect.name,
      }),
    );
  }
  const whole =
    result.kind === 'written'
      ? describeDrift(result.drift)
      : result.kind === 'left-out' && result.drift !== SAME
        ? 'left-out'
        : 'same';
  const { boxes, steps } = limiters;
  return {
    database: dialect.id,
    text,
    pieces,
    fidelity: writer.fidelity,
    whole,
    boxes,
    steps,
    truncations,
    problems,
  };
}

function countTruncations(text: string, dialect: Dialect): number {
  const sign = dialect.wildcards.any?.sign;
  return sign === undefined ? 0 : text.split(sign).length - 1;
}

/** Turns the nested parts into one string and the places of its pieces; limiters go round the bracketed whole. */
function layOut(
  part: StringPart,
  limiters: readonly string[],
  dialect: Dialect,
): { text: string; pieces: Piece[] } {
  let text = '';
  const pieces: Piece[] = [];
  const add = (inner: string | StringPart, block: string | undefined): void => {
    if (typeof inner === 'string') {
      text += inner;
      return;
    }
    const own = inner.node.block ?? block;
    const place = pieces.length;
    pieces.push({ start: text.length, end: 0, nodeId: inner.node.id });
    for (const smaller of inner.parts) add(smaller, own);
    const start = pieces[place]?.start ?? 0;
    pieces[place] = {
      start,
      end: text.length,
      nodeId: inner.node.id,
      ...(own !== undefined && { block: own }),
    };
  };
  for (const inner of limiters.length > 0 ? bracketPart(part) : [part]) add(inner, undefined);
  const text2 = [text, ...limiters].join(` ${dialect.operators.and.write} `);
  return { text: text2, pieces };
}
