import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { listSteps, type LimitedQuery } from '#core/compare/index';
import type { Dialect } from '#core/dialect/index';
import { build } from '#core/query/index';
import { findObstacle, getAmount, getLeast, subtractExactly } from '#core/count/index';
import type { Counted } from '../../../counting/count-state';
import { describeLimiterGap } from '../../../counting/describe-count';
import { readCount } from '../../../counting/read-count';
import { OpenProject } from '../../../state/open-project';
import { ChartComponent, type ChartContent } from '../../../ui/chart.component';
import { CountComponent } from '../../../records/count.component';
import { IconComponent } from '../../../ui/icon.component';
import { formatAmount, formatDifference } from '../../../ui/number-format';
import { RecordDrawer } from '../../../records/record-drawer';
import { CompareSubject } from '../../../comparing/compare-subject';
import { COUNT_TABLE, type CountCell } from '../../../comparing/count-table.component';
import { KeptChoices } from '../../kept-choices';
import { CountingBarComponent } from '../../../comparing/counting-bar.component';
import { RecordSets } from '../../../comparing/record-sets';
import { DatabaseChoiceComponent } from '../../parts/database-choice.component';
import { findHue, findHueRole } from '../../parts/describe';
import { SayPipe } from '../../../words/say.pipe';
import { say } from '../../../words/say';

const SIGNS = { and: 'AND', not: 'NOT', field: '', limiter: '' } as const;

/** The count after each AND, NOT, field and limiter in their order, and what each costs by itself. */
@Component({
  selector: 'app-staircase',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    COUNT_TABLE,
    ChartComponent,
    CountComponent,
    CountingBarComponent,
    DatabaseChoiceComponent,
    IconComponent,
    MatButton,
  ],
  templateUrl: './staircase.component.html',
  styleUrl: '../../../comparing/tools.scss',
})
export class StaircaseComponent {
  protected readonly subject = inject(CompareSubject);
  private readonly open = inject(OpenProject);
  private readonly sets = inject(RecordSets);
  private readonly drawer = inject(RecordDrawer);
  private readonly choices = inject(KeptChoices);

  private readonly steps = computed(() =>
    listSteps(this.subject.state(), this.subject.state().limiters, this.choices.stepOrder()),
  );
  protected readonly rows = computed(() => {
    const dialects = this.subject.dialects();
    const steps = this.steps();
    const rows = steps.map((step, at) => {
      const before = steps[at - 1];
      const thrown =
        before && step.kind !== 'limiter'
          ? { root: build.not(before.after.root, step.after.root), limiters: before.after.limiters }
          : undefined;
      const cells = dialects.map((dialect) => this.lookStep(step, before?.after, dialect));
      const { database } = this.subject;
      const shown = database();
      const without = step.without && shown ? this.subject.look(step.without, shown) : undefined;
      return {
        ...step,
        sign: at === 0 ? '' : SIGNS[step.kind],
        hue: findHue(this.subject.state().concepts, step.block),
        cells,
        thrown:
          thrown && shown && before ? this.lookThrown(thrown, before.after, step.after, shown) : undefined,
        limited:
          step.kind === 'limiter' && before && shown
            ? subtractExactly(
                readCount(this.subject.look(before.after, shown)),
                readCount(this.subject.look(step.after, shown)),
              )
            : undefined,
        before: before?.after,
        asked: shown
          ? [thrown, step.without].flatMap((question) =>
              question ? [this.subject.look(question, shown)] : [],
            )
          : [],
        without,
        cost: this.findCost(step.without),
      };
    });
    const dearest = findDearest(rows);
    return rows.map((row) => ({ ...row, isMarked: row === dearest }));
  });
  protected readonly asked = computed<(Counted | undefined)[]>(() =>
    this.rows().flatMap(({ cells, asked }) => [...cells.map(({ counted }) => counted), ...asked]),
  );
  /** The step that costs most when it alone is left out. */
  protected readonly dearest = computed(() => this.rows().find(({ isMarked }) => isMarked));
  protected readonly chart = computed<ChartContent>(() => {
    const rows = this.rows();
    const shown = this.subject.database();
    const band = shown && this.open.working().bands[shown.id];
    const amounts = rows.map(({ cells }) => {
      const count = readCount(cells.find(({ dialect }) => dialect === shown)?.counted);
      // Steps of something else would stand beside steps of the query.
      return count.status === 'known' && !count.basis.omitted ? getAmount(count) : undefined;
    });
    return {
      kind: 'bar',
      title: say('compare.recordsAfterEachStepInThisOrder', { name: shown?.name ?? '' }),
      places: rows.map(({ sign, words }) => cut(`${sign} ${words}`.trim())),
      series: [
        {
          name: say('shared.records'),
          values: amounts.map((amount) => amount && getLeast(amount)),
          words: amounts.map((amount) => amount && formatAmount(amount)),
          colours: rows.map(({ block, kind }) =>
            kind === 'and'
              ? findHueRole(this.subject.state().concepts, block)
              : kind === 'not'
                ? '--hue-g'
                : '--glaze-fill',
          ),
        },
      ],
      isLog: true,
      ...(band && { band }),
    };
  });

