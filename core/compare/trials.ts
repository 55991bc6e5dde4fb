import { LIMITER_NAMES, listLimiters } from '../dialect';
import type { Change, Concept, Project, Purpose, TargetBand, Term } from '../project';
import { parseQuery, printPattern, printQuery } from '../query';
import { listFieldChoices } from './alternatives';
import { joinMembers, listMembers } from './members';

/** A change that may bring the counts nearer to what is wanted. */
export interface Trial {
  readonly key: string;
  /** What is done, as an order: “search Bats in the title”. */
  readonly words: string;
  readonly towards: 'fewer' | 'more';
  readonly change: Change;
}

/** A term that could be added, with where it comes from. */
export interface OfferedTerm {
  readonly concept: string;
  readonly term: Term;
  /** Such as “a form in the index”. */
  readonly from: string;
}

/** The most changes that are tried. */
export const MOST_TRIALS = 200;

/**
 * Every change worth a try, narrowing and widening, the broad kinds first: each is to be counted, none
 * is guessed at. `offered` are terms that suggestions bring.
 */
export function listTrials(
  project: Project,
  thisYear: number,
  offered: readonly OfferedTerm[] = [],
): Trial[] {
  const { concepts } = project.working;
  const used = new Set(listMembers(project.working).flatMap(({ block }) => block ?? []));
  const active = concepts.filter((concept) => !concept.off && used.has(concept.block));
  const trials = [
    ...listMemberTrials(project),
    ...active.flatMap(listConceptTrials),
    ...concepts
      .filter(({ off, block }) => off && used.has(block))
      .map(({ id, name }) =>
        createTrial(`on ${id}`, `switch ${name} on`, 'fewer', { kind: 'switch-concept', id, off: false }),
      ),
    ...listLimiterTrials(project, thisYear),
    ...offered
      .filter(({ concept }) => active.some(({ id }) => id === concept))
      .map(({ concept, term, from }) =>
        createTrial(
          `add ${concept} ${term.text}`,
          `add ${term.text} to ${nameOf(concepts, concept)} (${from})`,
          'more',
          { kind: 'add-terms', concept, terms: [term] },
        ),
      ),
    ...active.flatMap((concept) => concept.terms.flatMap((term) => listTermTrials(concept, term))),
  ];
  const seen = new Set<string>();
  return trials.filter(({ key }) => !seen.has(key) && seen.add(key)).slice(0, MOST_TRIALS);
}

function createTrial(key: string, words: string, towards: Trial['towards'], change: Change): Trial {
  return { key, words, towards, change };
}

function nameOf(concepts: readonly Concept[], id: string): string {
  return concepts.find((concept) => concept.id === id)?.name ?? id;
}

/** Members that can go: the concepts and pieces joined by AND, and what is taken away by NOT. */
function listMemberTrials({ working }: Project): Trial[] {
  const members = listMembers(working);
  return members.flatMap((member, at): Trial[] => {
    const rest = members.filter((other) => other !== member);
    if (!rest.some(({ sign }) => sign === 'and')) return [];
    const text = printQuery(
      joinMembers(rest.map(({ sign, words }) => ({ sign, root: parseQuery(words).root }))),
    );
    return [
      createTrial(
        `out ${at}`,
        member.sign === 'not' ? `do not exclude ${member.words}` : `leave ${member.words} out`,
        'more',
        { kind: 'rewrite-draft', text },
      ),
    ];
  });
}

function listConceptTrials(concept: Concept): Trial[] {
  const { id, name, fields } = concept;
  const isUsual = fields === undefined;
  const trials = listFieldChoices(concept).map(({ key, words, change }) =>
    createTrial(
      `${key} ${id}`,
      `search ${name} ${words}`,
      key === 'in text' || (key === 'in ' && !isUsual) ? 'more' : 'fewer',
      change,
    ),
  );
  const on = concept.terms.filter(({ off }) => !off);
  const isHeading = (term: Term): boolean => parseQuery(term.text).root.kind === 'heading';
  const words = on.filter((term) => !isHeading(term));
  if (words.length > 0 && words.length < on.length)
    trials.push(
      createTrial(`headings ${id}`, `use the headings of ${name} alone`, 'fewer', {
        kind: 'mend',
        changes: words.map(({ id: term }) => ({ kind: 'switch-term', id: term, off: true })),
      }),
    );
  return trials;
}

