import { Injectable, computed, inject } from '@angular/core';
import { readKeptAmount } from '#core/count/index';
import type { Dialect } from '#core/dialect/index';
import { isSameLimiters, type Limiters } from '#core/limiter/index';
import { createProblem } from '#core/problem/index';
import { writeMoment } from '../data/clock-and-ids';
import { OpenProject } from '../state/open-project';
import type { CountState, CountKey } from './count-state';

/** The counts of databases that the person searches: the last number typed in for exactly a string is its count. */
@Injectable({ providedIn: 'root' })
export class TypedCounts {
  private readonly open = inject(OpenProject);
  private readonly typed = computed(() =>
    (this.open.maybe()?.tallies ?? []).filter(({ source }) => source === 'typed'),
  );

  look({ string }: CountKey, { id, name }: Dialect, limiters: Limiters): CountState {
    const tally = this.typed().findLast(
      (one) => one.database === id && one.string === string && isSameLimiters(one.limiters, limiters),
    );
    if (tally) return { status: 'counted', amount: readKeptAmount(tally) };
    return { status: 'failed', problem: createProblem('count-by-hand', 'warning', { database: name }) };
  }

  /** Keeps a number that the person read off a database's own page. */
  type(database: string, string: string, limiters: Limiters, total: number, estimated = false): void {
    const tally = {
      id: this.open.createId(),
      database,
      string,
      limiters,
      moment: writeMoment(this.open.now()),
      total,
      estimated,
      source: 'typed',
    } as const;
    this.open.change({ kind: 'keep-tallies', tallies: [tally] });
  }
}
