import { Injectable, inject } from '@angular/core';
import type { Dialect } from '#core/dialect/index';
import type { LimiterName, Limiters } from '#core/limiter/index';
import type { CountedValue } from '#core/collection/index';
import { listParts, type Counted } from '../counting/count-state';
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

  /** The journals of what the draft finds under all other limiters, the most frequent first; none where that is not told. */
  async listSources(limiters: Limiters, dialect: Dialect): Promise<readonly CountedValue[]> {
    const { sources: _, ...others } = limiters;
    const { countKey } = this.counts.peek(this.draft.root(), dialect, others);
    const [string, ...further] = countKey ? listParts(countKey) : [];
    if (!countKey || string === undefined || !this.canCount(dialect)) return [];
    const answer = await this.connections.find(dialect.id).ask('search', {
      string,
      ...(further.length > 0 && { further }),
      sentLimiters: countKey.sentLimiters,
      start: 0,
      rows: 0,
      sort: 'relevance',
      facets: ['sources'],
    });
    return answer.ok ? (answer.value.facets?.sources ?? []) : [];
  }

  /** Nothing where the database does not have the limiter: its count would go without it. */
  look(limiters: Limiters, name: LimiterName, dialect: Dialect): Counted | undefined {
    if (dialect.limiters[name].how === 'none' || !this.canCount(dialect)) return undefined;
    return this.counts.lookLater(this.draft.root(), dialect, limiters);
  }
}