function listTermTrials(concept: Concept, term: Term): Trial[] {
  const { id, text, off } = term;
  const where = `of ${concept.name}`;
  if (off)
    return [
      createTrial(`switch ${id}`, `switch ${text} ${where} on`, 'more', {
        kind: 'switch-term',
        id,
        off: false,
      }),
    ];
  const trials: Trial[] = [];
  if (concept.terms.filter((other) => !other.off).length > 1)
    trials.push(
      createTrial(`switch ${id}`, `switch ${text} ${where} off`, 'fewer', {
        kind: 'switch-term',
        id,
        off: true,
      }),
    );
  const rewrite = (to: string, towards: Trial['towards']): void => {
    if (to === text) return;
    trials.push(
      createTrial(`edit ${id} ${to}`, `${to} in place of ${text}`, towards, {
        kind: 'edit-term',
        id,
        text: to,
      }),
    );
  };
  const { root } = parseQuery(text);
  if (root.kind === 'term') {
    const letters = printPattern(root.pattern);
    if (/^\p{L}+\*$/u.test(letters)) {
      rewrite(`(${letters.slice(0, -1)} OR ${letters.slice(0, -1)}s)`, 'fewer');
      if (letters.length > 6) rewrite(`${letters.slice(0, -2)}*`, 'more');
    } else if (/^\p{L}{4,}$/u.test(letters)) rewrite(`${letters.replace(/(?<=\p{L}{3})s$/u, '')}*`, 'more');
  }
  if (root.kind === 'phrase' && root.words.length === 2) {
    const [a = '', b = ''] = root.words.map(printPattern);
    rewrite(`${a} WITHIN 3 ${b}`, 'more');
    rewrite(`(${a} AND ${b})`, 'more');
  }
  if (root.kind === 'near') {
    rewrite(printQuery({ ...root, distance: Math.max(1, Math.floor(root.distance / 2)) }), 'fewer');
    rewrite(printQuery({ ...root, distance: root.distance * 2 }), 'more');
  }
  if (root.kind === 'heading') {
    if (root.scope === 'heading') rewrite(text.replace(/^heading/, 'branch'), 'more');
    if (root.scope === 'branch') rewrite(text.replace(/^branch/, 'heading'), 'fewer');
    if (root.scope !== 'focus') rewrite(text.replace(/^(?:heading|branch)/, 'focus'), 'fewer');
  }
  return trials;
}

