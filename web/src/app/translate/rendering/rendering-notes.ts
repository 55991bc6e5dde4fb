import type { FidelityLevel, HandStep, PhraseFallback } from '#core/dialect/index';
import { listLimiters } from '#core/limiter/index';
import type { ReadBack } from '#core/proof/index';
import type { Counted } from '../../counting/count-state';
import { LEVEL_WORDS } from '../../words/fidelity-levels';

/**
 * What a rendering does to the meaning under its limiters: one that the database does not have leaves more records
 * than are meant.
 */
export function describeLevel({ rendering, limiters, missingLimiters }: Counted): {
  readonly level: FidelityLevel;
  readonly levelWords: string;
} {
  const missing = listLimiters(limiters).filter(({ name }) => missingLimiters.includes(name));
  const { whole } = rendering;
  if (missing.length === 0 || whole === 'left-out') return { level: whole, levelWords: LEVEL_WORDS[whole] };
  const level = whole === 'same' || whole === 'wider' ? 'wider' : 'different';
  const without = missing.map(({ value }) => value).join(', ');
  return { level, levelWords: `${LEVEL_WORDS[level]}, for want of the limiter ${without}` };
}

const STEP_WORDS: Readonly<Record<HandStep['how'], string>> = {
  box: 'Tick on its page',
  hand: 'Set on its page',
  none: 'Not available there',
};

/** What a person has to do in the database's own page. */
export function describeStep({ how, value, note }: HandStep): string {
  return `${STEP_WORDS[how]}: ${value}${note === undefined ? '' : ` (${note})`}`;
}

/** The ways of writing a phrase that a database cannot cut. */
export const WAY_WORDS: Readonly<Record<PhraseFallback, string>> = {
  forms: 'each form spelled out',
  uncut: 'the words without *',
  'side-by-side': 'side by side without quotation marks',
  proximity: 'next to each other',
  and: 'each word anywhere',
  'leave-out': 'leave such phrases out',
};

/** What reading a string back has shown. */
export const BACK_WORDS: Readonly<Record<ReadBack['verdict'], string>> = {
  same: 'read back: the same query',
  'as-said': 'read back: differs as listed',
  'not-shown': 'read back: not shown to be the same',
};
