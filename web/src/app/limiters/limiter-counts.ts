import { Injectable, inject } from '@angular/core';
import type { Dialect } from '#core/dialect/index';
import type { LimiterName, Limiters } from '#core/limiter/index';
import type { Counted } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { DraftCounts } from '../counting/draft-counts';
import { Connections } from '../state/connections';

/** What the draft finds under limiters that somebody thinks of setting. */
@Injectable({ providedIn: 'root' })
export class LimiterCounts {
  private readonly counts = inject(Counts);
  private readonly draft = inject(DraftCounts);
  private readonly connections = inject(Connections);

  /** A server that takes one string at a time is not asked thirty times unbidden, nor is a person. */
  canCount({ id }: Dialect): boolean {
    return !this.connections.isByHand(id) && this.connections.find(id).traits()?.asksOneByOne !== true;
  }

  /** Nothing where the database does not have the limiter: its count would go without it. */
  look(limiters: Limiters, name: LimiterName, dialect: Dialect): Counted | undefined {
    if (dialect.limiters[name].how === 'none' || !this.canCount(dialect)) return undefined;
    return this.counts.lookLater(this.draft.root(), dialect, limiters);
  }
}
