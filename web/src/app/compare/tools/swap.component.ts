import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  joinChanges,
  measureDistance,
  listSwapPlaces,
  readTypedAlternatives,
  type Alternative,
  type Question,
  type SwapPlace,
} from '#core/compare/index';
import type { Dialect } from '#core/dialect/index';
import { getTotal, type Counted } from '../../counting/count-state';
import { OpenProject } from '../../state/open-project';
import { CountComponent } from '../../ui/count.component';
import { formatDifference } from '../../ui/number-format';
import { CompareSubject } from '../compare-subject';
import { Alternatives } from '../parts/alternatives';
import { CountingBarComponent } from '../parts/counting-bar.component';
import { DatabaseChoiceComponent } from '../parts/database-choice.component';
import { readExact } from '../../counting/compare-counts';
import { DatabaseHeadingComponent } from '../../ui/database-heading.component';

/** One alternative with its counts. */
interface SwapRow {
  readonly alternative: Alternative;
  readonly cells: readonly {
    readonly id: string;
    readonly name: string;
    readonly counted: Counted | undefined;
    readonly difference: string;
    /** The database cannot say it: its count means something wider. */
    readonly isOther: boolean;
    /** What the alternative's string does to its meaning there, where that is not so of the whole as it stands. */
    readonly fidelity: string;
    /** Against the alternative above it: what a rung of a ladder gains. */
    readonly gained: string;
  }[];
}

/** Holds the rest and tries alternatives in one place, or in two at once. */
@Component({
  selector: 'app-swap',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CountComponent, CountingBarComponent, DatabaseChoiceComponent, DatabaseHeadingComponent],
  templateUrl: './swap.component.html',
  styleUrl: '../parts/tools.scss',
})
export class SwapComponent {
  protected readonly subject = inject(CompareSubject);
  private readonly open = inject(OpenProject);
  private readonly alternatives = inject(Alternatives);

  private readonly thisYear = new Date(this.open.now()).getUTCFullYear();
  protected readonly places = computed(() => listSwapPlaces(this.subject.project(), this.thisYear));
  private readonly chosen = signal<string | undefined>(undefined);
  private readonly chosenSecond = signal<string | undefined>(undefined);
  /** What was typed to be tried, a line each, by the place that it was typed for. */
  private readonly typed = signal<ReadonlyMap<string, string>>(new Map());

  protected readonly place = computed<SwapPlace | undefined>(
    () => this.places().find(({ key }) => key === this.chosen()) ?? this.places()[0],
  );
  protected readonly second = computed<SwapPlace | undefined>(() =>
    this.places().find(({ key }) => key === this.chosenSecond() && key !== this.place()?.key),
  );
  protected readonly lines = computed(() => this.typed().get(this.place()?.key ?? '') ?? '');

  private readonly tried = computed(() => {
    const place = this.place();
    if (!place) return [];
    const { typed } = this;
    return [...this.readTyped(place, typed().get(place.key) ?? ''), ...place.alternatives];
  });

  protected readonly rows = computed<SwapRow[]>(() => {
    const rows: SwapRow[] = [];
    for (const alternative of this.tried()) {
      const question = this.alternatives.ask(this.subject.project(), alternative.change);
      if (!question) continue;
      const above = rows.at(-1);
      rows.push({
        alternative,
        cells: this.subject.dialects().map((dialect, at) => {
          const { counted, whole, isOther } = this.look(question, dialect);
          const [now, then] = [isOther ? undefined : readExact(counted), readExact(whole)];
          const before = readExact(above?.cells[at]?.counted);
          return {
            id: dialect.id,
            name: dialect.name,
            counted,
            difference: isOther
              ? 'a part left out there'
              : now === undefined || then === undefined
                ? ''
                : formatDifference(now - then),
            isOther,
            fidelity: describeFidelity(counted, whole),
            gained: now === undefined || before === undefined ? '' : formatDifference(now - before),
          };
        }),
      });
    }
    return rows;
  });
  protected readonly isLadder = computed(() => this.tried().some(({ words }) => words.startsWith('within ')));
  protected readonly wholes = computed(() =>
    this.subject.dialects().map((dialect) => this.subject.lookWhole(dialect)),
  );

