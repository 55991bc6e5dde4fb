import { createProject, type Concept, type Project, type Variant } from '#core/project/index';

/** The databases that a project begins with. */
export const FIRST_DATABASES = ['heronsmere', 'gantry', 'marlstone'];
const BAT_TERMS = ['bat', 'bats', 'chiroptera*', 'pipistrel*', 'myotis', 'branch: "Chiroptera"'];
const LIGHT_TERMS = [
  '"street light*"',
  '"street lamp*"',
  '"road lighting"',
  '"artificial light"',
  '"light pollution"',
  'luminaires',
  'heading(heronsmere): "Night lighting"',
  'heading(gantry): "Street lighting"',
];
const BEHAVIOUR_TERMS = ['behavio[u]r', 'activity', 'forag*', 'commuting', 'avoidance', '"flight path*"'];
const LIMITERS = { years: { from: 2000, to: 2026 } };

const createConcept = (
  id: string,
  name: string,
  block: string,
  terms: readonly string[],
  off: readonly string[] = [],
): Concept => ({
  id,
  name,
  block,
  off: false,
  terms: [...terms, ...off].map((text, place) => ({
    id: `${id}-${place + 1}`,
    text,
    off: place >= terms.length,
  })),
});

const createBats = (terms: readonly string[], off: readonly string[] = []): Concept =>
  createConcept('bats', 'bats', 'bats', terms, off);
const createLight = (terms: readonly string[], off: readonly string[] = []): Concept =>
  createConcept('light', 'night light', 'light', terms, off);

/** Two earlier states, so that there is something to compare with; their counts are measured when shown. */
const VARIANTS: readonly Variant[] = [
  {
    id: 'first-words',
    name: 'first words',
    note: 'The words of the question as they stand.',
    moment: '2026-09-14T08:41:00.000Z',
    frozen: {
      concepts: [createBats(['bats']), createLight(['"street light*"'])],
      blocks: [],
      draft: '@bats AND @light',
      limiters: LIMITERS,
      databases: FIRST_DATABASES,
    },
  },
  {
    id: 'synonyms',
    name: 'synonyms',
    note: '',
    parent: 'first-words',
    moment: '2026-09-14T09:20:00.000Z',
    frozen: {
      concepts: [createBats(BAT_TERMS, ['bat*']), createLight(LIGHT_TERMS)],
      blocks: [],
      draft: '@bats AND @light',
      limiters: LIMITERS,
      databases: FIRST_DATABASES,
    },
  },
];

/** The project that a new user finds: a question about bats and street lighting, half worked out. */
export function createDemoProject(): Project {
  const project = createProject(
    'demo',
    'Bats and street lighting',
    '2026-09-14T08:30:00.000Z',
    FIRST_DATABASES,
  );
  return {
    ...project,
    working: {
      ...project.working,
      question:
        'Does street lighting change how bats use roads and hedgerows, and do warmer or dimmed lamps help?',
      concepts: [
        createBats(BAT_TERMS, ['bat*']),
        createLight(LIGHT_TERMS, ['LED', 'lamp*']),
        createConcept('behaviour', 'behaviour', 'behaviour', BEHAVIOUR_TERMS),
      ],
      blocks: [],
      draft: '@bats AND @light AND @behaviour',
      base: 'synonyms',
      limiters: LIMITERS,
      bands: {
        heronsmere: { from: 50, to: 400 },
        gantry: { from: 10, to: 100 },
        marlstone: { from: 50, to: 400 },
      },
    },
    variants: VARIANTS,
    compared: 'synonyms',
  };
}
