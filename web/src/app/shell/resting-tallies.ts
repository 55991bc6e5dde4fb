import { Injectable, effect, inject } from '@angular/core';
import { isSameLimiters } from '#core/dialect/index';
import { DraftCounts } from '../counting/draft-counts';
import { writeMoment } from '../data/ids';
import { OpenProject } from '../state/open-project';

/** The draft has rested when nothing in it and no count has changed for so long. */
const REST = 5_000;

/** Keeps the counts of a draft that rests, each once. */
@Injectable()
export class RestingTallies {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(DraftCounts);

  constructor() {
    effect((onCleanup) => {
      const draft = this.counts.draft();
      const timer = setTimeout(() => {
        for (const { dialect, counted } of draft) {
          if (counted.wish && counted.state.status === 'counted')
            this.keep(dialect.id, counted.wish.string, counted.state);
        }
      }, REST);
      onCleanup(() => {
        clearTimeout(timer);
      });
    });
  }

  private keep(database: string, string: string, state: { total: number; estimated: boolean }): void {
    const limiters = this.open.limiters();
    const last = this.open.project().tallies.findLast((tally) => tally.database === database);
    if (last?.string === string && last.total === state.total && isSameLimiters(last.limiters, limiters))
      return;
    const { total, estimated } = state;
    const moment = writeMoment(this.open.now());
    this.open.change({
      kind: 'add-tally',
      tally: {
        id: this.open.createId(),
        database,
        string,
        limiters,
        moment,
        total,
        estimated,
        source: 'measured',
      },
    });
  }
}
