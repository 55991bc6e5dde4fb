import { expect, it } from 'vitest';
import { nameTerm } from './index';

const DATABASES = [
  { id: 'gantry', name: 'Gantry Engineering Abstracts' },
  { id: 'heronsmere', name: 'Heronsmere Life Index' },
];

it.each([
  ['bat*', 'bat*'],
  ['"street light*"', '"street light*"'],
  ['heading(gantry): "Street lighting"', 'heading “Street lighting” (Gantry)'],
  ['branch: "Chiroptera"', 'heading “Chiroptera” with its narrower headings'],
  ['heading: "Bats / behaviour"', 'heading “Bats / behaviour”'],
  ['focus(heronsmere): "Bats"', 'heading “Bats” (Heronsmere) as a main topic'],
  ['heading(elsewhere): "Bats"', 'heading “Bats” (elsewhere)'],
  ['heading(gantry): "Street', 'heading(gantry): "Street'],
])('the term %s is called %s', (text, words) => {
  expect(nameTerm(text, DATABASES)).toBe(words);
});
