import { MatTooltip } from '@angular/material/tooltip';
import { MatButton } from '@angular/material/button';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import type { Dialect } from '#core/dialect/index';
import { describeProblem, describeRemedy } from '#core/problem/index';
import type { Purpose } from '#core/project/index';
import { getLeast, type Amount, type Band } from '#core/count/index';
import { getAmount, type Counted } from '../counting/count-state';
import { AskedCounts } from '../counting/asked-counts';
import { formatAmount, placeOnLogScale } from '../ui/number-format';
import { describeStanding } from './band-standing';
import { compareCounts } from '#core/count/index';
import { shortenName } from '#core/text/index';
import { describeBasis, describeComparison } from '../counting/describe-count';
import { readCount } from '../counting/read-count';
import { RecordDrawer } from '../records/record-drawer';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

const TOP = 8;
const BOTTOM = 58;
const NO_BAND: Band = {};

/** The slim vessel that shows a count on a log scale against its target band and the compared variant. */
@Component({
  selector: 'app-gauge',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatButton, MatTooltip],
  templateUrl: './gauge.component.html',
  styleUrl: './gauge.component.scss',
  host: { '[class.waiting]': "status() === 'waiting'", '[class.failed]': "status() === 'failed'" },
})
export class GaugeComponent {
  private readonly drawer = inject(RecordDrawer);
  private readonly asked = inject(AskedCounts);

  readonly dialect = input.required<Dialect>();
  readonly counted = input.required<Counted>();
  readonly compared = input<Counted>();
  readonly band = input<Band>(NO_BAND);
  readonly purpose = input<Purpose>('review');
  readonly bandAsked = output();

  protected readonly ticks = [1, 10, 100, 1_000, 10_000].map(placeHeight);
  protected readonly short = computed(() => shortenName(this.dialect()));
  protected readonly status = computed(() => this.counted().state.status);
  /** While a count is on its way the old one stays; a gauge belongs to one database for as long as it lives. */
  private readonly last = linkedSignal<Counted, Amount | undefined>({
    source: this.counted,
    computation: ({ state }, previous) => (state.status === 'waiting' ? previous?.value : getAmount(state)),
  });
  protected readonly number = computed(() => {
    const last = this.last();
    return last ? formatAmount(last) : '…';
  });
  protected readonly isEmpty = computed(() => this.status() === 'empty');
  /** Only a service can be asked again; what cannot be written stays so until it is changed. */
  protected readonly canRetry = computed(() => this.counted().countKey !== undefined);
  protected readonly level = computed(() => placeAmount(this.last()));
  protected readonly fillHeight = computed(() => BOTTOM + 4 - this.level());
  private readonly comparison = computed(() =>
    compareCounts(readCount(this.counted()), readCount(this.compared())),
  );
  /** Where the variant compared with stood: only beside a count that it can be set beside. */
  protected readonly mark = computed(() => {
    const amount = getAmount(this.compared()?.state);
    const compared = this.comparison();
    const isBeside =
      compared.kind === 'difference'
        ? !compared.isAcrossLimiters
        : ['pending', 'estimated', 'bounds'].includes(compared.why);
    return amount && isBeside ? placeAmount(amount) : undefined;
  });
  protected readonly bandArea = computed(() => {
    const { from, to } = this.band();
    if (from === undefined && to === undefined) return undefined;
    const top = to === undefined ? TOP : placeHeight(to);
    return { top, height: Math.max(2, (from === undefined ? BOTTOM : placeHeight(from)) - top) };
  });
  protected readonly difference = computed(() =>
    this.compared() && this.status() === 'counted' ? describeComparison(this.comparison()) : '',
  );
  /** What the count is not quite: a part left out, the full text in place of fields, a limiter that is missing. */
  protected readonly basis = computed(() =>
    this.status() === 'counted' ? describeBasis(this.counted()).join(', ') : '',
  );
  protected readonly standing = computed(() => {
    const { state, rendering } = this.counted();
    if (state.status !== 'counted') return { words: '', isGood: true };
    if (rendering.omitted) return { words: say('shared.aPartLeftOut'), isGood: false };
    return describeStanding(state.amount, this.band(), this.purpose());
  });
  protected readonly bandWords = computed(() => this.standing().words);
  protected readonly failure = computed(() => {
    const state = this.counted().state;
    return state.status === 'failed'
      ? { says: describeProblem(state.problem), remedy: describeRemedy(state.problem) }
      : undefined;
  });
  protected readonly spoken = computed(() => {
    const failure = this.failure();
    if (failure) return say('shell.noCount', { name: this.dialect().name, says: failure.says });
    if (this.isEmpty()) return say('shell.nothingToCountYetName', { name: this.dialect().name });
    if (this.status() === 'waiting') return say('shell.counting', { name: this.dialect().name });
    const difference = this.difference();
    return say('shell.recordsShowTheFirst', {
      name: this.dialect().name,
      count: this.number(),
      difference: difference ? say('shell.toTheComparedVariant', { difference }) : '',
      band: this.bandWords() ? `, ${this.bandWords()}` : '',
      basis: this.basis() ? `, ${this.basis()}` : '',
    });
  });

  protected show(): void {
    const { countKey, state } = this.counted();
    if (countKey)
      this.drawer.show(countKey, say('shared.theDraftIn', { name: this.dialect().name }), getAmount(state));
  }

  protected retry(): void {
    this.asked.retry(this.dialect().id);
  }
}

function placeAmount(amount: Amount | undefined): number {
  return placeHeight(amount ? getLeast(amount) : 0);
}

function placeHeight(total: number): number {
  return BOTTOM - placeOnLogScale(total) * (BOTTOM - TOP);
}
