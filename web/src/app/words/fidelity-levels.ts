import type { FidelityLevel } from '#core/dialect/index';
import { say } from './say';

/** The fidelity of a whole rendering in a few words. */
export const LEVEL_WORDS: Readonly<Record<FidelityLevel, string>> = {
  get same() {
    return say('words.findsTheSame');
  },
  get wider() {
    return say('words.widerMayFindMore');
  },
  get narrower() {
    return say('words.narrowerMayFindFewer');
  },
  get different() {
    return say('words.differentMayFindMore');
  },
  get 'left-out'() {
    return say('words.cannotBeWritten');
  },
};
