import { createProject, type Concept, type Project } from '#core/project/index';

const createConcept = (id: string, name: string, block: string, terms: readonly string[], off: readonly string[] = []): Concept => ({
  id,
  name,
  block,
  off: false,
  terms: [...terms, ...off].map((text, place) => ({ id: `${id}-${place + 1}`, text, off: place >= terms.length })),
});

/** The project that a new user finds: a question about bats and street lighting, half worked out. */
export function createDemoProject(): Project {
  const project = createProject('demo', 'Bats and street lighting', '2026-09-14T08:30:00.000Z', ['heronsmere', 'gantry', 'marlstone']);
  return {
    ...project,
    working: {
      ...project.working,
      question: 'Does street lighting change how bats use roads and hedgerows, and do warmer or dimmed lamps help?',
      concepts: [
        createConcept('bats', 'bats', 'bats', ['bat', 'bats', 'chiroptera*', 'pipistrel*', 'myotis', 'branch: "Chiroptera"'], ['bat*']),
        createConcept('light', 'night light', 'light', ['"street light*"', '"street lamp*"', '"road lighting"', '"artificial light"', '"light pollution"', 'luminaire*', 'heading(heronsmere): "Night lighting"', 'heading(gantry): "Street lighting"'], ['LED', 'lamp*']),
        createConcept('behaviour', 'behaviour', 'behaviour', ['behavio[u]r', 'activity', 'forag*', 'commut*', 'avoidance', '"flight path*"']),
      ],
      draft: '@bats AND @light AND @behaviour',
      limiters: { years: { from: 2000, to: 2026 } },
      bands: { heronsmere: { from: 50, to: 400 }, gantry: { from: 10, to: 100 }, marlstone: { from: 50, to: 400 } },
    },
  };
}
