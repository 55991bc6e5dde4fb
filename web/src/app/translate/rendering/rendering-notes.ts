import type { FidelityLevel, HandStep, PhraseFallback } from '#core/dialect/index';
import { listLimiters } from '#core/limiter/index';
import type { ReadBack } from '#core/proof/index';
import type { Counted } from '../../counting/count-state';
import { LEVEL_WORDS } from '../../words/fidelity-levels';
import { say } from '../../words/say';

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
  return {
    level,
    levelWords: say('translate.forWantOfTheLimiter', { difference: LEVEL_WORDS[level], without }),
  };
}

const STEP_WORDS: Readonly<Record<HandStep['how'], string>> = {
  get box() {
    return say('translate.tickOnItsPage');
  },
  get hand() {
    return say('translate.setOnItsPage');
  },
  get none() {
    return say('translate.notAvailableThere');
  },
};

/** What a person has to do in the database's own page. */
export function describeStep({ how, value, note }: HandStep): string {
  return `${STEP_WORDS[how]}: ${value}${note === undefined ? '' : ` (${note})`}`;
}

/** The ways of writing a phrase that a database cannot cut. */
export const WAY_WORDS: Readonly<Record<PhraseFallback, string>> = {
  get forms() {
    return say('translate.eachFormSpelledOut');
  },
  get uncut() {
    return say('translate.theWordsWithout');
  },
  get 'side-by-side'() {
    return say('translate.sideBySideWithoutQuotation');
  },
  get proximity() {
    return say('translate.nextToEachOther');
  },
  get and() {
    return say('translate.eachWordAnywhere');
  },
  get 'leave-out'() {
    return say('translate.leaveSuchPhrasesOut');
  },
};

/** What reading a string back has shown. */
export const BACK_WORDS: Readonly<Record<ReadBack['verdict'], string>> = {
  get same() {
    return say('translate.readBackTheSameQuery');
  },
  get 'as-said'() {
    return say('translate.readBackDiffersAsListed');
  },
  get 'not-shown'() {
    return say('translate.readBackNotShown');
  },
};
