import { Injectable, computed, inject } from '@angular/core';
import { findRunTally } from '#core/log/index';
import { createProblem } from '#core/problem/index';
import { CompareSubject } from '../comparing/compare-subject';
import type { Counted } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { OpenProject } from '../state/open-project';
import { ShownSearchOfRun } from './shown-search';

/** What of the chosen run is still to be counted by hand: a number that was typed in before it is not of it. */
@Injectable()
export class WaitingByHand {
  private readonly open = inject(OpenProject);
  private readonly subject = inject(CompareSubject);
  private readonly counts = inject(Counts);
  private readonly search = inject(ShownSearchOfRun);

  readonly counted = computed<readonly Counted[]>(() => {
    const run = this.search.run();
    const { variants, tallies } = this.open.project();
    const variant = variants.find(({ id }) => id === run?.variant);
    if (!run || !variant) return [];
    const { frozen } = variant;
    return run.databases.flatMap((one) => {
      const dialect = this.open.findDialect(one.database);
      if (!dialect || findRunTally(run, one, tallies)) return [];
      const counted = this.counts.peek(this.subject.read(frozen), dialect, frozen.limiters);
      // Of another string, a number would not be that of the run.
      if (counted.byHand?.string !== one.string) return [];
      const problem = createProblem('count-by-hand', 'warning', { database: one.name });
      return [{ ...counted, state: { status: 'failed', problem } }];
    });
  });
}
