import type { Verdict } from '#core/project/index';

/** What a verdict is called, the key that gives it, and its sign in a list. */
export interface VerdictRow {
  readonly id: Verdict;
  readonly name: string;
  readonly key: string;
  readonly sign: string;
}

/** The verdicts in the order in which they are offered. */
export const VERDICT_ROWS: readonly VerdictRow[] = [
  { id: 'on', name: 'on topic', key: 'y', sign: '●' },
  { id: 'off', name: 'off topic', key: 'n', sign: '–' },
  { id: 'unsure', name: 'not sure', key: 'u', sign: '?' },
];

/** The verdict that a key gives. */
export function findVerdict(key: string): VerdictRow | undefined {
  return VERDICT_ROWS.find((row) => row.key === key.toLowerCase());
}
