import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Limiters } from '#core/limiter/index';
import { listYearSpans, summariseYears } from '#core/compare/index';
import { findObstacle, getAmount, getExact, getLeast } from '#core/count/index';
import type { Counted } from '../../../counting/count-state';
import { readCount } from '../../../counting/read-count';
import { formatAmount } from '../../../ui/number-format';
import { OpenProject } from '../../../state/open-project';
import { ChartComponent, type ChartContent } from '../../../ui/chart.component';
import { CompareSubject } from '../../../comparing/compare-subject';
import { COUNT_TABLE, type CountCell } from '../../../comparing/count-table.component';
import { WiderNoteComponent } from '../../parts/wider-note.component';
import { CountingBarComponent } from '../../../comparing/counting-bar.component';
import { DatabaseChoiceComponent } from '../../parts/database-choice.component';
import { SayPipe } from '../../../words/say.pipe';
import { say } from '../../../words/say';

/** When the records that a state finds were published, counted span by span in each database. */
@Component({
  selector: 'app-years',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    ChartComponent,
    COUNT_TABLE,
    CountingBarComponent,
    DatabaseChoiceComponent,
    WiderNoteComponent,
  ],
  templateUrl: './years.component.html',
  styleUrl: '../../../comparing/tools.scss',
})
export class YearsComponent {
  protected readonly subject = inject(CompareSubject);
  private readonly thisYear = new Date(inject(OpenProject).now()).getUTCFullYear();

  private readonly spans = computed(() => listYearSpans(this.subject.state().limiters, this.thisYear));
  protected readonly rows = computed(() => {
    const root = this.subject.root();
    const { limiters } = this.subject.state();
    return this.spans().map((span) => {
      const { from, to } = span;
      const years = { ...(from !== undefined && { from }), ...(to !== undefined && { to }) };
      const within: Limiters = { ...limiters, years };
      return {
        key: span.words,
        span,
        cells: this.subject.dialects().map((dialect): CountCell => {
          const label = say('shared.in', { name: span.words, database: dialect.name });
          const counted = this.subject.look({ root, limiters: within }, dialect);
          if (!isLimited(counted))
            return { dialect, label, counted: undefined, remark: say('compare.noYearsHere') };
          const obstacle = findObstacle(readCount(counted), readCount(this.subject.lookWhole(dialect)));
          return obstacle === 'other-fields'
            ? { dialect, label, counted: undefined, remark: say('shared.inOtherFields') }
            : { dialect, label, counted };
        }),
      };
    });
  });
  protected readonly asked = computed<(Counted | undefined)[]>(() => [
    ...this.subject.dialects().map((dialect) => this.subject.lookWhole(dialect)),
    ...this.rows().flatMap(({ cells }) => cells.map(({ counted }) => counted)),
  ]);
  /** The counts of the database shown, span by span. */
  private readonly shown = computed(() => {
    const database = this.subject.database();
    return this.rows().map(({ cells }) => cells.find(({ dialect }) => dialect === database)?.counted);
  });
  protected readonly summary = computed(() => {
    const database = this.subject.database();
    const whole = database && readExact(this.subject.lookWhole(database));
    const counts = this.shown().map(readExact);
    if (whole === undefined || !counts.every((count) => count !== undefined)) return undefined;
    const summary = summariseYears(this.spans(), counts, whole);
    const words = summary?.most?.spans.map((span) => span.words) ?? [];
    return summary && { ...summary, mostWords: joinWords(words), isTie: words.length > 1 };
  });
  protected readonly chart = computed<ChartContent>(() => ({
    kind: 'bar',
    title: say('compare.recordsByYearOfPublicationName', { name: this.subject.database()?.name ?? '' }),
    places: this.spans().map(({ words }) => words),
    series: [
      {
        name: say('shared.records'),
        values: this.shown().map((counted) => {
          const amount = getAmount(readCount(counted));
          return amount && getLeast(amount);
        }),
        words: this.shown().map((counted) => {
          const amount = getAmount(readCount(counted));
          return amount && formatAmount(amount);
        }),
        colours: ['--glaze-fill'],
      },
    ],
    isLog: false,
  }));
}

/** `a`, `a and b`, `a, b and c`. */
function joinWords(words: readonly string[]): string {
  return new Intl.ListFormat('en-GB', { type: 'conjunction' }).format(words);
}

/** False where the years have to be set by hand, or cannot be set: then the count is not of these years. */
function isLimited(counted: Counted | undefined): boolean {
  return counted?.rendering.steps.every(({ limiter, how }) => limiter !== 'years' || how === 'box') !== false;
}

/** A number that is exactly known; the count of something wider says nothing of when its records appeared. */
function readExact(counted: Counted | undefined): number | undefined {
  const count = readCount(counted);
  return count.status === 'known' && !count.basis.omitted ? getExact(count.amount) : undefined;
}
