/** British spellings and their American counterparts; authors keep to one of them. */
const PAIRS: readonly (readonly [string, string])[] = [
  ['behaviour', 'behavior'],
  ['colour', 'color'],
  ['favour', 'favor'],
  ['harbour', 'harbor'],
  ['vapour', 'vapor'],
  ['odour', 'odor'],
  ['labour', 'labor'],
  ['neighbour', 'neighbor'],
  ['tumour', 'tumor'],
  ['centre', 'center'],
  ['metre', 'meter'],
  ['litre', 'liter'],
  ['fibre', 'fiber'],
  ['grey', 'gray'],
  ['programme', 'program'],
  ['modelling', 'modeling'],
  ['modelled', 'modeled'],
  ['travelling', 'traveling'],
  ['signalling', 'signaling'],
  ['labelled', 'labeled'],
  ['analyse', 'analyze'],
  ['analysing', 'analyzing'],
  ['catalyse', 'catalyze'],
  ['organis', 'organiz'],
  ['characteris', 'characteriz'],
  ['optimis', 'optimiz'],
  ['minimis', 'minimiz'],
  ['urbanis', 'urbaniz'],
  ['standardis', 'standardiz'],
  ['utilis', 'utiliz'],
  ['recognis', 'recogniz'],
  ['generalis', 'generaliz'],
  ['summaris', 'summariz'],
  ['defence', 'defense'],
  ['sulph', 'sulf'],
  ['aluminium', 'aluminum'],
  ['artefact', 'artifact'],
  ['ageing', 'aging'],
  ['tyre', 'tire'],
];
const PATTERN = new RegExp(PAIRS.map(([british]) => british).join('|'), 'gi');
const AMERICAN = new Map(PAIRS);

/** A text in American spelling. */
export function spellAmerican(text: string): string {
  return text.replace(PATTERN, (found) => {
    const american = AMERICAN.get(found.toLowerCase()) ?? found;
    return /^\p{Lu}/u.test(found) ? american[0]!.toUpperCase() + american.slice(1) : american;
  });
}
