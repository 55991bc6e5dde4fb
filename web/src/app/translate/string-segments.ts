import type { Piece } from '#core/dialect/index';

/** A stretch of a rendering that belongs to the same pieces. */
export interface Segment {
  readonly text: string;
  /** The nodes that the stretch renders, the outermost first. */
  readonly nodes: readonly string[];
  readonly block: string | undefined;
}

/** Cuts a rendering where a piece begins or ends. */
export function cutSegments(text: string, pieces: readonly Piece[]): Segment[] {
  const cuts = [...new Set([0, text.length, ...pieces.flatMap((piece) => [piece.start, piece.end])])].sort(
    (a, b) => a - b,
  );
  return cuts.slice(0, -1).map((start, at) => {
    const end = cuts[at + 1] ?? text.length;
    const round = pieces.filter((piece) => piece.start <= start && piece.end >= end);
    return {
      text: text.slice(start, end),
      nodes: round.map((piece) => piece.nodeId),
      block: round.findLast((piece) => piece.block !== undefined)?.block,
    };
  });
}
