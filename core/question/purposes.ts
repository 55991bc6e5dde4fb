import type { Purpose, TargetBand } from '../project';

/** What a purpose means in practice. */
export interface PurposeRow {
  readonly id: Purpose;
  readonly name: string;
  /** What is called good for it, as a sentence. */
  readonly good: string;
  readonly suggests: TargetBand;
}

/** The purposes that a project can have. */
export const PURPOSE_ROWS: readonly PurposeRow[] = [
  {
    id: 'quick',
    name: 'quick answer',
    good: 'A few records that are on topic, first in the list.',
    suggests: { from: 5, to: 50 },
  },
  {
    id: 'review',
    name: 'review',
    good: 'As many as can be read, with everything that matters among them.',
    suggests: { from: 50, to: 400 },
  },
  {
    id: 'exhaustive',
    name: 'exhaustive search',
    good: 'Nothing missed; the number only says how long screening takes.',
    suggests: { from: 200 },
  },
];
