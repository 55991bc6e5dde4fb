import {
  isNone,
  judgeBand,
  measureDistance,
  measureGrowth,
  wantSomething,
  type Amount,
  type Band,
} from '../count';
import { DIALECTS } from '../dialect';
import { LIMITERS, LIMITER_NAMES, listLimiters, listLimitersOf } from '../limiter';
import { nameTerm } from '../outline';
import type { Change, Concept, Project, Purpose, Term } from '../project';
import { parseQuery, printPattern, printQuery } from '../query';
import { listFieldChoices } from './alternatives';
import { joinMembers, listMembers } from './members';

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
  /** The concept that it changes, by its id, if it changes one. */
  readonly concept?: string;
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
    .filter(({ concept }) => concept === undefined || !locked.has(concept))
    .filter(({ key }) => !seen.has(key) && seen.add(key))
    .slice(0, MAX_TRIALS);
}

function createProposal(key: string, words: string, change: Change, concept?: string): ProposedChange {
  return { key, level: findLevel(change), words, change, ...(concept !== undefined && { concept }) };
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
        working.concepts.find(({ block }) => block === member.block)?.id,
      ),
    ];
  });
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

/** The counts of a draft, or of one after a change: one entry a database; nothing where it is not known. */
export interface ProposalCounts {
  readonly amounts: readonly (Amount | undefined)[];
  /** Good works (must-finds, and works judged on topic) that are found, in each database; empty if none are known. */
  readonly found: readonly (number | undefined)[];
}

/** What a change does to the count of a database: to its band, and if that is no matter, to its size. */
export type ProposalEffect = 'into-band' | 'begins' | 'nearer' | 'same' | 'farther';

/** How a change would do. */
export interface JudgedProposal<T = ProposedChange> {
  readonly proposal: T;
  readonly level: MeaningLevel;
  readonly counts: ProposalCounts;
  /** What it does in each database; nothing where its count cannot be judged. */
  readonly effects: readonly (ProposalEffect | undefined)[];
  /** In tenfolds, how far the counts are outside their bands, all databases added up; 0 is in all bands. */
  readonly distance: number;
  /** How much nearer that is than the draft. */
  readonly nearer: number;
  /** Databases in which it is farther from the band than the draft is. */
  readonly farther: number;
  /** Good works lost or, below zero, won, added up over the databases. */
  readonly lost: number;
  /** What it does to the numbers themselves, in all databases that are judged. */
  readonly direction: 'fewer' | 'more' | 'both' | 'neither';
  /** In tenfolds, how much larger all counts become, below zero smaller. */
  readonly growth: number;
}

/**
 * The changes that help, the best first: those that win good works, and of others those that change least of what was
 * asked (`MEANING_LEVELS`); then as the purpose sees it. A quick answer wants the counts in
 * their bands; where none is set, something. A review wants its good works first, then as few records to
 * screen as the bands allow. An exhaustive search never gives up a good work: such changes are left out.
 * A change that brings one database nearer and another one farther comes behind those that harm none.
 * A change of which a count is missing is not judged.
 */
export function rankProposals<T>(
  proposals: readonly {
    readonly proposal: T;
    readonly level: MeaningLevel;
    readonly counts: ProposalCounts;
  }[],
  draft: ProposalCounts,
  bands: readonly Band[],
  purpose: Purpose,
): JudgedProposal<T>[] {
  const judged = proposals.flatMap(({ proposal, level, counts }): JudgedProposal<T>[] => {
    const isMissing = draft.amounts.some((amount, at) => amount && !counts.amounts[at]);
    return isMissing ? [] : [{ ...judgeProposal(proposal, counts, draft, bands), level }];
  });
  const isInBands = measureAll(draft.amounts, bands) === 0;
  const helpful = judged.filter(({ nearer, lost, distance, direction }) => {
    if (purpose === 'exhaustive')
      return lost < 0 || (lost === 0 && (nearer > NEARLY || direction === 'more'));
    if (purpose === 'review')
      return (
        lost < 0 ||
        (lost === 0 && (nearer > NEARLY || (isInBands && distance === 0 && direction === 'fewer')))
      );
    return nearer > NEARLY;
  });
  const byBand = (a: JudgedProposal<T>, b: JudgedProposal<T>): number =>
    a.farther - b.farther || b.nearer - a.nearer;
  const byMeaning = (a: JudgedProposal<T>, b: JudgedProposal<T>): number =>
    a.lost - b.lost || MEANING_LEVELS.indexOf(a.level) - MEANING_LEVELS.indexOf(b.level);
  const growthWanted: Readonly<Record<Purpose, number>> = { quick: 0, review: -1, exhaustive: 1 };
  return helpful.sort(
    (a, b) => byMeaning(a, b) || byBand(a, b) || growthWanted[purpose] * (b.growth - a.growth),
  );
}