  /** Shows the records that a limiter lets no more through, where the database gives records. */
  protected async readLimited(row: {
    readonly words: string;
    readonly before: LimitedQuery | undefined;
    readonly after: LimitedQuery;
  }): Promise<void> {
    const shown = this.subject.database();
    if (!shown || !row.before || !(await this.sets.gives(shown))) return;
    const [before, after] = [await this.sets.list(row.before, shown), await this.sets.list(row.after, shown)];
    const countKey = this.subject.look(row.before, shown)?.countKey;
    if (!before.ok || !after.ok || !countKey) return;
    const kept = new Set(after.value.numbers);
    const gone = before.value.numbers.filter((number) => !kept.has(number));
    this.drawer.showNumbers(countKey, say('compare.thrownAwayBy', { words: row.words }), gone.length, gone);
  }

  protected move(key: string, by: number): void {
    const keys = this.steps().map((step) => step.key);
    const at = keys.indexOf(key);
    const to = Math.max(0, Math.min(keys.length - 1, at + by));
    this.choices.choose({ stepOrder: keys.toSpliced(at, 1).toSpliced(to, 0, key) });
  }

  protected reset(): void {
    this.choices.choose({ stepOrder: [] });
  }

  protected readonly isReordered = computed(() => this.choices.stepOrder().length > 0);

  /** What stands after a step, and what the step did. */
  private lookStep(
    { after, words }: { readonly after: LimitedQuery; readonly words: string },
    before: LimitedQuery | undefined,
    dialect: Dialect,
  ): CountCell {
    const counted = this.subject.look(after, dialect);
    const then = before && this.subject.look(before, dialect);
    const note = then ? describeLimiterGap(readCount(counted), readCount(then)) : '';
    return { dialect, counted, label: say('compare.afterIn', { words, name: dialect.name }), note };
  }

  /** What a step threw away, where the database can say it in the same fields and with nothing left out. */
  private lookThrown(
    thrown: LimitedQuery,
    before: LimitedQuery,
    after: LimitedQuery,
    shown: Dialect,
  ): Counted | undefined {
    const [then, now] = [before, after].map((question) => readCount(this.subject.look(question, shown)));
    const counted = this.subject.look(thrown, shown);
    const read = readCount(counted);
    const isBeside = (one = read, other = read): boolean => {
      const why = findObstacle(one, other);
      return why === undefined || why === 'pending';
    };
    return isBeside(then, now) && isBeside(read, then) ? counted : undefined;
  }

  private findCost(without: LimitedQuery | undefined): number | undefined {
    const shown = this.subject.database();
    if (!shown || !without) return undefined;
    return subtractExactly(
      readCount(this.subject.look(without, shown)),
      readCount(this.subject.lookWhole(shown)),
    );
  }

  protected readonly formatDifference = formatDifference;
}

function findDearest<Row extends { readonly cost: number | undefined }>(
  rows: readonly Row[],
): Row | undefined {
  const [first] = rows
    .filter(({ cost }) => cost !== undefined && cost > 0)
    .sort((a, b) => (b.cost ?? 0) - (a.cost ?? 0));
  return first;
}

function cut(words: string): string {
  return words.length > 26 ? `${words.slice(0, 25)}…` : words;
}
