import { DIALECTS } from '../dialect';
import { LIMITERS, LIMITER_NAMES, listLimiters, listLimitersOf } from '../limiter';
import { nameTerm } from '../outline';
import type { Change, Concept, Project, Term } from '../project';
import { listNodes, parseQuery, printPattern, printQuery } from '../query';
import { listFieldChoices } from './alternatives';
import { joinMembers, listMembers, type Member } from './members';

/** How far a change goes from what was asked, the nearest first. */
export const MEANING_LEVELS = ['words', 'fields', 'limiters', 'question'] as const;
export type MeaningLevel = (typeof MEANING_LEVELS)[number];

/** A change that may bring the counts nearer to what is wanted. */
export interface ProposedChange {
  readonly key: string;
  /** What of the question it touches: a `question` is another one without a concept. */
  readonly level: MeaningLevel;
  /** What is done, as an order: “search Bats in the title”. */
  readonly words: string;
  readonly change: Change;
  /** The concepts that it changes, by their ids. */
  readonly concepts: readonly string[];
}

/** A term that could be added, with where it comes from. */
export interface OfferedTerm {
  readonly concept: string;
  readonly term: Term;
  /** Such as “a form in the index”. */
  readonly from: string;
}

/** The most changes that are tried. */
export const MAX_TRIALS = 200;

/**
 * Every change worth a try, narrowing and widening, the broad kinds first: each is to be counted, none
 * is guessed at. `offered` are terms that suggestions bring; concepts that are `locked`, by their ids, stay as they are.
 */
export function listProposals(
  project: Project,
  thisYear: number,
  offered: readonly OfferedTerm[] = [],
  locked: ReadonlySet<string> = new Set(),
): ProposedChange[] {
  const { concepts } = project.working;
  const used = new Set(listMembers(project.working).flatMap(({ block }) => block ?? []));
  const active = concepts.filter((concept) => !concept.off && used.has(concept.block));
  const proposals = [
    ...listMemberProposals(project),
    ...active.flatMap(listConceptProposals),
    ...concepts
      .filter(({ off, block }) => off && used.has(block))
      .map(({ id, name }) =>
        createProposal(`on ${id}`, `switch on ${name}`, { kind: 'switch-concept', id, off: false }, id),
      ),
    ...listLimiterProposals(project, thisYear),
    ...offered
      .filter(({ concept }) => active.some(({ id }) => id === concept))
      .map(({ concept, term, from }) =>
        createProposal(
          `add ${concept} ${term.text}`,
          `add ${nameTerm(term.text, DIALECTS)} to ${nameOf(concepts, concept)} (${from})`,
          { kind: 'add-terms', concept, terms: [term] },
          concept,
        ),
      ),
    ...active.flatMap((concept) => concept.terms.flatMap((term) => listTermProposals(concept, term))),
  ];
  const seen = new Set<string>();
  return proposals
    .filter((proposal) => !proposal.concepts.some((id) => locked.has(id)))
    .filter(({ key }) => !seen.has(key) && seen.add(key))
    .slice(0, MAX_TRIALS);
}

function createProposal(
  key: string,
  words: string,
  change: Change,
  ...concepts: readonly string[]
): ProposedChange {
  return { key, level: findLevel(change), words, change, concepts };
}

/** What of the question the kinds of change touch that are proposed here; all others touch its words. */
const LEVELS: Readonly<Partial<Record<Change['kind'], MeaningLevel>>> = {
  'set-concept-fields': 'fields',
  'set-limiters': 'limiters',
  'rewrite-draft': 'question',
  'switch-concept': 'question',
};

/** What of the question a change touches; of several the one that goes farthest. */
function findLevel(change: Change): MeaningLevel {
  if (change.kind !== 'compound') return LEVELS[change.kind] ?? 'words';
  const levels = change.changes.map((one) => MEANING_LEVELS.indexOf(findLevel(one)));
  return MEANING_LEVELS[Math.max(0, ...levels)] ?? 'words';
}

function nameOf(concepts: readonly Concept[], id: string): string {
  return concepts.find((concept) => concept.id === id)?.name ?? id;
}

/** Members that can go: the concepts and pieces joined by AND, and what is taken away by NOT. */
function listMemberProposals({ working }: Project): ProposedChange[] {
  const members = listMembers(working);
  return members.flatMap((member, at): ProposedChange[] => {
    const rest = members.filter((other) => other !== member);
    if (!rest.some(({ sign }) => sign === 'and')) return [];
    const text = printQuery(
      joinMembers(rest.map(({ sign, words }) => ({ sign, root: parseQuery(words).root }))),
    );
    return [
      createProposal(
        `out ${at}`,
        member.sign === 'not' ? `do not exclude ${member.words}` : `leave out ${member.words}`,
        { kind: 'rewrite-draft', text },
        ...listConceptsIn(member, working.concepts),
      ),
    ];
  });
}

