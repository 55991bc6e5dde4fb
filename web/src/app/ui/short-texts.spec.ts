import { expect, it } from 'vitest';
import { shortenApart } from './short-texts';

it('names that begin alike stay different when they are cut', () => {
  const texts = [
    'title: (street light* OR road light* OR lamp*)',
    'title: (street light* OR road light* OR LED)',
    'bats',
  ];
  const cut = shortenApart(texts, 24);
  expect(new Set(cut).size).toBe(3);
  expect(cut[0]).toMatch(/lamp/);
  expect(cut[1]).toMatch(/LED/);
  expect(cut[2]).toBe('bats');
  for (const one of cut) expect(one.length).toBeLessThanOrEqual(36);
  // What is the same has the same name.
  expect(
    shortenApart(['bats and lamps and roads at night', 'bats and lamps and roads at night'], 12),
  ).toEqual(['bats and la…', 'bats and la…']);
});
