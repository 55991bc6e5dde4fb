import type { Concept, Project } from '../project';
import { listLimiters } from '../limiter';
import { describeTermKind, isInUse } from '../project';

/** One step of the work and whether the project shows that it is done. */
export interface ChecklistStep {
  readonly id: string;
  readonly text: string;
  readonly isDone: boolean;
}

interface Step {
  readonly id: string;
  readonly text: string;
  readonly isDone: (project: Project) => boolean;
}

const everyConcept = (project: Project, test: (concept: Concept) => boolean): boolean => {
  const used = project.working.concepts.filter((concept) => !concept.off);
  return used.length > 0 && used.every(test);
};

const STEPS: readonly Step[] = [
  {
    id: 'question',
    text: 'Write the question down',
    isDone: ({ working }) => working.question.trim() !== '',
  },
  {
    id: 'concepts',
    text: 'Find at least two concepts in it',
    isDone: ({ working }) => working.concepts.length >= 2,
  },
  {
    id: 'synonyms',
    text: 'Give each concept three terms or more',
    isDone: (project) =>
      everyConcept(project, (concept) => concept.terms.filter((term) => !term.off).length >= 3),
  },
  {
    id: 'endings',
    text: 'Choose where to cut words',
    isDone: ({ working }) =>
      working.concepts.some((concept) => concept.terms.some((term) => !term.off && term.text.includes('*'))),
  },
  {
    id: 'headings',
    text: 'Look for subject headings',
    isDone: ({ working }) =>
      working.concepts.some((concept) => concept.terms.some((term) => describeTermKind(term) === 'heading')),
  },
  {
    id: 'query',
    text: 'Use every concept in the query',
    isDone: (project) => everyConcept(project, (concept) => isInUse(project.working, concept.block)),
  },
  {
    id: 'limiters',
    text: 'Set limiters, if the rules ask for some',
    isDone: ({ working }) => listLimiters(working.limiters).length > 0,
  },
  { id: 'variant', text: 'Freeze a first variant', isDone: ({ variants }) => variants.length > 0 },
];

/** The steps of the work, ticked from the state of the project alone. */
export function checkSteps(project: Project): ChecklistStep[] {
  return STEPS.map(({ id, text, isDone }) => ({ id, text, isDone: isDone(project) }));
}
