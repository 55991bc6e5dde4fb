import { getHueClass } from '../../ui/hues';
import type { Concept } from '#core/project/index';

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
