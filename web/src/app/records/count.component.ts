import { MatTooltip } from '@angular/material/tooltip';
import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { describeProblem } from '#core/problem/index';
import type { Amount } from '#core/count/index';
import type { Counted } from '../counting/count-state';
import { describeBasis } from '../counting/describe-count';
import { findsNothing } from '../counting/read-count';
import { RecordDrawer } from './record-drawer';
import { formatAmount, placeAmount } from '../ui/number-format';
import { SayPipe } from '../words/say.pipe';

/** A number that was there, and of which database. */
interface ShownAmount {
  readonly database: string;
  readonly label: string;
  readonly amount: Amount;
}

/**
 * A count that opens its first records. While a new count of the same database is on its way the old one stays,
 * dimmed; where there is nothing to count there is no number. A count that failed says why, and one that is not
 * quite of what was asked bears a sign, with the reason.
 */
@Component({
  selector: 'app-count',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatTooltip],
  host: { '[class.waiting]': 'isWaiting()', '[class.failed]': 'failure() !== undefined' },
  template: `
    @if (failure(); as reason) {
      <span class="none" [matTooltip]="reason"
        ><span aria-hidden="true">—</span><span class="unseen">{{ label() }}: {{ reason }}</span></span
      >
    } @else if (shown(); as number) {
      <button
        type="button"
        class="plain number"
        [attr.aria-label]="'records.records' | say: { label: label(), number: number }"
        (click)="open()"
      >
        {{ number }}
      </button>
      @if (basis()) {
        <span class="sign" aria-hidden="true" [matTooltip]="basis()">!</span>
        <span [class]="explains() ? 'basis' : 'unseen'">{{ basis() }}</span>
      }
    } @else {
      <span class="none"
        ><span aria-hidden="true">{{ isNothing() ? '—' : '·' }}</span
        ><span class="unseen"
          >{{ label() }}: {{ (isNothing() ? 'shared.nothingToCount' : 'shared.notCounted') | say }}</span
        ></span
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
    .sign {
      position: absolute;
      margin-left: 2px;
      color: var(--warn);
      font-weight: 700;
    }
    .basis {
      display: block;
      color: var(--warn);
      font-weight: 400;
      font-size: 11.5px;
      line-height: 14px;
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

  /** Says in words below the number what it is not quite, where that may differ from row to row. */
  readonly explains = input(false);

  /** A number stays only while another one of the same question place and database is on its way. */
  private readonly last = linkedSignal<
    { readonly counted: Counted | undefined; readonly label: string },
    ShownAmount | undefined
  >({
    source: () => ({ counted: this.counted(), label: this.label() }),
    computation: ({ counted, label }, previous) => {
      const before = previous?.value;
      if (!counted) return before?.label === label ? before : undefined;
      const { database } = counted.rendering;
      if (counted.state.status === 'counted') return { database, label, amount: counted.state.amount };
      return counted.state.status === 'waiting' && before?.database === database
        ? { ...before, label }
        : undefined;
    },
  });
  protected readonly isWaiting = computed(() => {
    const counted = this.counted();
    return !counted || counted.state.status === 'waiting';
  });
  /** There is nothing to count, so no database is asked. */
  protected readonly isNothing = computed(() => {
    const counted = this.counted();
    return counted !== undefined && findsNothing(counted);
  });
  protected readonly failure = computed(() => {
    const state = this.counted()?.state;
    return state?.status === 'failed' ? describeProblem(state.problem) : undefined;
  });
  protected readonly shown = computed(() => {
    const last = this.last();
    return last && formatAmount(last.amount);
  });
  protected readonly basis = computed(() => {
    const counted = this.counted();
    return counted?.state.status === 'counted' ? describeBasis(counted).join(', ') : '';
  });
  protected readonly share = computed(() =>
    this.failure() === undefined ? placeAmount(this.last()?.amount) : 0,
  );

  protected open(): void {
    const { countKey, state } = this.counted() ?? {};
    if (!countKey) return;
    this.drawer.show(countKey, this.label(), state?.status === 'counted' ? state.amount : undefined);
  }
}
