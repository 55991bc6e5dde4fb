import type { CountState, Counted } from '../../counting/count-store';
import { getHueClass } from '../../ui/hues';
import type { Concept } from '#core/project/index';

/** The number of a count that is exact, or what is nothing because nothing is left to be searched. */
export function readExact(counted: Counted | undefined): number | undefined {
  if (!counted) return undefined;
  if (isNothing(counted.state)) return 0;
  return counted.state.status === 'counted' && !counted.state.estimated ? counted.state.total : undefined;
}

/** Nothing is left to be sent: it finds nothing. */
export function isNothing(state: CountState): boolean {
  return state.status === 'empty' || (state.status === 'failed' && state.problem.code === 'nothing-to-send');
}

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
