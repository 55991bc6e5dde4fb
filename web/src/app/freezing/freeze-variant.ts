import { Injectable, inject } from '@angular/core';
import type { Limiters } from '#core/limiter/index';
import type { Tally } from '#core/project/index';
import { DraftCounts } from '../counting/draft-counts';
import { makeTally } from '../counting/make-tally';
import { writeMoment } from '../data/clock-and-ids';
import { OpenProject } from '../state/open-project';
import { say } from '../words/say';

/** Freezes the draft as a variant, with the counts that are there. */
@Injectable({ providedIn: 'root' })
export class FreezeVariant {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(DraftCounts);

  /** The name that is proposed for the next variant. */
  proposeName(): string {
    return say('freezing.variant', { number: this.open.project().variants.length + 1 });
  }

  freeze(name: string, note: string): void {
    const { limiters } = this.open.working();
    const tallies = this.counts.draft();
    const id = this.keep(limiters, name, note, (place) =>
      tallies.flatMap(({ dialect, counted }) => makeTally(dialect, counted, place)),
    );
    this.open.change({ kind: 'compare-with', id });
  }

  /** Keeps the draft as it would be under other limiters, not counted yet; gives the id of the variant. */
  freezeUnder(limiters: Limiters, name: string, note: string): string {
    return this.keep(limiters, name, note, () => []);
  }

  private keep(
    limiters: Limiters,
    name: string,
    note: string,
    makeTallies: (place: Parameters<typeof makeTally>[2]) => readonly Tally[],
  ): string {
    const { concepts, blocks, draft, databases, base } = this.open.working();
    const parent = this.open.project().variants.find((variant) => variant.id === base)?.id;
    const moment = writeMoment(this.open.now());
    const id = this.open.createId();
    const place = { createId: () => this.open.createId(), moment, limiters, variant: id };
    const variant = {
      id,
      name,
      note,
      moment,
      frozen: { concepts, blocks, draft, limiters, databases },
      ...(parent !== undefined && { parent }),
    };
    this.open.change({ kind: 'freeze-variant', variant, tallies: makeTallies(place) });
    return id;
  }
}
