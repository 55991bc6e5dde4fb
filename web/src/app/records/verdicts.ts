import type { Verdict } from '#core/project/index';
import { say } from '../words/say';

/** What a verdict is called, the key that gives it, and its sign in a list. */
export interface VerdictRow {
  readonly id: Verdict;
  readonly name: string;
  readonly key: string;
  readonly sign: string;
}

/** The verdicts in the order in which they are offered. */
export const VERDICT_ROWS: readonly VerdictRow[] = [
  {
    id: 'on',
    get name() {
      return say('shared.onTopic');
    },
    key: 'y',
    sign: '●',
  },
  {
    id: 'off',
    get name() {
      return say('records.offTopic');
    },
    key: 'n',
    sign: '–',
  },
  {
    id: 'unsure',
    get name() {
      return say('records.notSure');
    },
    key: 'u',
    sign: '?',
  },
];

/** The verdict that a key gives. */
export function findVerdict(key: string): VerdictRow | undefined {
  return VERDICT_ROWS.find((row) => row.key === key.toLowerCase());
}