function listLimiterTrials({ working: { limiters } }: Project, thisYear: number): Trial[] {
  const put = (key: string, words: string, patch: typeof limiters): Trial =>
    createTrial(`limit ${key}`, words, 'fewer', {
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
    return createTrial(`unlimit ${name}`, `take the limiter ${value} off`, 'more', {
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
    ...(limiters.peerReviewed ? [] : [put('peer', 'limit to peer-reviewed', { peerReviewed: true })]),
  ];
}

/** The counts of a draft, or of one after a change: one entry a database; nothing where it is not known. */
export interface TrialCounts {
  readonly totals: readonly (number | undefined)[];
  /** Must-finds that are found, in each database; empty if there are none to look for. */
  readonly found: readonly (number | undefined)[];
}

/** How a change would do. */
export interface JudgedTrial<T = Trial> {
  readonly trial: T;
  readonly counts: TrialCounts;
  /** In tenfolds, how far the counts are outside their bands, all databases added up; 0 is in all bands. */
  readonly distance: number;
  /** How much nearer that is than the draft. */
  readonly nearer: number;
  /** Must-finds lost or, below zero, won, added up over the databases. */
  readonly lost: number;
  /** The change of all counts together. */
  readonly difference: number;
}

/** How far a count is outside a band, in tenfolds. */
export function measureDistance(count: number, { from, to }: TargetBand): number {
  const log = (value: number): number => Math.log10(value + 1);
  if (from !== undefined && count < from) return log(from) - log(count);
  if (to !== undefined && count > to) return log(count) - log(to);
  return 0;
}

/** Nothing at all is too little, whatever the band says. */
function wantSomething(band: TargetBand): TargetBand {
  return band.from === undefined ? { ...band, from: 1 } : band;
}

/**
 * The changes that help, the best first, as the purpose sees it. A quick answer wants the counts in
 * their bands; where none is set, something. A review wants its must-finds first, then as few records to
 * screen as the bands allow. An exhaustive search never gives up a must-find: such changes are left out.
 * A change of which a count is missing is not judged.
 */
export function rankTrials<T>(
  trials: readonly { readonly trial: T; readonly counts: TrialCounts }[],
  draft: TrialCounts,
  bands: readonly TargetBand[],
  purpose: Purpose,
): JudgedTrial<T>[] {
  const measure = (totals: TrialCounts['totals']): number =>
    totals.reduce<number>(
      (sum, total, at) =>
        sum + (total === undefined ? 0 : measureDistance(total, wantSomething(bands[at] ?? {}))),
      0,
    );
  const now = measure(draft.totals);
  const judged = trials.flatMap(({ trial, counts }): JudgedTrial<T>[] => {
    const isMissing = draft.totals.some(
      (total, at) => total !== undefined && counts.totals[at] === undefined,
    );
    if (isMissing) return [];
    const distance = measure(counts.totals);
    const lost = sumOf(draft.found) - sumOf(counts.found);
    const difference = sumOf(counts.totals) - sumOf(draft.totals);
    return [{ trial, counts, distance, nearer: now - distance, lost, difference }];
  });
  const helpful = judged.filter(({ nearer, lost, difference, distance }) => {
    if (purpose === 'exhaustive') return lost < 0 || (lost === 0 && (nearer > NEARLY || difference > 0));
    if (purpose === 'review')
      return lost < 0 || (lost === 0 && (nearer > NEARLY || (now === 0 && distance === 0 && difference < 0)));
    return nearer > NEARLY;
  });
  const byBand = (a: JudgedTrial<T>, b: JudgedTrial<T>): number => b.nearer - a.nearer;
  const orders: Readonly<Record<Purpose, (a: JudgedTrial<T>, b: JudgedTrial<T>) => number>> = {
    quick: (a, b) => byBand(a, b) || a.lost - b.lost,
    review: (a, b) => a.lost - b.lost || byBand(a, b) || a.difference - b.difference,
    exhaustive: (a, b) => a.lost - b.lost || byBand(a, b) || b.difference - a.difference,
  };
  return helpful.sort(orders[purpose]);
}

/** Differences of distance below this are none. */
const NEARLY = 1e-9;

function sumOf(numbers: readonly (number | undefined)[]): number {
  return numbers.reduce<number>((sum, number) => sum + (number ?? 0), 0);
}

/** Why a change is put forward, as a sentence. */
export function describeTrial(
  { trial, counts, nearer, lost, distance }: JudgedTrial,
  draft: TrialCounts,
  names: readonly string[],
  bands: readonly TargetBand[],
): string {
  const inBand = counts.totals.flatMap((total, at) => {
    const band = bands[at] ?? {};
    const before = draft.totals[at];
    const isIn = total !== undefined && measureDistance(total, band) === 0;
    return isIn && before !== undefined && measureDistance(before, band) > 0 ? [names[at] ?? ''] : [];
  });
  const begun = names.filter(
    (name, at) => draft.totals[at] === 0 && (counts.totals[at] ?? 0) > 0 && !inBand.includes(name),
  );
  const parts: string[] = [];
  if (inBand.length > 0) parts.push(`brings ${joinNames(inBand)} into the band`);
  if (begun.length > 0) parts.push(`finds something in ${joinNames(begun)}`);
  if (parts.length === 0) parts.push(describeDirection(trial, nearer, distance));
  if (lost > 0) parts.push(`costs ${lost} ${lost === 1 ? 'find' : 'finds'} of must-finds`);
  if (lost < 0) parts.push(`finds ${-lost} more of your must-finds`);
  else if (lost === 0 && draft.found.length > 0) parts.push('keeps all must-finds that were found');
  return parts.join(', ');
}

function describeDirection({ towards }: Trial, nearer: number, distance: number): string {
  if (nearer > NEARLY)
    return distance === 0 ? 'brings all into their bands' : 'brings the counts nearer to their bands';
  return towards === 'fewer' ? 'leaves fewer to read' : 'finds more';
}

function joinNames(names: readonly string[]): string {
  const last = names.at(-1) ?? '';
  return names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${last}` : last;
}
