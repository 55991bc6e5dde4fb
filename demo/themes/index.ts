import { ENGINEERING } from './engineering';
import { LIFE_AND_HEALTH } from './life-and-health';
import { LIGHTING } from './lighting';
import { BATS_AND_LIGHT, NIGHT_ANIMALS } from './night-animals';
import { OTHER } from './other';
import type { Theme } from './theme';

export { HOLDING_IDS } from './theme';
export type { HoldingId, Theme } from './theme';

/** Every theme; their works add up to the corpus. */
export const THEMES: readonly Theme[] = [
  BATS_AND_LIGHT,
  ...NIGHT_ANIMALS,
  ...LIGHTING,
  ...ENGINEERING,
  ...LIFE_AND_HEALTH,
  ...OTHER,
];
