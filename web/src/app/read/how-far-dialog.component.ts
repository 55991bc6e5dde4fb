import { ChangeDetectionStrategy, Component, type Signal, computed, inject } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { estimateGoodOnesLeft, type ReadSoFar } from '#core/reading/index';
import { ChartComponent, type ChartContent } from '../ui/chart.component';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { formatNumber } from '../ui/number-format';

/** How reading went, and what was judged of a sample of what was not read. */
export interface HowFar {
  readonly steps: readonly ReadSoFar[];
  /** The records of the list that were not read. */
  readonly unread: number;
  /** Their total is an estimate of the database's. */
  readonly isEstimated: boolean;
  /** What was judged of a random sample of them; nothing if none is drawn. */
  readonly sample: ReadSoFar | undefined;
  /** The database gives numbers of records, so a sample can be drawn. */
  readonly canDraw: boolean;
}

/** So many points of the curve are drawn. */
const POINTS = 20;
/** So many records are a stretch: what was found in the last one shows whether reading still pays. */
const STRETCH = 20;

/** The curve of good ones found against records read, and how many are probably left. Where to stop, the person says. */
@Component({
  selector: 'app-how-far-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChartComponent, DIALOG_PARTS],
  template: `
    <h2 mat-dialog-title>How far to read</h2>
    <mat-dialog-content>
      @if (last().read === 0) {
        <p>
          Judge the list from its top, record by record. Here you see how many records on topic you find, and
          how many are probably left.
        </p>
      } @else {
        <p data-testid="read">
          You read the first <b>{{ format(last().read) }}</b>: <b>{{ format(last().good) }}</b> on topic{{
            last().unsure > 0 ? ', ' + format(last().unsure) + ' not sure' : ''
          }}.
          @if (recent(); as one) {
            Of the last {{ format(one.read) }}, {{ format(one.good) }} are on topic.
          }
        </p>
        <app-chart [content]="curve()" />
        @if (left(); as one) {
          <p data-testid="left">
            Of the {{ format(howFar().unread) }} records behind them, {{ format(howFar().sample!.read) }} were
            drawn at random and judged. So about <b>{{ format(one.middle) }}</b> more are on topic ({{
              format(one.least)
            }}
            to {{ format(one.greatest) }}, 95 %).
          </p>
        } @else if (howFar().unread === 0) {
          <p>You read the whole list.</p>
        } @else if (howFar().isEstimated) {
          <p>The database only estimates how many records there are, so nothing is said of those left.</p>
        } @else if (howFar().sample) {
          <p>Judge the sample in its order to learn how many of the others are on topic.</p>
        } @else if (howFar().canDraw) {
          <p>
            How many of the other {{ format(howFar().unread) }} are on topic, only a random sample of them can
            tell.
          </p>
        } @else {
          <p>This database gives no numbers of records, so no sample of the others can be drawn.</p>
        }
      }
    </mat-dialog-content>
    <mat-dialog-actions>
      @if (
        last().read > 0 &&
        howFar().canDraw &&
        !howFar().sample &&
        howFar().unread > 0 &&
        !howFar().isEstimated
      ) {
        <button mat-flat-button type="button" (click)="ref.close(last().read)">
          Draw a sample of the others
        </button>
      }
      <button mat-button type="button" mat-dialog-close>Close</button>
    </mat-dialog-actions>
  `,
})
export class HowFarDialogComponent {
  /** As it stands: records of the sample may still be on their way. */
  protected readonly howFar = inject<Signal<HowFar>>(MAT_DIALOG_DATA);
  protected readonly ref = inject<MatDialogRef<HowFarDialogComponent, number>>(MatDialogRef);
  protected readonly format = formatNumber;
  protected readonly last = computed(() => this.howFar().steps.at(-1)!);
  /** The last stretch that was read; nothing before there is more than one. */
  protected readonly recent = computed(() => {
    const from = this.howFar().steps.at(-1 - STRETCH);
    return from && from.read > 0 ? { read: STRETCH, good: this.last().good - from.good } : undefined;
  });
  protected readonly left = computed(() => {
    const { sample, unread, isEstimated } = this.howFar();
    return sample && !isEstimated ? estimateGoodOnesLeft(unread, sample) : undefined;
  });
  protected readonly curve = computed<ChartContent>(() => {
    const step = Math.max(1, Math.ceil(this.last().read / POINTS));
    const points = this.howFar().steps.filter(({ read }) => read % step === 0 || read === this.last().read);
    return {
      kind: 'line',
      title: 'Records on topic, by records read',
      places: points.map(({ read }) => String(read)),
      series: [{ name: 'on topic', values: points.map(({ good }) => good), colours: ['--glaze'] }],
      isLog: false,
    };
  });
}
