import { getExact, isEstimated, keepAmount, type Amount } from '#core/count/index';
import { listLimiters } from '#core/limiter/index';
import { getAmount } from '../../counting/count-state';
import { describeBasis } from '../../counting/describe-count';
import type { TableCells } from '../../ui/table-file';
import type { VariantCell, VariantRow } from './variant-row';

const HEAD = [
  'variant',
  'made by',
  'frozen',
  'database',
  'records',
  'up to',
  'known as',
  'not quite what was asked',
  'compared with',
  'difference',
  'difference up to',
  'no difference because',
  'limiters',
  'string',
  'counted',
] as const;

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
  return [HEAD, ...lines];
}

function describeAmount(amount: Amount | undefined): (string | number)[] {
  if (!amount) return ['', '', 'not counted'];
  const { total, upTo } = keepAmount(amount);
  const known = { exact: 'exact', estimate: 'estimate', bounds: 'between bounds' } as const;
  const about = amount.kind === 'bounds' && isEstimated(amount) ? ', estimated' : '';
  return [total, upTo ?? getExact(amount) ?? '', known[amount.kind] + about];
}

function describeCompared({ compared }: VariantCell, name: string | undefined): (string | number)[] {
  if (!compared) return ['', '', '', ''];
  if (compared.kind === 'none') return [name ?? '', '', '', compared.why];
  const note = compared.isAcrossLimiters ? 'each under its own limiters' : '';
  return [name ?? '', compared.least, compared.greatest, note];
}