  /** Each alternative here with each one there, in the database shown. */
  protected readonly grid = computed(() => {
    const [place, second, dialect] = [this.place(), this.second(), this.subject.database()];
    if (!place || !second || !dialect) return undefined;
    return {
      columns: second.alternatives,
      rows: this.tried().map((row) => ({
        row,
        cells: second.alternatives.map((column) => {
          const change = joinChanges(row.change, column.change);
          const question: Question | undefined = this.alternatives.ask(this.subject.project(), change);
          return {
            change,
            words: `${row.words}, ${column.words}`,
            ...(question ? this.look(question, dialect) : { counted: undefined, isOther: false }),
          };
        }),
      })),
    };
  });
  protected readonly asked = computed(() => [
    ...this.wholes(),
    ...this.rows().flatMap(({ cells }) => cells.map(({ counted }) => counted)),
    ...(this.grid()?.rows.flatMap(({ cells }) => cells.map(({ counted }) => counted)) ?? []),
  ]);

  /** The alternative that brings all counts nearest to their bands; none while no band is set or a count is missing. */
  protected readonly best = computed(() => {
    const bands = this.subject.dialects().map(({ id }) => this.open.working().bands[id] ?? {});
    if (bands.every(({ from, to }) => from === undefined && to === undefined)) return undefined;
    const judged = this.rows().flatMap(({ alternative, cells }) => {
      const totals = cells.map(({ counted, isOther }) => (isOther ? undefined : getTotal(counted?.state)));
      if (totals.some((total) => total === undefined)) return [];
      const distance = totals.reduce<number>(
        (sum, total, at) => sum + measureDistance(total ?? 0, bands[at] ?? {}),
        0,
      );
      return [{ alternative, distance }];
    });
    return judged.sort((a, b) => a.distance - b.distance)[0]?.alternative;
  });

  protected takeBest(event: Event): void {
    const best = this.best();
    if (!best || !this.subject.isDraft()) return;
    event.preventDefault();
    this.take(best.change, best.words);
  }

  protected choose(key: string): void {
    this.chosen.set(key);
  }

  protected chooseSecond(key: string): void {
    this.chosenSecond.set(key);
  }

  protected type(text: string): void {
    const key = this.place()?.key;
    if (key !== undefined) this.typed.update((typed) => new Map(typed).set(key, text));
  }

  protected take(change: Alternative['change'], words: string): void {
    this.alternatives.take(change, words);
  }

  protected takeAndFreeze(change: Alternative['change'], words: string): void {
    this.alternatives.takeAndFreeze(change, words);
  }

  /** The count of an alternative, and whether it means something wider than the alternative says. */
  private look(question: Question, dialect: Dialect) {
    const counted = this.subject.look(question, dialect);
    const whole = this.subject.lookWhole(dialect);
    return { counted, whole, isOther: this.subject.isIncomparable(question.root, counted, whole) };
  }

  private readTyped(place: SwapPlace, text: string): Alternative[] {
    if (!place.takesTyped || text.trim() === '') return [];
    let turn = 0;
    // Only what is taken needs an id that nobody else has; the same text always gets the same one.
    return readTypedAlternatives(
      this.subject.project(),
      place,
      text.split('\n'),
      () => `typed-${place.key}-${turn++}`,
    );
  }
}

/** “wider there”, where what is written for the alternative drifts from its meaning and the whole as it stands does not so. */
function describeFidelity(counted: Counted | undefined, whole: Counted | undefined): string {
  const level = counted?.rendering.whole;
  return level === undefined || level === 'same' || level === whole?.rendering.whole ? '' : `${level} there`;
}
