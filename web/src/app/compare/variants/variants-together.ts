import { Injectable, inject } from '@angular/core';
import { findOverlap, type DatabaseResult } from '#core/compare/index';
import type { Dialect } from '#core/dialect/index';
import type { SearchState } from '#core/project/index';
import { createKey, getTotal, type CountWish } from '../../counting/count-state';
import { CountStore } from '../../counting/count-store';
import { formatCount } from '../../ui/number-format';
import { CompareSubject } from '../compare-subject';
import { RecordSets } from '../parts/record-sets';
import type { VariantRow } from './variant-row';

/** A row of the table as far as it matters for what its databases find together. */
export interface TogetherRow {
  readonly id: string;
  readonly state: SearchState;
  /** What is counted in each database; nothing where nothing can be sent. */
  readonly asked: readonly { readonly dialect: Dialect; readonly wish: CountWish | undefined }[];
}

export function describeTogether({ id, state, cells }: VariantRow): TogetherRow {
  return { id, state, asked: cells.map(({ dialect, counted }) => ({ dialect, wish: counted?.wish })) };
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
        asked.every(({ dialect, wish }, at) => {
          const beside = other.asked[at];
          return beside?.dialect === dialect && nameWish(wish) === nameWish(beside.wish);
        })
      );
    })
  );
}

function nameWish(wish: CountWish | undefined): string {
  return wish ? createKey(wish) : '';
}

/** The works of a variant over all databases, each once, or bounds where one gives numbers only. */
@Injectable()
export class VariantsTogether {
  private readonly counts = inject(CountStore);
  private readonly sets = inject(RecordSets);
  private readonly subject = inject(CompareSubject);

  /** In words for the table. */
  async unite({ state, asked }: TogetherRow): Promise<string> {
    const question = { root: this.subject.read(state), limiters: state.limiters };
    const results: DatabaseResult[] = [];
    for (const { dialect, wish } of asked) {
      if (!wish) continue;
      const [counts] = await this.counts.settle([wish]);
      const total = getTotal(counts);
      if (total === undefined) return 'not all counted';
      const records = await this.sets.listReadable(question, dialect, total);
      if (!records.ok) return 'failed';
      results.push({ database: dialect.id, total, keys: records.value?.keys });
    }
    const { bounds, countsOnly, works } = findOverlap(results);
    return countsOnly.length === 0 ? formatCount(works) : formatCount(bounds.least, false, bounds.greatest);
  }
}
