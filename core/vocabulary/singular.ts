/** Words whose plural is no ending, and words in -ves, folded. */
const IRREGULAR: Readonly<Record<string, string>> = {
  analyses: 'analysis',
  bacteria: 'bacterium',
  calves: 'calf',
  children: 'child',
  crises: 'crisis',
  criteria: 'criterion',
  feet: 'foot',
  fungi: 'fungus',
  geese: 'goose',
  genera: 'genus',
  halves: 'half',
  hypotheses: 'hypothesis',
  indices: 'index',
  knives: 'knife',
  larvae: 'larva',
  leaves: 'leaf',
  lice: 'louse',
  lives: 'life',
  loaves: 'loaf',
  matrices: 'matrix',
  men: 'man',
  mice: 'mouse',
  oxen: 'ox',
  people: 'person',
  phenomena: 'phenomenon',
  pupae: 'pupa',
  shelves: 'shelf',
  stimuli: 'stimulus',
  teeth: 'tooth',
  theses: 'thesis',
  thieves: 'thief',
  vertices: 'vertex',
  wives: 'wife',
  wolves: 'wolf',
  women: 'woman',
};

/** The endings of plurals and what stands in their place, the longest first. */
const ENDINGS: readonly (readonly [ending: RegExp, place: string])[] = [
  [/([^aeiou])ies$/, '$1y'],
  [/(s|x|z|ch|sh)es$/, '$1'],
  [/([^sui])s$/, '$1'],
];

/** A folded word as it is without the ending of a plural; short words and those in -ss, -us and -is stay. */
export function dropPlural(word: string): string {
  const irregular = IRREGULAR[word];
  if (irregular !== undefined) return irregular;
  if (word.length < 4) return word;
  const [ending, place] = ENDINGS.find(([one]) => one.test(word)) ?? [];
  return ending === undefined || place === undefined ? word : word.replace(ending, place);
}