/** Differences of distance below this are none. */
const NEARLY = 1e-9;

function measureAll(amounts: ProposalCounts['amounts'], bands: readonly Band[]): number {
  return amounts.reduce<number>(
    (sum, amount, at) => sum + (amount ? measureDistance(amount, wantSomething(bands[at] ?? {})) : 0),
    0,
  );
}

function judgeProposal<T>(
  proposal: T,
  counts: ProposalCounts,
  draft: ProposalCounts,
  bands: readonly Band[],
): Omit<JudgedProposal<T>, 'level'> {
  const effects = draft.amounts.map((before, at) => {
    const after = counts.amounts[at];
    return before && after && judgeEffect(before, after, bands[at] ?? {});
  });
  const growths = draft.amounts.flatMap((before, at) => {
    const after = counts.amounts[at];
    return before && after ? [measureGrowth(after, before)] : [];
  });
  const distance = measureAll(counts.amounts, bands);
  const [isFewer, isMore] = [growths.some((growth) => growth < 0), growths.some((growth) => growth > 0)];
  return {
    proposal,
    counts,
    effects,
    distance,
    nearer: measureAll(draft.amounts, bands) - distance,
    farther: effects.filter((effect) => effect === 'farther').length,
    lost: sumOf(draft.found) - sumOf(counts.found),
    direction: isFewer ? (isMore ? 'both' : 'fewer') : isMore ? 'more' : 'neither',
    growth: growths.reduce((sum, growth) => sum + growth, 0),
  };
}

function judgeEffect(before: Amount, after: Amount, band: Band): ProposalEffect {
  const wanted = wantSomething(band);
  const [then, now] = [measureDistance(before, wanted), measureDistance(after, wanted)];
  if (now > then + NEARLY) return 'farther';
  if (now > then - NEARLY) return 'same';
  if (judgeBand(after, band) === 'in') return 'into-band';
  return isNone(before) ? 'begins' : 'nearer';
}

function sumOf(numbers: readonly (number | undefined)[]): number {
  return numbers.reduce<number>((sum, number) => sum + (number ?? 0), 0);
}

/** Why a change is put forward, as a sentence that says of each database what comes of it. */
export function describeProposal(
  { effects, direction, lost, level }: Pick<JudgedProposal, 'effects' | 'direction' | 'lost' | 'level'>,
  draft: ProposalCounts,
  names: readonly string[],
): string {
  const list = (wanted: ProposalEffect): string => joinNames(names.filter((_, at) => effects[at] === wanted));
  const [within, begun, nearer, farther] = [
    list('into-band'),
    list('begins'),
    list('nearer'),
    list('farther'),
  ];
  const parts: string[] = [];
  if (within) parts.push(`brings ${within} into the band`);
  if (begun) parts.push(`finds something in ${begun}`);
  if (nearer) parts.push(`nearer in ${nearer}`);
  if (farther) parts.push(`farther in ${farther}`);
  if (parts.length === 0) parts.push(DIRECTION_WORDS[direction]);
  if (lost > 0) parts.push(`loses ${lost} good ${lost === 1 ? 'work' : 'works'}`);
  if (lost < 0) parts.push(`finds ${-lost} more good ${lost === -1 ? 'work' : 'works'}`);
  else if (lost === 0 && draft.found.length > 0) parts.push('keeps all good works that were found');
  if (level === 'question') parts.push('changes the question');
  return parts.join(', ');
}

const DIRECTION_WORDS: Readonly<Record<JudgedProposal['direction'], string>> = {
  fewer: 'leaves fewer to read',
  more: 'finds more',
  both: 'finds more in some databases and fewer in others',
  neither: 'changes no count',
};

function joinNames(names: readonly string[]): string {
  const last = names.at(-1) ?? '';
  return names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${last}` : last;
}
