import { describeReason } from '#core/dialect/index';
import type { ProofAnswer, ProofDifference } from '#core/contract/index';
import { printQuery } from '#core/query/index';
import { formatDifference, formatNumber } from '../ui/number-format';
import type { ProofState } from './proofs';
import { say } from '../words/say';

/** What one piece of the query loses or gains in one database, and why. */
export interface PieceCost {
  readonly node: string;
  readonly piece: string;
  readonly reason: string;
  readonly isHarmless: boolean;
  readonly gained: ProofDifference | undefined;
  readonly lost: ProofDifference | undefined;
}

const NONE: ProofDifference = { total: 0, numbers: [] };
const HARMLESS = ['heading-elsewhere', 'forms-listed'];

/** Every piece that a rendering does not say as it is meant, with what that costs once it is proved. */
export function listPieceCosts(proof: ProofState | undefined): PieceCost[] {
  if (!proof) return [];
  return proof.plan.suspects.map(({ node, reasons }, place) => {
    const swap = proof.status === 'proved' ? proof.answer.swaps[place] : undefined;
    return {
      node: node.id,
      piece: printQuery(node),
      reason: reasons.map(describeReason).join('; '),
      isHarmless:
        reasons.every(({ code }) => HARMLESS.includes(code)) &&
        isNothing(swap?.gained) &&
        isNothing(swap?.lost),
      gained: swap?.gained,
      lost: swap?.lost,
    };
  });
}

function isNothing(difference: ProofDifference | undefined): boolean {
  return (difference ?? NONE).total === 0;
}

/** What the proof says of a whole rendering. It is made without the limiters: where there are some, that is said. */
export function describeProof({ wanted, found, gained, lost }: ProofAnswer, isLimited: boolean): string {
  const without = isLimited ? say('translate.withoutTheLimiters') : '';
  if (gained.total === 0 && lost.total === 0)
    return say('translate.provedTheSameRecords', { without, wanted });
  return say('translate.findsMeant', { found: formatNumber(found), without, wanted: formatNumber(wanted) });
}

/** One piece that some databases cannot say as it is meant. */
export interface SharedDifference {
  readonly piece: string;
  readonly databases: readonly {
    readonly name: string;
    readonly reason: string;
    /** What it gains and loses there, such as `+12 −3`; nothing while that is not proved. */
    readonly cost: string;
    /** The greater of the two. */
    readonly records: number | undefined;
  }[];
}

/** True for a piece that costs no record in any database, as far as its records go today. */
export function costsNothing({ databases }: SharedDifference): boolean {
  return databases.every(({ records }) => records === 0);
}

/** The pieces that are not the same everywhere, those that cost most records in one database first. */
export function listSharedDifferences(
  rows: readonly { readonly name: string; readonly costs: readonly PieceCost[] }[],
): SharedDifference[] {
  const pieces = new Map<string, SharedDifference['databases'][number][]>();
  for (const { name, costs } of rows) {
    for (const { piece, reason, isHarmless, gained, lost } of costs) {
      if (isHarmless) continue;
      const databases = pieces.get(piece) ?? [];
      databases.push({ name, reason, ...describeCost(gained, lost) });
      pieces.set(piece, databases);
    }
  }
  const greatest = ({ databases }: SharedDifference): number =>
    Math.max(...databases.map(({ records }) => records ?? 0));
  return [...pieces]
    .map(([piece, databases]): SharedDifference => ({ piece, databases }))
    .sort((a, b) => greatest(b) - greatest(a));
}

/** A cost stands within one database: those of several are not added up. */
function describeCost(
  gained: ProofDifference | undefined,
  lost: ProofDifference | undefined,
): { readonly cost: string; readonly records: number | undefined } {
  if (!gained || !lost) return { cost: '', records: undefined };
  const parts = [
    ...(gained.total > 0 ? [formatDifference(gained.total)] : []),
    ...(lost.total > 0 ? [formatDifference(-lost.total)] : []),
  ];
  return { cost: parts.join(' '), records: Math.max(gained.total, lost.total) };
}
