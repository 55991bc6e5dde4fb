import { ChangeDetectionStrategy, Component, type Signal, computed, inject } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { estimateGoodOnesLeft, type ReadSoFar } from '#core/reading/index';
import { ChartComponent, type ChartContent } from '../ui/chart.component';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { formatNumber } from '../ui/number-format';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

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
  imports: [SayPipe, ChartComponent, DIALOG_PARTS],
  template: `
    <h2 mat-dialog-title>{{ 'read.howFarToRead' | say }}</h2>
    <mat-dialog-content>
      @if (last().read === 0) {
        <p>
          {{ 'read.judgeTheList' | say }}
        </p>
      } @else {
        <p data-testid="read">
          {{ 'read.youReadTheFirst' | say }} <b>{{ format(last().read) }}</b>:
          <b>{{ format(last().good) }}</b>
          {{
            'read.onTopic'
              | say
                : { value: last().unsure > 0 ? ('read.notSure' | say: { count: format(last().unsure) }) : '' }
          }}
          @if (recent(); as one) {
            {{ 'read.ofTheLast' | say: { read: format(one.read), good: format(one.good) } }}
          }
        </p>
        <app-chart [content]="curve()" />
        @if (left(); as one) {
          <p data-testid="left">
            {{
              'read.ofTheRecordsBehindThem'
                | say: { behind: format(howFar().unread), drawn: format(howFar().sample!.read) }
            }}
            <b>{{ format(one.middle) }}</b>
            {{ 'read.moreAreOnTopic' | say: { least: format(one.least), most: format(one.greatest) } }}
          </p>
        } @else if (howFar().unread === 0) {
          <p>{{ 'read.youReadTheWholeList' | say }}</p>
        } @else if (howFar().isEstimated) {
          <p>{{ 'read.theDatabaseOnlyEstimatesHow' | say }}</p>
        } @else if (howFar().sample) {
          <p>{{ 'read.judgeTheSample' | say }}</p>
        } @else if (howFar().canDraw) {
          <p>
            {{ 'read.howManyOfTheOther' | say: { count: format(howFar().unread) } }}
          </p>
        } @else {
          <p>{{ 'read.thisDatabaseGivesNoNumbers' | say }}</p>
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
          {{ 'read.drawASampleOfTheOthers' | say }}
        </button>
      }
      <button mat-button type="button" mat-dialog-close>{{ 'shared.close' | say }}</button>
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
      title: say('read.recordsOnTopicByRecords'),
      places: points.map(({ read }) => String(read)),
      series: [{ name: say('shared.onTopic'), values: points.map(({ good }) => good), colours: ['--glaze'] }],
      isLog: false,
    };
  });
}
