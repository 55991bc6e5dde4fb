import type { FidelityLevel } from '#core/dialect/index';

/** The fidelity of a whole rendering in a few words. */
export const LEVEL_WORDS: Readonly<Record<FidelityLevel, string>> = {
  same: 'finds the same',
  wider: 'wider: may find more',
  narrower: 'narrower: may find fewer',
  different: 'different: may find more and fewer',
  'left-out': 'cannot be written',
};
