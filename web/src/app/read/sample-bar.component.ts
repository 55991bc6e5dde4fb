import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { boundGoodOnes, estimatePrecision } from '#core/compare/index';
import { countJudgedInOrder } from '#core/reading/index';
import { formatNumber } from '../ui/number-format';
import { ReadRecords } from './read-records';
import { ReadSubject } from './read-subject';
import { SayPipe } from '../words/say.pipe';

/** What a random sample says of the whole set; from the top of a list nothing is said. */
@Component({
  selector: 'app-sample-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatButton],
  template: `
    @if (estimate(); as one) {
      <p aria-live="polite" data-testid="sample">
        <span
          ><b>{{ 'read.randomSample' | say }}</b>
          {{ 'read.ofJudged' | say: { judged: one.judged, drawn: one.drawn } }}</span
        >
        @if (one.later > 0) {
          <span class="quiet">{{ 'read.moreBehindTheFirstWithout' | say: { later: one.later } }}</span>
        }
        @if (one.precision; as precision) {
          <span
            >{{ 'read.precision' | say }} <b>{{ precision.middle }} %</b>
            {{ 'read.toLow' | say: { low: precision.low, high: precision.high } }}</span
          >
          @if (precision.toRead) {
            <span
              >{{ 'read.oneGoodIn' | say }} <b>{{ precision.toRead }}</b></span
            >
          }
          <span
            >{{ 'read.about' | say }} <b>{{ precision.goodOnes }}</b>
            {{
              'read.goodOnesInTheseTo'
                | say: { count: one.size, least: precision.least, greatest: precision.greatest }
            }}</span
          >
          @if (one.unsure > 0) {
            <span class="quiet">{{ 'read.notSureTheyWiden' | say: { unsure: one.unsure } }}</span>
          }
        } @else {
          <span class="quiet">{{ 'read.judgeTheRecordsWithY' | say }}</span>
        }
        @if (one.canDrawMore) {
          <button mat-button type="button" (click)="moreAsked.emit()">{{ 'shared.drawMore' | say }}</button>
        }
        @if (isBehind()) {
          <button mat-button type="button" (click)="howFarAsked.emit()">
            {{ 'read.howFarToRead' | say }}
          </button>
        }
      </p>
    } @else {
      <p>
        @if (isWhole() && read(); as one) {
          <span
            >{{ 'read.readFromTheTop' | say: { read: one.read } }} <b>{{ one.good }}</b>
            {{ 'shared.onTopic' | say }}</span
          >
        }
        @if (isWhole()) {
          <button mat-button type="button" (click)="howFarAsked.emit()">
            {{ 'read.howFarToRead' | say }}
          </button>
        }
        <span class="quiet">{{ 'read.precisionIsEstimatedFromRandom' | say }}</span>
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 2px 14px;
    }
    :host {
      display: block;
      padding-top: 6px;
      border-top: 1px solid var(--rule);
    }
  `,
})
export class SampleBarComponent {
  private readonly records = inject(ReadRecords);
  private readonly subject = inject(ReadSubject);
  readonly moreAsked = output();
  readonly howFarAsked = output();

  /** The sample is of what comes behind the records that were read. */
  protected readonly isBehind = computed(() => this.subject.behind() !== undefined);
  /** The list is here as a whole: one of what was judged, or was not, says nothing of how far to read. */
  protected readonly isWhole = computed(
    () =>
      this.subject.judged().length === 0 &&
      this.subject.sample() === undefined &&
      this.records.total() !== undefined,
  );
  protected readonly read = computed(() => {
    const last = this.records.readSoFar().at(-1)!;
    return last.read > 0 ? last : undefined;
  });

  protected readonly estimate = computed(() => {
    const size = this.records.sampledFrom();
    const verdicts = this.records.sampled();
    if (this.subject.sample() === undefined || size === undefined || !verdicts) return undefined;
    // Only what was judged in the order of drawing is a random sample, too: the easy ones first would not be.
    const { read: judged, good, unsure } = countJudgedInOrder(verdicts);
    const part = { size, good, bad: judged - good - unsure, unsure };
    return {
      size: formatNumber(size),
      drawn: verdicts.length,
      judged,
      later: verdicts.slice(judged).filter((verdict) => verdict !== undefined).length,
      unsure,
      canDrawMore: verdicts.length < size,
      precision: describePrecision(part, judged),
    };
  });
}

function describePrecision(
  part: Parameters<typeof estimatePrecision>[0],
  judged: number,
):
  | {
      readonly middle: number;
      readonly low: number;
      readonly high: number;
      readonly toRead: string;
      readonly goodOnes: string;
      readonly least: string;
      readonly greatest: string;
    }
  | undefined {
  const share = estimatePrecision(part);
  if (!share) return undefined;
  const percent = (value: number): number => Math.round(100 * value);
  return {
    middle: percent(share.middle),
    low: percent(share.low),
    high: percent(share.high),
    toRead: share.middle > 0 ? (1 / share.middle).toFixed(1) : '',
    goodOnes: formatNumber(Math.round(share.middle * part.size)),
    least: formatNumber(boundGoodOnes(part.size, judged, part.good).least),
    greatest: formatNumber(boundGoodOnes(part.size, judged, part.good + part.unsure).greatest),
  };
}
