import { expect, it } from 'vitest';
import { nameTerm } from './index';

const name = (text: string): string => nameTerm(text, (id) => id.toUpperCase());

it.each([
  ['bat*', 'bat*'],
  ['"street light*"', '"street light*"'],
  ['heading(gantry): "Street lighting"', 'The heading “Street lighting” (GANTRY)'],
  ['branch: "Chiroptera"', 'The heading “Chiroptera”, with its narrower headings,'],
  ['heading: "Bats / behaviour"', 'The heading “Bats / behaviour”'],
  ['focus(heronsmere): "Bats"', 'The heading “Bats” (HERONSMERE) as a main topic'],
  ['heading(gantry): "Street', 'heading(gantry): "Street'],
])('the term %s is called %s', (text, words) => {
  expect(name(text)).toBe(words);
});
