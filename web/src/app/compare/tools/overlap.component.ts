import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { findOverlap, type DatabaseResult } from '#core/compare/index';
import type { Dialect } from '#core/dialect/index';
import { describeInFull, succeed, type Outcome } from '#core/problem/index';
import { getTotal } from '../../counting/count-store';
import { CountComponent } from '../../ui/count.component';
import { shortenName } from '../../ui/short-name';
import { CompareSubject } from '../compare-subject';
import { CountingBarComponent } from '../parts/counting-bar.component';
import { RecordSets } from '../parts/record-sets';
import { follow } from '../parts/waiting';

/** What the databases have in common, what each alone brings, and in which order to search them. */
@Component({
  selector: 'app-overlap',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CountComponent, CountingBarComponent],
  templateUrl: './overlap.component.html',
  styleUrl: '../parts/tools.scss',
})
export class OverlapComponent {
  protected readonly subject = inject(CompareSubject);
  private readonly sets = inject(RecordSets);

  protected readonly wholes = computed(() =>
    this.subject.dialects().map((dialect) => ({ dialect, counted: this.subject.lookWhole(dialect) })),
  );
  protected readonly asked = computed(() => this.wholes().map(({ counted }) => counted));

  private readonly results = follow(
    () => {
      const counted = this.wholes().map(({ dialect, counted: one }) => ({
        dialect,
        total: getTotal(one?.state),
      }));
      return counted.length > 1 && counted.every(({ total }) => total !== undefined) ? counted : undefined;
    },
    async (
      counted: readonly { dialect: Dialect; total: number | undefined }[],
    ): Promise<Outcome<DatabaseResult[]>> => {
      const question = { root: this.subject.root(), limiters: this.subject.state().limiters };
      const results: DatabaseResult[] = [];
      for (const { dialect, total = 0 } of counted) {
        const keys = await this.sets.listKeys(question, dialect, total);
        if (!keys.ok) return keys;
        results.push({ database: dialect.id, total, keys: keys.value });
      }
      return succeed(results);
    },
  );
  protected readonly isWaiting = computed(() => this.results().status === 'waiting');
  protected readonly failure = computed(() => {
    const answer = this.results();
    return answer.status === 'done' && !answer.outcome.ok ? describeInFull(answer.outcome.problem) : '';
  });
  protected readonly overlap = computed(() => {
    const answer = this.results();
    return answer.status === 'done' && answer.outcome.ok ? findOverlap(answer.outcome.value) : undefined;
  });

  protected nameOf(database: string): string {
    const dialect = this.subject.dialects().find(({ id }) => id === database);
    return dialect ? shortenName(dialect.name) : database;
  }

  protected nameAll(databases: readonly string[]): string {
    return databases.map((database) => this.nameOf(database)).join(', ');
  }
}
