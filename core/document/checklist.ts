import type { SearchFacts } from './facts';
import { findStaleNumbers, writeMethods } from './methods';
import { listInWords } from './words';

/** Where a person is led to from a point: a view of the project, or something to do in this one. */
export type CheckGoal =
  'topic' | 'databases' | 'compare' | 'query' | 'must-finds' | 'read' | 'run' | 'words' | 'source';

/** One thing that a search has to say before another person can repeat it. */
export interface CheckPoint {
  readonly id: string;
  /** What is there, in a few words: `question and concepts`. */
  readonly name: string;
  /** What is missing, as a sentence; nothing if nothing is. */
  readonly missing?: string;
  readonly goal: CheckGoal;
}

/** One row of the list: what it is called, where it is mended, and what is missing. */
interface CheckRow {
  readonly id: string;
  readonly name: string;
  readonly goal: CheckGoal;
  readonly findMissing: (facts: SearchFacts) => string | undefined;
}

/**
 * What guidelines for reporting literature searches ask for (PRISMA-S, Rethlefsen and others 2021, has the same
 * matters in other words), each with what is still missing of it.
 */
const ROWS: readonly CheckRow[] = [
  {
    id: 'question',
    name: 'the question',
    goal: 'topic',
    findMissing: ({ project }) =>
      project.working.question.trim() === '' ? 'The question is not written down.' : undefined,
  },
  {
    id: 'concepts',
    name: 'concepts and their terms',
    goal: 'topic',
    findMissing: ({ state }) =>
      state.concepts.some(({ terms, off }) => !off && terms.some((term) => !term.off))
        ? undefined
        : 'No concept has a term, so nobody can see how the question became a query.',
  },
  {
    id: 'draft',
    name: 'the search as it is now',
    goal: 'run',
    findMissing: ({ changesSince, variant, databases, project }) => {
      const named = variant ? `“${variant.name}”` : 'the variant';
      if (!variant) return 'The variant of this run was removed. Run another one.';
      const added = project.working.databases.filter(
        (id) => !databases.some(({ database }) => database === id),
      );
      if (added.length > 0) return `A database was chosen since ${named} was run.`;
      return changesSince > 0
        ? `The draft has changed since ${named} was run: ${changesSince} ${changesSince === 1 ? 'change' : 'changes'}.`
        : undefined;
    },
  },
  {
    id: 'strings',
    name: 'every string as it was sent',
    goal: 'run',
    findMissing: ({ databases }) => {
      const without = databases.filter(({ string }) => string === '').map(({ name }) => name);
      return without.length > 0
        ? `${listInWords(without)} got no string: it cannot search this query.`
        : undefined;
    },
  },
  {
    id: 'counts',
    name: 'counts with their dates',
    goal: 'run',
    findMissing: ({ databases }) => {
      const without = databases.filter(({ count }) => !count).map(({ name }) => name);
      return without.length > 0
        ? `${listInWords(without)} ${without.length === 1 ? 'is' : 'are'} not counted yet.`
        : undefined;
    },
  },
  {
    id: 'covers',
    name: 'what each database covers',
    goal: 'databases',
    findMissing: ({ databases }) => {
      const without = databases.filter(({ dialect }) => !dialect?.coverage && !dialect?.about);
      return without.length > 0
        ? `Nothing says what ${listInWords(without.map(({ name }) => name))} covers.`
        : undefined;
    },
  },
  {
    id: 'chosen',
    name: 'why each database was chosen',
    goal: 'databases',
    findMissing: ({ databases, project }) => {
      const without = databases.filter(({ database }) => !project.working.reasons[database]);
      return without.length > 0
        ? `No reason given for choosing ${listInWords(without.map(({ name }) => name))}.`
        : undefined;
    },
  },
  {
    id: 'left-out',
    name: 'why others were left out',
    goal: 'databases',
    findMissing: ({ databases, dialects, project }) => {
      const without = dialects.filter(
        ({ id }) => !databases.some(({ database }) => database === id) && !project.working.reasons[id],
      );
      return without.length > 0
        ? `No reason given for leaving out ${listInWords(without.map(({ name }) => name))}.`
        : undefined;
    },
  },
  {
    id: 'searcher',
    name: 'who searched',
    goal: 'words',
    findMissing: ({ project }) =>
      project.documentWords.searcher.trim() === '' ? 'Nobody is named who searched.' : undefined,
  },
  {
    id: 'duplicates',
    name: 'duplicates and their rule',
    goal: 'run',
    findMissing: ({ run, databases }) => {
      if (!run.works) return databases.length > 1 ? 'Duplicates were not looked for in this run.' : undefined;
      const only = run.works.countsOnly.map(
        (id) => databases.find(({ database }) => database === id)?.name ?? id,
      );
      return only.length > 0
        ? `Duplicates of ${listInWords(only)} cannot be told: only numbers are known.`
        : undefined;
    },
  },
  {
    id: 'changes',
    name: 'changes with their reasons',
    goal: 'compare',
    findMissing: ({ project }) => {
      const without = project.variants
        .filter(({ note }) => note.trim() === '')
        .map(({ name }) => `“${name}”`);
      return without.length > 0 ? `No reason is noted for ${listInWords(without)}.` : undefined;
    },
  },
  {
    id: 'must-finds',
    name: 'must-finds and recall',
    goal: 'must-finds',
    findMissing: ({ project, run }) => {
      if (project.mustFinds.length === 0)
        return 'There are no must-finds, so nothing shows that the search finds what it should.';
      return run.recall ? undefined : 'The must-finds were not looked for in this run.';
    },
  },
  {
    id: 'read',
    name: 'records read',
    goal: 'read',
    findMissing: ({ project }) =>
      Object.keys(project.judgements).length === 0
        ? 'No record was judged, so nobody knows how many are on topic.'
        : undefined,
  },
  {
    id: 'review',
    name: 'peer review of the query',
    goal: 'query',
    findMissing: ({ project }) =>
      Object.keys(project.review).length === 0 ? 'Nobody has reviewed the query.' : undefined,
  },
  {
    id: 'sources',
    name: 'sources beyond databases',
    goal: 'source',
    findMissing: ({ project }) =>
      project.sources.length === 0
        ? 'No source without a string is noted: journals, websites, people, references.'
        : undefined,
  },
  {
    id: 'methods',
    name: 'the methods paragraph',
    goal: 'words',
    findMissing: (facts) => {
      const { methods } = facts.project.documentWords;
      if (!methods) return undefined;
      const stale = findStaleNumbers(methods, writeMethods(facts));
      return stale.length > 0
        ? `The methods paragraph has numbers that changed since: ${listInWords(stale.map(({ start, end }) => methods.text.slice(start, end)))}.`
        : undefined;
    },
  },
  {
    id: 'plan',
    name: 'when it will be run again',
    goal: 'words',
    findMissing: ({ project }) =>
      project.documentWords.updatePlan.trim() === ''
        ? 'Nothing says when the search will be run again.'
        : undefined,
  },
];

/** The list with what is missing, in the order of the work. */
export function listCheckPoints(facts: SearchFacts): CheckPoint[] {
  return ROWS.map(({ id, name, goal, findMissing }) => {
    const missing = findMissing(facts);
    return { id, name, goal, ...(missing !== undefined && { missing }) };
  });
}
