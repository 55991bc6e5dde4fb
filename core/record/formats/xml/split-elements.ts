/** An element as it stands in a text. */
export interface ElementText {
  /** The line that it begins in, counted from 1. */
  readonly line: number;
  readonly content: string;
  /** The place behind it. */
  readonly end: number;
}

/**
 * The elements of a name (without its prefix) as they stand in a text, one after the other; one that has no end
 * reaches to the next, so that it is told as broken and the others are read.
 */
export function* splitElements(text: string, name: string): Iterable<ElementText> {
  const opening = new RegExp(`<(?:[\\w.-]+:)?${name}(?=[\\s>])`, 'g');
  const closing = new RegExp(`</(?:[\\w.-]+:)?${name}\\s*>`, 'g');
  let line = 1;
  let counted = 0;
  for (let open = opening.exec(text); open;) {
    line += countLines(text, counted, open.index);
    counted = open.index;
    const next = opening.exec(text);
    closing.lastIndex = open.index;
    const close = closing.exec(text);
    const end =
      close && (!next || close.index < next.index) ? closing.lastIndex : (next?.index ?? text.length);
    yield { line, content: text.slice(open.index, end), end };
    open = next;
  }
}

function countLines(text: string, from: number, to: number): number {
  let lines = 0;
  for (let at = text.indexOf('\n', from); at >= 0 && at < to; at = text.indexOf('\n', at + 1)) lines++;
  return lines;
}