/** The concepts whose blocks stand in a member, within other blocks too, by their ids. */
function listConceptsIn({ root }: Member, concepts: readonly Concept[]): string[] {
  const used = new Set(listNodes(root).map((node) => node.block));
  return concepts.filter(({ block }) => used.has(block)).map(({ id }) => id);
}

function listConceptProposals(concept: Concept): ProposedChange[] {
  const { id, name } = concept;
  const proposals = listFieldChoices(concept).map(({ key, words, change }) =>
    createProposal(`${key} ${id}`, `search ${name} ${words}`, change, id),
  );
  const on = concept.terms.filter(({ off }) => !off);
  const isHeading = (term: Term): boolean => parseQuery(term.text).root.kind === 'heading';
  const words = on.filter((term) => !isHeading(term));
  if (words.length > 0 && words.length < on.length)
    proposals.push(
      createProposal(
        `headings ${id}`,
        `use the headings of ${name} alone`,
        {
          kind: 'compound',
          changes: words.map(({ id: term }) => ({ kind: 'switch-term', id: term, off: true })),
        },
        id,
      ),
    );
  return proposals;
}

function listTermProposals(concept: Concept, term: Term): ProposedChange[] {
  const { id, text, off } = term;
  const where = `in ${concept.name}`;
  if (off)
    return [
      createProposal(
        `switch ${id}`,
        `switch on ${text} ${where}`,
        { kind: 'switch-term', id, off: false },
        concept.id,
      ),
    ];
  const proposals: ProposedChange[] = [];
  if (concept.terms.filter((other) => !other.off).length > 1)
    proposals.push(
      createProposal(
        `switch ${id}`,
        `leave out ${text} ${where}`,
        { kind: 'switch-term', id, off: true },
        concept.id,
      ),
    );
  const rewrite = (to: string): void => {
    if (to === text) return;
    proposals.push(
      createProposal(
        `edit ${id} ${to}`,
        `use ${to} instead of ${text}`,
        { kind: 'edit-term', id, text: to },
        concept.id,
      ),
    );
  };
  const { root } = parseQuery(text);
  if (root.kind === 'term') {
    const letters = printPattern(root.pattern);
    if (/^\p{L}+\*$/u.test(letters)) {
      rewrite(`(${letters.slice(0, -1)} OR ${letters.slice(0, -1)}s)`);
      if (letters.length > 6) rewrite(`${letters.slice(0, -2)}*`);
    } else if (/^\p{L}{4,}$/u.test(letters)) rewrite(`${letters.replace(/(?<=\p{L}{3})s$/u, '')}*`);
  }
  if (root.kind === 'phrase' && root.words.length === 2) {
    const [a = '', b = ''] = root.words.map(printPattern);
    rewrite(`${a} WITHIN 3 ${b}`);
    rewrite(`(${a} AND ${b})`);
  }
  if (root.kind === 'near') {
    rewrite(printQuery({ ...root, distance: Math.max(1, Math.floor(root.distance / 2)) }));
    rewrite(printQuery({ ...root, distance: root.distance * 2 }));
  }
  // A qualifier is of the heading itself, not of all below it.
  if (root.kind === 'heading' && root.qualifier === undefined) {
    if (root.scope === 'heading') rewrite(text.replace(/^heading/, 'branch'));
    if (root.scope === 'branch') rewrite(text.replace(/^branch/, 'heading'));
    if (root.scope !== 'focus') rewrite(text.replace(/^(?:heading|branch)/, 'focus'));
  }
  return proposals;
}

function listLimiterProposals({ working: { limiters } }: Project, thisYear: number): ProposedChange[] {
  const put = (key: string, words: string, patch: typeof limiters): ProposedChange =>
    createProposal(`limit ${key}`, words, {
      kind: 'set-limiters',
      limiters: { ...limiters, ...patch },
    });
  const removals = listLimiters(limiters).map(({ name, value }) => {
    const rest = Object.fromEntries(
      LIMITER_NAMES.filter((other) => other !== name && limiters[other] !== undefined).map((other) => [
        other,
        limiters[other],
      ]),
    );
    return createProposal(`unlimit ${name}`, `remove the limiter ${value}`, {
      kind: 'set-limiters',
      limiters: rest,
    });
  });
  return [
    ...removals,
    ...(limiters.years
      ? []
      : [5, 10].map((span) =>
          put(`years ${span}`, `limit to the last ${span} years`, {
            years: { from: thisYear - span + 1, to: thisYear },
          }),
        )),
    ...(limiters.types
      ? []
      : [
          put('types', 'limit to articles and reviews', { types: ['article', 'review'] }),
          put('reviews', 'limit to reviews', { types: ['review'] }),
        ]),
    ...(limiters.languages ? [] : [put('english', 'limit to English', { languages: ['en'] })]),
    ...listLimitersOf('flag').flatMap((name) =>
      limiters[name] ? [] : [put(name, `limit to ${LIMITERS[name].label}`, { [name]: true })],
    ),
  ];
}
