import {
  isNone,
  judgeBand,
  measureDistance,
  measureGrowth,
  wantSomething,
  type Amount,
  type Band,
} from '../count';
import type { Purpose } from '../project';
import { MEANING_LEVELS, type MeaningLevel, type ProposedChange } from './proposed-changes';

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
