import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { describeProblem } from '#core/problem/index';
import type { Counted } from '../counting/count-state';
import { RecordDrawer } from './record-drawer';
import { formatCount, placeOnLogScale } from './number-format';

/**
 * A count that opens its first records. While a new count is on its way the old one stays, dimmed;
 * a count that failed says why.
 */
@Component({
  selector: 'app-count',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[class.waiting]': 'isWaiting()', '[class.failed]': 'failure() !== undefined' },
  template: `
    @if (failure(); as reason) {
      <span class="none" [attr.title]="reason"
        ><span aria-hidden="true">—</span><span class="unseen">{{ label() }}: {{ reason }}</span></span
      >
    } @else if (shown(); as number) {
      <button
        type="button"
        class="plain number"
        [attr.aria-label]="label() + ': ' + number + ' records'"
        (click)="open()"
      >
        {{ number }}
      </button>
    } @else {
      <span class="none"
        ><span aria-hidden="true">·</span><span class="unseen">{{ label() }}: not counted</span></span
      >
    }
    @if (bar()) {
      <span class="bar" aria-hidden="true"
        ><span class="fill" [style.transform]="'scaleX(' + share() + ')'"></span
      ></span>
    }
  `,
  styles: `
    :host {
      display: block;
      text-align: right;
      position: relative;
    }
    .number:hover {
      color: var(--glaze);
      text-decoration: underline;
    }
    :host(.waiting) .number {
      opacity: 0.45;
    }
    .none {
      color: var(--mute);
    }
    .bar {
      display: block;
      height: 3px;
      margin-top: 2px;
    }
    .fill {
      display: block;
      height: 100%;
      background: var(--hue, var(--glaze-fill));
      opacity: 0.75;
      transform-origin: left;
      transition: transform 0.2s;
    }
    @media (prefers-reduced-motion: reduce) {
      .fill {
        transition: none;
      }
    }
  `,
})
export class CountComponent {
  private readonly drawer = inject(RecordDrawer);

  readonly counted = input<Counted>();
  /** What is counted, for the drawer and for screen readers. */
  readonly label = input.required<string>();
  readonly bar = input(false);

  private readonly last = linkedSignal<
    Counted | undefined,
    { total: number; estimated: boolean; upTo?: number } | undefined
  >({
    source: this.counted,
    computation: (counted, previous) =>
      counted?.state.status === 'counted' ? counted.state : previous?.value,
  });
  protected readonly isWaiting = computed(() => this.counted()?.state.status === 'waiting');
  protected readonly failure = computed(() => {
    const state = this.counted()?.state;
    return state?.status === 'failed' ? describeProblem(state.problem) : undefined;
  });
  protected readonly shown = computed(() => {
    const last = this.last();
    return last && formatCount(last.total, last.estimated, last.upTo);
  });
  protected readonly share = computed(() =>
    this.failure() === undefined ? placeOnLogScale(this.last()?.total ?? 0) : 0,
  );

  protected open(): void {
    const wish = this.counted()?.wish;
    if (wish) this.drawer.show(wish, this.label());
  }
}
