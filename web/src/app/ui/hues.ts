import { getConceptLetter } from '#core/project/index';

const HUES = 8;

/** The class that gives the hue of a concept by its place; the ninth and later share hues and differ by their letter and rule. */
export function getHueClass(place: number): string {
  return `hue-${getConceptLetter(place % HUES).toLowerCase()}`;
}
