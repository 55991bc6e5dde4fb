import { MatProgressBar } from '@angular/material/progress-bar';
import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { CountBatches } from '../counting/count-batches';
import type { CountKey, Counted } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { CompareSubject } from './compare-subject';
import { OpenProject } from '../state/open-project';
import { formatNumber } from '../ui/number-format';
import { HandQueueDialogComponent, type HandQueueDialogData } from './hand-queue-dialog.component';
import { Dialogs } from '../ui/dialogs';
import { Connections } from '../state/connections';
import { AskedCounts } from '../counting/asked-counts';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** So many requests are made without asking first. */
const MADE_AT_ONCE = 300;
/** Databases that take many strings in one request take so many. */
const STRINGS_A_REQUEST = 1_000;

/**
 * Has the counts of a tool made: few at once, many as a batch that the person starts when they have seen
 * what it takes. What is counted by hand is handed to the queue.
 */
@Component({
  selector: 'app-counting-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatButton, MatProgressBar],
  template: `
    @if (batch(); as running) {
      <div class="bar" role="group" [attr.aria-label]="'compare.counting' | say: { title: running.title }">
        <mat-progress-bar
          [aria-label]="'compare.countedSoFar' | say"
          [value]="(100 * running.done) / running.countKeys.length"
        />
        <span aria-live="polite"
          ><b>{{ format(running.done) }}</b>
          {{
            'compare.ofCounted'
              | say
                : {
                    format: format(running.countKeys.length),
                    value: running.isPaused ? ('compare.paused' | say) : '',
                  }
          }}</span
        >
        <button mat-button type="button" (click)="batches.pause(running.id, !running.isPaused)">
          {{ (running.isPaused ? 'compare.goOn' : 'compare.pause') | say }}
        </button>
        <button mat-button type="button" (click)="batches.cancel(running.id)">
          {{ 'compare.stopCounting' | say }}
        </button>
        @if (running.failed.length > 0) {
          <span class="failed" role="alert">{{
            'compare.noAnswerFrom' | say: { failed: nameAll(running.failed) }
          }}</span>
          <button mat-button type="button" (click)="batches.retry(running.id)">
            {{ 'compare.tryTheseAgain' | say }}
          </button>
        }
      </div>
    } @else if (isLarge()) {
      <div class="bar">
        <span
          ><b>{{ format(missing().length) }}</b>
          {{ 'compare.countsToMakeRequests' | say: { requests: format(requests()), budget: budget() } }}</span
        >
        <button mat-button type="button" (click)="batches.start(title(), missing())">
          {{ 'compare.countThem' | say }}
        </button>
      </div>
    }
    @if (byHand().length > 0) {
      <div class="bar">
        <span
          ><b>{{ format(byHand().length) }}</b> {{ 'compare.toCountByHand' | say }}</span
        >
        <button
          mat-button
          type="button"
          [attr.aria-label]="'compare.countThemNow' | say: { title: title() }"
          (click)="openQueue()"
        >
          {{ 'compare.countThemNowDots' | say }}
        </button>
      </div>
    }
  `,
  styles: `
    .bar {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 14px;
      margin: 4px 0 8px;
      padding: 5px 10px;
      border-left: 3px solid var(--glaze);
      background: var(--glaze-tint);
    }
    mat-progress-bar {
      width: 140px;
    }
    .failed {
      color: var(--bad);
    }
  `,
})
export class CountingBarComponent {
  protected readonly batches = inject(CountBatches);
  private readonly counts = inject(Counts);
  private readonly asked = inject(AskedCounts);
  private readonly subject = inject(CompareSubject);
  private readonly connections = inject(Connections);
  private readonly open = inject(OpenProject);
  private readonly dialogs = inject(Dialogs);

  /** What is counted, for a person who comes back to it later. */
  readonly title = input.required<string>();
  /** Every count that the tool shows; one that is not written yet is not there. */
  readonly counted = input.required<readonly (Counted | undefined)[]>();

  private readonly countKeys = computed<CountKey[]>(() =>
    this.counted().flatMap((one) => one?.countKey ?? []),
  );
  /** All are written: only then is it known what the whole takes. */
  private readonly isWritten = computed(() => this.counted().every((one) => one !== undefined));
  protected readonly missing = computed(() => this.counts.listUnknown(this.countKeys()));
  protected readonly batch = computed(() =>
    this.batches.batches().find(({ title }) => title === this.title()),
  );
  /** What is asked of each database: a server takes one string a request, the others many. */
  private readonly costs = computed(() => {
    const each = new Map<string, number>();
    for (const { database } of this.missing()) each.set(database, (each.get(database) ?? 0) + 1);
    return [...each].map(([database, strings]) => ({
      database,
      requests: this.asksOneByOne(database) ? strings : Math.ceil(strings / STRINGS_A_REQUEST),
    }));
  });
  protected readonly requests = computed(() => this.costs().reduce((sum, { requests }) => sum + requests, 0));
  protected readonly isLarge = computed(() => this.isWritten() && this.requests() > MADE_AT_ONCE);
  /** Whatever is still to be written, it is few enough: then what is written is asked for meanwhile. */
  private readonly isSurelySmall = computed(() => {
    const dialects = this.subject.dialects();
    const questions = Math.ceil(this.counted().length / Math.max(1, dialects.length));
    const most = dialects.reduce(
      (sum, { id }) => sum + (this.asksOneByOne(id) ? questions : Math.ceil(questions / STRINGS_A_REQUEST)),
      0,
    );
    return most <= MADE_AT_ONCE;
  });
  protected readonly byHand = computed(() => {
    const open = this.counted().filter((one) => one?.byHand !== undefined && one.state.status !== 'counted');
    return [
      ...new Map(
        open.map((one) => [
          `${one?.byHand?.database} ${one?.byHand?.string} ${JSON.stringify(one?.byHand?.limiters)}`,
          one,
        ]),
      ).values(),
    ];
  });
  protected readonly format = formatNumber;
  protected readonly budget = computed(() => {
    return this.costs()
      .map(({ database, requests }) =>
        say('compare.requestsOf', { requests: formatNumber(requests), name: this.nameOf(database) }),
      )
      .join(', ');
  });

  constructor() {
    effect(() => {
      const missing = this.missing();
      const isSmall = this.isSurelySmall() || (this.isWritten() && !this.isLarge());
      if (missing.length > 0 && isSmall && !this.batch()) this.asked.ask(missing);
    });
  }

  protected nameAll(databases: readonly string[]): string {
    return databases.map((database) => this.nameOf(database)).join(', ');
  }

  protected openQueue(): void {
    this.dialogs.open<HandQueueDialogComponent, HandQueueDialogData, never>(HandQueueDialogComponent, {
      data: { title: this.title(), counted: this.counted },
      width: 720,
    });
  }

  private asksOneByOne(database: string): boolean {
    return this.connections.find(database).traits()?.asksOneByOne ?? false;
  }

  private nameOf(database: string): string {
    return this.open.findDialect(database)?.name ?? database;
  }
}
