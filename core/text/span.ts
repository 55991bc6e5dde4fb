/** A stretch of text, `[start, end)`, in UTF-16 code units. */
export interface Span {
  readonly start: number;
  readonly end: number;
}

/** The span of nothing, for values that were built and not read from a text. */
export const NOWHERE: Span = { start: 0, end: 0 };

/** The smallest span that holds both. */
export function coverSpans(a: Span, b: Span): Span {
  return { start: Math.min(a.start, b.start), end: Math.max(a.end, b.end) };
}
