import { Injectable, inject } from '@angular/core';
import { findOverlap, findWorks, type DatabaseResult } from '#core/compare/index';
import type { Dialect } from '#core/dialect/index';
import type { SearchState } from '#core/project/index';
import { getAmount, type Amount } from '#core/count/index';
import { createKey, type CountKey } from '../../counting/count-state';
import { readCount } from '../../counting/read-count';
import { formatNumber } from '../../ui/number-format';
import { CompareSubject } from '../../comparing/compare-subject';
import { RecordSets } from '../../comparing/record-sets';
import type { VariantRow } from './variant-row';
import { AskedCounts } from '../../counting/asked-counts';
import { say } from '../../words/say';

/** A row of the table as far as it matters for what its databases find together. */
export interface TogetherRow {
  readonly id: string;
  readonly state: SearchState;
  /** What is asked of each database that the row searches, and what is known where nothing is sent. */
  readonly asked: readonly {
    readonly dialect: Dialect;
    readonly countKey: CountKey | undefined;
    /** Of a database searched by hand, or of one that has nothing of it. */
    readonly known: Amount | undefined;
  }[];
}

export function describeTogether({ id, state, cells }: VariantRow): TogetherRow {
  const asked = cells
    .filter(({ dialect }) => state.databases.includes(dialect.id))
    .map(({ dialect, counted }) => ({
      dialect,
      countKey: counted?.countKey,
      known: counted && !counted.countKey ? getAmount(readCount(counted)) : undefined,
    }));
  return { id, state, asked };
}

/** Rows that ask the same: counts that come in for others make nothing new of them. */
export function isSameTogether(a: readonly TogetherRow[], b: readonly TogetherRow[]): boolean {
  return (
    a.length === b.length &&
    a.every(({ id, state, asked }, row) => {
      const other = b[row];
      return (
        other?.id === id &&
        other.state === state &&
        other.asked.length === asked.length &&
        asked.every(({ dialect, countKey, known }, at) => {
          const beside = other.asked[at];
          return (
            beside?.dialect === dialect &&
            nameCountKey(countKey) === nameCountKey(beside.countKey) &&
            JSON.stringify(known) === JSON.stringify(beside.known)
          );
        })
      );
    })
  );
}

function nameCountKey(countKey: CountKey | undefined): string {
  return countKey ? createKey(countKey) : '';
}

/** The works of a variant over all databases, each once, or bounds where one gives numbers only. */
@Injectable()
export class VariantsTogether {
  private readonly asked = inject(AskedCounts);
  private readonly sets = inject(RecordSets);
  private readonly subject = inject(CompareSubject);

  /** In words for the table. */
  async unite({ state, asked }: TogetherRow): Promise<string> {
    const question = { root: this.subject.read(state), limiters: state.limiters };
    const results: DatabaseResult[] = [];
    for (const { dialect, countKey, known } of asked) {
      if (!countKey) {
        if (!known) return say('compare.notAllCounted', { name: dialect.name });
        results.push({ database: dialect.id, amount: known, keys: undefined });
        continue;
      }
      const [state] = await this.asked.settle([countKey]);
      const amount = state?.status === 'counted' ? state.amount : undefined;
      if (!amount) return say('compare.notAllCounted', { name: dialect.name });
      const records = await this.sets.listReadable(question, dialect, amount);
      if (!records.ok) return 'failed';
      results.push({ database: dialect.id, amount, keys: records.value?.keys });
    }
    const { bounds, countsOnly, works } = findOverlap(results, findWorks(results, this.subject.sameWork()));
    if (countsOnly.length === 0) return formatNumber(works);
    const { least, greatest, isEstimated } = bounds;
    if (least === greatest) return formatNumber(least);
    return `${formatNumber(least)}–${isEstimated ? '≈' : ''}${formatNumber(greatest)}`;
  }
}
