import { expect, it } from 'vitest';
import { listNamesInLanguages } from '#core/suggest/index';
import { findLanguageText, OTHER_LANGUAGES } from './text/other-languages';
import { createThesauri } from './thesauri/index';

/** What twenty concepts are called in the texts that the demo is made of, and in dictionaries: word stems. */
const RIGHT: Readonly<Record<string, RegExp>> = {
  bats: /chauves?-souris|chiropt|flederm|fledertier|murci|quir/i,
  pipistrelles: /pipistrel|zwergfled|murci/i,
  'horseshoe bats': /rhinoloph|hufeisen|herradura/i,
  myotis: /murins|mausohr|murci/i,
  birds: /oiseau|vögel|aves/i,
  insects: /insect|insekt/i,
  moths: /papillon|schmetterling|mariposa/i,
  'night lighting': /éclairage|beleuchtung|alumbrado|iluminación/i,
  'light pollution': /pollution lumineuse|lichtversch|contaminación lum/i,
  light: /lumi|licht|luz/i,
  'light sources': /lampe|lámpara/i,
  dimming: /gradation|dimmen|atenuación/i,
  behaviour: /comport|verhalten/i,
  'flight behaviour': /vol|flugverhalten|vuelo/i,
  hedgerows: /haies|hecken|setos/i,
  roads: /routes|straßen|carretera/i,
  noise: /bruit|lärm|ruido/i,
  sleep: /sommeil|schlaf|sueño/i,
  'street lighting': /éclairage public|straßenbel|alumbrado/i,
  luminaires: /luminaires|lampadaires|leuchten|luminarias/i,
  'energy saving': /économies|energieeinsp|ahorro/i,
};

const suggest = (concept: string): { language: string; label: string }[] =>
  Object.values(createThesauri()).flatMap((vocabulary) =>
    listNamesInLanguages([], vocabulary.lookUp(concept, 4)),
  );

it('offers words of other languages that are right nine times of ten, over twenty concepts', () => {
  let [right, wrong, answered] = [0, 0, 0];
  for (const [concept, pattern] of Object.entries(RIGHT)) {
    const labels = suggest(concept).map(({ label }) => label);
    if (labels.length > 0) answered++;
    const good = labels.filter((label) => pattern.test(label)).length;
    right += good;
    wrong += labels.length - good;
  }
  expect(Object.keys(RIGHT).length).toBeGreaterThanOrEqual(20);
  expect(answered).toBeGreaterThanOrEqual(14);
  expect(right / (right + wrong), `${right} right, ${wrong} wrong`).toBeGreaterThanOrEqual(0.9);
});

it('offers none for a concept that no thesaurus names in other languages', () => {
  for (const concept of ['batteries', 'yield', 'influence', 'mortality', 'sleep quality in hospitals'])
    expect(suggest(concept)).toEqual([]);
});

it('keeps the accents of the language, and finds its words in the texts of that language', () => {
  const labels = suggest('bats');
  expect(labels.map(({ label }) => label)).toContain('Fledermäuse');
  expect(labels.map(({ label }) => label)).toContain('Murciélagos');
  for (const language of OTHER_LANGUAGES) {
    const { words } = findLanguageText(language, 'bats-and-light');
    const texts = Object.values(words).flat().join(' ').toLowerCase();
    const own = labels.filter((one) => one.language === language);
    expect(
      own.some(({ label }) => texts.includes(label.toLowerCase())),
      language,
    ).toBe(true);
  }
});
