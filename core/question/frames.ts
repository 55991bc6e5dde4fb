import rows from './frames.json';

/** A way to lay out a question in parts that may become concepts. */
export interface Frame {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly parts: readonly { readonly name: string; readonly asks: string }[];
}

/** The frames that are offered; a person's own has the id `own`. */
export const FRAMES: readonly Frame[] = rows;
