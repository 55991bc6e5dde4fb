import { getHueClass } from '../../ui/hues';
import type { SingleChange } from '#core/compare/draft/index';
import type { Concept } from '#core/project/index';
import { say } from '../../words/say';

/** The class with the hue of the concept that a block is; empty for other blocks. */
export function findHue(concepts: readonly Concept[], block: string | undefined): string {
  const place = concepts.findIndex((concept) => concept.block === block);
  return place < 0 ? '' : getHueClass(place);
}

/** The role of the colour of a concept, for charts. */
export function findHueRole(concepts: readonly Concept[], block: string | undefined): string {
  const hue = findHue(concepts, block);
  return hue === '' ? '--glaze-fill' : `--${hue}`;
}

/** What a change between two states does, in a word. */
export function describeSign(sign: SingleChange['sign']): string {
  return say(SIGNS[sign]);
}

const SIGNS = {
  added: 'compare.added',
  removed: 'compare.takenOut',
  changed: 'compare.changed',
} as const;
