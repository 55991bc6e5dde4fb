import { Injectable, effect, inject } from '@angular/core';
import { isSameLimiters } from '#core/limiter/index';
import { isSameAmount, readKeptAmount } from '#core/count/index';
import { DraftCounts, type DatabaseCount } from '../counting/draft-counts';
import { makeTally } from '../counting/make-tally';
import { writeMoment } from '../data/clock-and-ids';
import { OpenProject } from '../state/open-project';

/** The draft has rested when nothing in it and no count has changed for so long. */
const TALLY_DELAY = 5_000;

/** Keeps the counts of a draft that rests, each once. */
@Injectable()
export class RestingTallies {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(DraftCounts);

  constructor() {
    effect((onCleanup) => {
      const draft = this.counts.draft();
      const timer = setTimeout(() => {
        this.keep(draft);
      }, TALLY_DELAY);
      onCleanup(() => {
        clearTimeout(timer);
      });
    });
  }

  /** The counts that the last tally of their database does not have already. */
  private keep(draft: readonly DatabaseCount[]): void {
    const { tallies, states } = this.open.project();
    const limiters = this.open.limiters();
    const fresh = draft.filter(({ dialect, counted: { countKey, state } }) => {
      if (!countKey || state.status !== 'counted') return false;
      const last = tallies.findLast((tally) => tally.database === dialect.id);
      return !(
        last?.string === countKey.string &&
        isSameAmount(readKeptAmount(last), state.amount) &&
        isSameLimiters(last.limiters, limiters)
      );
    });
    if (fresh.length === 0) return;
    const { concepts, blocks, draft: text, databases } = this.open.working();
    const state = { concepts, blocks, draft: text, limiters, databases };
    const same = states.find((kept) => JSON.stringify(kept.state) === JSON.stringify(state));
    const id = same?.id ?? this.open.createId();
    const place = {
      createId: () => this.open.createId(),
      moment: writeMoment(this.open.now()),
      limiters,
      state: id,
    };
    this.open.change({
      kind: 'keep-tallies',
      tallies: fresh.flatMap(({ dialect, counted }) => makeTally(dialect, counted, place)),
      ...(!same && { state: { id, state } }),
    });
  }
}
