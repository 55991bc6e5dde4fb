import { TextFieldComponent } from '../../../ui/text-field.component';
import { TableActionsComponent } from '../../../comparing/table-actions.component';
import type { TableCells } from '../../../ui/table-file';
import { SELECT_PARTS } from '../../../ui/field-parts';
import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  joinChanges,
  listSwapPlaces,
  readTypedAlternatives,
  type Alternative,
  type LimitedQuery,
  type SwapPlace,
} from '#core/compare/index';
import { compareCounts, measureDistance, wantSomething } from '#core/count/index';
import type { Counted } from '../../../counting/count-state';
import { describeCell, describeLimiterGap } from '../../../counting/describe-count';
import { readCount } from '../../../counting/read-count';
import { OpenProject } from '../../../state/open-project';
import { CountComponent } from '../../../records/count.component';
import { CompareSubject } from '../../../comparing/compare-subject';
import { COUNT_TABLE, type CountCell } from '../../../comparing/count-table.component';
import { Alternatives } from '../../../comparing/alternatives';
import { CountingBarComponent } from '../../../comparing/counting-bar.component';
import { DatabaseChoiceComponent } from '../../parts/database-choice.component';
import { SayPipe } from '../../../words/say.pipe';
import { say } from '../../../words/say';

/** Stands for the draft as it is among the alternatives. */
const AS_IT_IS = 'as-it-is';
/** What is typed is tried when no key was pressed for so long, in ms. */
const TYPING_DELAY = 500;

/** One alternative with its counts. */
interface SwapRow {
  readonly alternative: Alternative;
  readonly cells: readonly CountCell[];
}

/** Holds the rest and tries alternatives in one place, or in two at once. */
@Component({
  selector: 'app-swap',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    COUNT_TABLE,
    CountComponent,
    CountingBarComponent,
    DatabaseChoiceComponent,
    MatButton,
    SELECT_PARTS,
    TableActionsComponent,
    TextFieldComponent,
  ],
  templateUrl: './swap.component.html',
  styleUrl: '../../../comparing/tools.scss',
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
  private resting: ReturnType<typeof setTimeout> | undefined;

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
    const isLadder = this.tried().some(({ words }) => words.startsWith('within '));
    for (const alternative of this.tried()) {
      const question = this.alternatives.ask(this.subject.project(), alternative.change);
      if (!question) continue;
      const above = rows.at(-1);
      rows.push({
        alternative,
        cells: this.subject.dialects().map((dialect, at) => {
          const counted = this.subject.look(question, dialect);
          const whole = this.subject.lookWhole(dialect);
          const before = above?.cells[at]?.counted;
          const gained = before && isLadder ? describeStep(counted, before) : '';
          return {
            dialect,
            counted,
            label: say('shared.in', { name: alternative.words, database: dialect.name }),
            note: [
              describeLimiterGap(readCount(counted), readCount(whole)),
              gained && say('compare.onTheStepBefore', { gained }),
            ]
              .filter(Boolean)
              .join(' · '),
            warning: describeFidelity(counted, whole),
          };
        }),
      });
    }
    return rows;
  });
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
          const question: LimitedQuery | undefined = this.alternatives.ask(this.subject.project(), change);
          return {
            change,
            words: `${row.words}, ${column.words}`,
            counted: question && this.subject.look(question, dialect),
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

  /**
   * What brings all counts nearest to their bands, as it is among them; an alternative only if it is nearer. None
   * while no band is set or a count is missing, or is of something else than is asked.
   */
  protected readonly best = computed(() => {
    const bands = this.subject.dialects().map(({ id }) => this.open.working().bands[id] ?? {});
    if (bands.every(({ from, to }) => from === undefined && to === undefined)) return undefined;
    const measure = (cells: readonly (Counted | undefined)[]): number | undefined => {
      let sum = 0;
      for (const [at, counted] of cells.entries()) {
        const count = readCount(counted);
        if (count.status !== 'known' || count.basis.omitted) return undefined;
        sum += measureDistance(count.amount, wantSomething(bands[at] ?? {}));
      }
      return sum;
    };
    const now = measure(this.wholes());
    const judged = this.rows().flatMap(({ alternative, cells }) => {
      const distance = measure(cells.map(({ counted }) => counted));
      return distance === undefined ? [] : [{ alternative, distance }];
    });
    const [best] = judged.sort((a, b) => a.distance - b.distance);
    if (now !== undefined && now <= (best?.distance ?? Infinity)) return AS_IT_IS;
    return best?.alternative;
  });
  /** The draft as it is, then the alternatives. */
  protected readonly lined = computed(() => {
    const best = this.best();
    const asItIs = {
      key: AS_IT_IS,
      alternative: undefined,
      isMarked: true,
      isBest: best === AS_IT_IS,
      cells: this.subject.dialects().map((dialect, at): CountCell => ({
        dialect,
        counted: this.wholes()[at],
        label: say('compare.asItIsIn', { name: dialect.name }),
      })),
    };
    const rows = this.rows().map(({ alternative, cells }) => ({
      key: alternative.key,
      alternative,
      isMarked: false,
      isBest: alternative === best,
      cells,
    }));
    return [asItIs, ...rows];
  });

  /** The table as it stands on the screen: of one place in each database, or of two in one. */
  protected readonly cells = computed<TableCells>(() => {
    const grid = this.grid();
    if (grid)
      return [
        [this.subject.database()?.name ?? '', ...grid.columns.map(({ words }) => words)],
        ...grid.rows.map(({ row, cells }) => [
          row.words,
          ...cells.map(({ counted }) => describeCell(counted)),
        ]),
      ];
    return [
      [this.place()?.words ?? '', ...this.subject.dialects().map(({ name }) => name)],
      ...this.lined().map(({ alternative, cells }) => [
        alternative?.words ?? say('shared.asItIs'),
        ...cells.map(({ counted }) => describeCell(counted)),
      ]),
    ];
  });

  protected takeBest(event: Event): void {
    const best = this.best();
    if (!best || best === AS_IT_IS || !this.subject.isDraft()) return;
    event.preventDefault();
    this.take(best.change, best.words);
  }

  protected choose(key: string): void {
    this.chosen.set(key);
  }

  protected chooseSecond(key: string): void {
    this.chosenSecond.set(key);
  }

  /** What is typed is tried when typing rests. */
  protected rest(text: string): void {
    clearTimeout(this.resting);
    const key = this.place()?.key;
    this.resting = setTimeout(() => this.keepTyped(key, text), TYPING_DELAY);
  }

  protected type(text: string): void {
    clearTimeout(this.resting);
    this.keepTyped(this.place()?.key, text);
  }

  protected take(change: Alternative['change'], words: string): void {
    this.alternatives.take(change, words);
  }

  protected takeAndFreeze(change: Alternative['change'], words: string): void {
    this.alternatives.takeAndFreeze(change, words);
  }

  private keepTyped(key: string | undefined, text: string): void {
    if (key !== undefined) this.typed.update((typed) => new Map(typed).set(key, text));
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

/** “wider there”: what the alternative's string does to its meaning, where that is not so of the whole as it is. */
function describeFidelity(counted: Counted | undefined, whole: Counted | undefined): string {
  const level = counted?.rendering.whole;
  return level === undefined || level === 'same' || level === whole?.rendering.whole
    ? ''
    : say('compare.there', { level });
}

/** What a rung of a ladder gains over the one before; nothing where that cannot be told. */
function describeStep(now: Counted | undefined, before: Counted): string {
  const [count, then] = [readCount(now), readCount(before)];
  return compareCounts(count, then).kind === 'difference' ? describeLimiterGap(count, then) : '';
}
