import { getExact, isEstimated, keepAmount, type Amount } from '#core/count/index';
import { listLimiters } from '#core/limiter/index';
import { getAmount } from '../../counting/count-state';
import { describeBasis } from '../../counting/describe-count';
import type { TableCells } from '../../ui/table-file';
import type { VariantCell, VariantRow } from './variant-row';
import { say } from '../../words/say';

const listHead = (): readonly string[] => [
  say('compare.variantWords'),
  say('compare.madeBy'),
  say('compare.frozen'),
  say('compare.database'),
  say('shared.records'),
  say('compare.upTo'),
  say('compare.knownAs'),
  say('compare.notQuiteWhatWasAsked'),
  say('compare.comparedWith'),
  say('compare.difference'),
  say('compare.differenceUpTo'),
  say('compare.noDifferenceBecause'),
  say('compare.limiters'),
  say('compare.string'),
  say('compare.counted'),
];

/** What the file says beside the rows. */
export interface VariantTableFacts {
  /** The name of the variant that the others are set beside. */
  readonly compared: string | undefined;
  /** When the counts were on the screen, ISO 8601. */
  readonly moment: string;
}

/**
 * The variants as a table to be saved: a line for each variant in each database, numbers as numbers, and in columns
 * of their own all that a number needs to be set beside another one.
 */
export function listVariantTable(
  rows: readonly VariantRow[],
  { compared, moment }: VariantTableFacts,
): TableCells {
  const lines = rows.flatMap((row) =>
    row.cells
      .filter(({ dialect }) => row.state.databases.includes(dialect.id))
      .map((cell) => {
        const { counted } = cell;
        const amount = getAmount(counted?.state);
        return [
          row.name,
          row.since,
          row.variant?.moment ?? '',
          cell.dialect.name,
          ...describeAmount(amount),
          amount && counted ? describeBasis(counted).join(', ') : '',
          ...describeCompared(cell, compared),
          listLimiters(row.state.limiters)
            .map(({ value }) => value)
            .join(', '),
          counted?.countKey?.string ?? counted?.byHand?.string ?? '',
          amount ? moment : '',
        ];
      }),
  );
  return [listHead(), ...lines];
}

function describeAmount(amount: Amount | undefined): (string | number)[] {
  if (!amount) return ['', '', say('shared.notCounted')];
  const { total, upTo } = keepAmount(amount);
  const known = {
    exact: say('compare.exact'),
    estimate: say('compare.estimate'),
    bounds: say('compare.betweenBounds'),
  };
  const about = amount.kind === 'bounds' && isEstimated(amount) ? say('compare.estimated') : '';
  return [total, upTo ?? getExact(amount) ?? '', known[amount.kind] + about];
}

function describeCompared({ compared }: VariantCell, name: string | undefined): (string | number)[] {
  if (!compared) return ['', '', '', ''];
  if (compared.kind === 'none') return [name ?? '', '', '', compared.why];
  const note = compared.isAcrossLimiters ? say('compare.eachUnderItsOwnLimiters') : '';
  return [name ?? '', compared.least, compared.greatest, note];
}
