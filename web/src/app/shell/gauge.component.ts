import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import { listLimiters, type Dialect, type Limiters } from '#core/dialect/index';
import { describeProblem, describeRemedy } from '#core/problem/index';
import type { Purpose, TargetBand } from '#core/project/index';
import { getTotal, type Counted } from '../counting/count-state';
import { CountStore } from '../counting/count-store';
import { formatCount, placeOnLogScale } from '../ui/number-format';
import { describeStanding } from './band-standing';
import { describeGap } from '../counting/count-gap';
import { shortenName } from '../ui/short-name';
import { RecordDrawer } from '../ui/record-drawer';

const TOP = 8;
const BOTTOM = 58;
const NO_BAND: TargetBand = {};

/** The slim vessel that shows a count on a log scale against its target band and the compared variant. */
@Component({
  selector: 'app-gauge',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './gauge.component.html',
  styleUrl: './gauge.component.scss',
  host: { '[class.waiting]': "status() === 'waiting'", '[class.failed]': "status() === 'failed'" },
})
export class GaugeComponent {
  private readonly drawer = inject(RecordDrawer);
  private readonly counts = inject(CountStore);

  readonly dialect = input.required<Dialect>();
  readonly counted = input.required<Counted>();
  readonly compared = input<Counted>();
  /** True if the compared variant was limited otherwise: then no difference is given. */
  readonly otherLimiters = input(false);
  readonly band = input<TargetBand>(NO_BAND);
  readonly limiters = input<Limiters>({});
  readonly purpose = input<Purpose>('review');
  readonly bandAsked = output();

  protected readonly ticks = [1, 10, 100, 1_000, 10_000].map(placeHeight);
  protected readonly short = computed(() => shortenName(this.dialect().name));
  protected readonly status = computed(() => this.counted().state.status);
  private readonly last = linkedSignal<
    Counted,
    { total: number; estimated: boolean; upTo?: number } | undefined
  >({
    source: this.counted,
    computation: (counted, previous) =>
      counted.state.status === 'counted' ? counted.state : previous?.value,
  });
  protected readonly number = computed(() => {
    const last = this.last();
    return last ? formatCount(last.total, last.estimated, last.upTo) : '…';
  });
  protected readonly isEmpty = computed(() => this.status() === 'empty');
  /** Only a service can be asked again; what cannot be written stays so until it is changed. */
  protected readonly canRetry = computed(() => this.counted().wish !== undefined);
  protected readonly level = computed(() => placeHeight(this.isEmpty() ? 0 : (this.last()?.total ?? 0)));
  protected readonly fillHeight = computed(() => BOTTOM + 4 - this.level());
  protected readonly mark = computed(() => {
    const total = getTotal(this.compared()?.state);
    return total === undefined ? undefined : placeHeight(total);
  });
  protected readonly bandArea = computed(() => {
    const { from, to } = this.band();
    if (from === undefined && to === undefined) return undefined;
    const top = to === undefined ? TOP : placeHeight(to);
    return { top, height: Math.max(2, (from === undefined ? BOTTOM : placeHeight(from)) - top) };
  });
  /** A piece is left out there: the count means something wider, and is set beside nothing. */
  private readonly isWider = computed(() => this.counted().rendering.lacks === true);
  protected readonly difference = computed(() =>
    this.isWider() || this.compared()?.rendering.lacks
      ? ''
      : describeGap(this.counted().state, this.compared()?.state, this.otherLimiters()),
  );
  protected readonly standing = computed(() =>
    this.isWider() && this.status() === 'counted'
      ? { words: 'a part left out', isGood: false }
      : describeStanding(this.counted().state, this.band(), this.purpose()),
  );
  protected readonly bandWords = computed(() => this.standing().words);
  protected readonly failure = computed(() => {
    const state = this.counted().state;
    return state.status === 'failed'
      ? { says: describeProblem(state.problem), remedy: describeRemedy(state.problem) }
      : undefined;
  });
  /** Limiters that this database does not have: its count stands without them. */
  protected readonly notApplied = computed(() => {
    const { steps } = this.counted().rendering;
    const missing = steps.filter((step) => step.how === 'none').map((step) => step.value);
    return listLimiters(this.limiters()).length > 0 && missing.length > 0
      ? `without ${missing.join(', ')}`
      : '';
  });
  protected readonly spoken = computed(() => {
    const failure = this.failure();
    if (failure) return `${this.dialect().name}: no count. ${failure.says}`;
    if (this.isEmpty()) return `${this.dialect().name}: nothing to count yet`;
    if (this.status() === 'waiting') return `${this.dialect().name}: counting`;
    const difference = this.difference();
    return `${this.dialect().name}: ${this.number()} records${difference ? `, ${difference} to the compared variant` : ''}${this.bandWords() ? `, ${this.bandWords()}` : ''}. Show the first`;
  });

  protected show(): void {
    const wish = this.counted().wish;
    if (wish) this.drawer.show(wish, `The draft in ${this.dialect().name}`);
  }

  protected retry(): void {
    this.counts.retry(this.dialect().id);
  }
}

function placeHeight(total: number): number {
  return BOTTOM - placeOnLogScale(total) * (BOTTOM - TOP);
}
