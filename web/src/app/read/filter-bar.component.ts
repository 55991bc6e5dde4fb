import {
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatSlider, MatSliderRangeThumb } from '@angular/material/slider';
import { FACETS, type FacetName, type Facets, type SearchFilter } from '#core/contract/index';
import { FACET_ROWS, describeFilter, listYears, nameFacetValue } from '#core/reading/index';
import { foldLetters } from '#core/text/index';
import { VERDICT_ROWS } from '../records/verdicts';
import { ChoiceRowComponent } from '../ui/choice-row.component';
import { formatNumber } from '../ui/number-format';
import { TextFieldComponent } from '../ui/text-field.component';
import { JUDGED, type Judged } from './read-address';
import type { JudgedCounts } from './judged-records';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

function nameJudged(judged: Judged): string {
  return VERDICT_ROWS.find(({ id }) => id === judged)?.name ?? say('read.notJudged');
}
/** So many values of a facet are shown before a word is looked for among them. */
const SHOWN = 12;

/** The filters of the list: what holds, what is left, and a panel to choose from, with counts over the whole set. */
@Component({
  selector: 'app-filter-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    ChoiceRowComponent,
    MatButton,
    MatCheckbox,
    MatSlider,
    MatSliderRangeThumb,
    TextFieldComponent,
  ],
  templateUrl: './filter-bar.component.html',
  styleUrl: './filter-bar.component.scss',
})
export class FilterBarComponent {
  readonly filters = input.required<readonly SearchFilter[]>();
  /** Counts under the filters; nothing while they are on their way. */
  readonly facets = input.required<Facets | undefined>();
  /** How many records are left. */
  readonly left = input.required<number | undefined>();
  /** The database gives its counts rounded: all numbers here are. */
  readonly isEstimated = input(false);
  /** The filters can become limiters or part of the query: it is the draft that is read. */
  readonly canMove = input.required<boolean>();
  /** Only records that were judged so. */
  readonly judged = input.required<readonly Judged[]>();
  /** The database gives numbers of records, by which those that were judged are found. */
  readonly canTellJudged = input.required<boolean>();
  /** How many were judged each way; nothing while that is not counted. */
  readonly judgedCounts = input.required<JudgedCounts | undefined>();
  readonly judgedChanged = output<readonly Judged[]>();
  /** The counts of what was judged are wanted. */
  readonly judgedAsked = output();
  readonly changed = output<readonly SearchFilter[]>();
  readonly limitersAsked = output();
  readonly queryAsked = output();

  protected format(records: number): string {
    return `${this.isEstimated() ? '≈' : ''}${formatNumber(records)}`;
  }
  protected readonly isOpen = signal(false);
  protected readonly facet = signal<FacetName | 'judged'>('years');
  protected readonly wanted = linkedSignal({ source: this.facet, computation: () => '' });
  protected readonly choices = computed(() => [
    ...FACETS.map((id) => ({ id, name: FACET_ROWS[id].label })),
    ...(this.canTellJudged() ? [{ id: 'judged', name: say('read.judged') }] : []),
  ]);
  protected readonly chips = computed(() => [
    ...this.filters().map((filter, at) => ({ at, words: describeFilter(filter) })),
    ...(this.judged().length > 0
      ? [
          {
            at: -1,
            words: this.judged().map(nameJudged).join(say('read.orBetween')),
          },
        ]
      : []),
  ]);
  protected readonly verdicts = computed(() =>
    JUDGED.map((id) => ({
      id,
      name: nameJudged(id),
      isIn: this.judged().includes(id),
      records: this.judgedCounts()?.[id],
    })),
  );
  protected readonly isNarrowed = computed(() => this.filters().length > 0 || this.judged().length > 0);
  /** The counts that were there last stay while new ones are on their way. */
  private readonly shown = linkedSignal<Facets | undefined, Facets>({
    source: this.facets,
    computation: (facets, previous) => facets ?? previous?.value ?? {},
  });
  protected readonly values = computed(() => {
    const facet = this.facet();
    if (facet === 'judged') return { rows: [], more: 0 };
    const wanted = foldLetters(this.wanted().trim());
    const holding = this.filters().filter((filter) => filter.facet === facet);
    const chosen = holding.flatMap(({ values }) => values);
    const counted = this.shown()[facet] ?? [];
    const rows = [
      ...counted,
      ...chosen
        .filter((value) => !counted.some((one) => one.value === value))
        .map((value) => ({ value, records: 0 })),
    ].map(({ value, records }) => ({
      value,
      records,
      name: nameFacetValue(facet, value),
      isIn: holding.some(({ values, leavesOut }) => !leavesOut && values.includes(value)),
      isOut: holding.some(({ values, leavesOut }) => leavesOut && values.includes(value)),
    }));
    const found = wanted === '' ? rows : rows.filter(({ name }) => foldLetters(name).includes(wanted));
    return { rows: found.slice(0, SHOWN), more: Math.max(0, found.length - SHOWN) };
  });
  /** The years that occur, as bars. */
  protected readonly years = computed(() => {
    const counted = (this.shown().years ?? []).map(({ value, records }) => ({
      year: Number(value),
      records,
    }));
    const most = Math.max(1, ...counted.map(({ records }) => records));
    const all = counted.map(({ year }) => year);
    const [first, last] = [Math.min(...all), Math.max(...all)];
    if (counted.length === 0) return undefined;
    const byYear = new Map(counted.map(({ year, records }) => [year, records]));
    return {
      first,
      last,
      bars: listYears(first, last).map((year) => ({
        year,
        height: Math.max(2, (34 * (byYear.get(Number(year)) ?? 0)) / most),
        label: `${year}: ${byYear.get(Number(year)) ?? 0}`,
      })),
    };
  });
  /** The ends of the slider of years. */
  protected readonly range = computed(() => {
    const years = this.years();
    const holding = this.filters().find(({ facet, leavesOut }) => facet === 'years' && !leavesOut);
    const chosen = holding?.values.map(Number) ?? [];
    if (!years) return undefined;
    const first = Math.min(years.first, ...chosen);
    const last = Math.max(years.last, ...chosen);
    return {
      first,
      last,
      from: chosen.length > 0 ? Math.min(...chosen) : first,
      to: chosen.length > 0 ? Math.max(...chosen) : last,
    };
  });
  protected readonly canMoveSome = computed(() => this.canMove() && this.filters().length > 0);

  protected remove(at: number): void {
    if (at < 0) this.judgedChanged.emit([]);
    else this.changed.emit(this.filters().filter((_, place) => place !== at));
  }

  protected choose(id: string): void {
    const facet = FACETS.find((one) => one === id) ?? 'judged';
    this.facet.set(facet);
    if (facet === 'judged') this.judgedAsked.emit();
  }

  protected toggleJudged(id: Judged): void {
    const before = this.judged();
    this.judgedChanged.emit(before.includes(id) ? before.filter((one) => one !== id) : [...before, id]);
  }

  /** Takes a value in or out of the filters of its facet. */
  protected toggle(value: string, leavesOut: boolean): void {
    const facet = this.facet();
    if (facet === 'judged') return;
    const isSame = (filter: SearchFilter): boolean =>
      filter.facet === facet && (filter.leavesOut ?? false) === leavesOut;
    // A value is wanted or left out, not both.
    const others = this.filters()
      .filter((filter) => !isSame(filter))
      .map((filter) =>
        filter.facet === facet ? { ...filter, values: filter.values.filter((one) => one !== value) } : filter,
      );
    const before = this.filters().find(isSame)?.values ?? [];
    const values = before.includes(value) ? before.filter((one) => one !== value) : [...before, value];
    this.changed.emit(
      [...others, { facet, values, ...(leavesOut && { leavesOut }) }].filter((one) => one.values.length > 0),
    );
  }

  protected setYears(from: number, to: number): void {
    const range = this.range();
    const others = this.filters().filter(({ facet, leavesOut }) => facet !== 'years' || leavesOut);
    const isAll = !range || (from <= range.first && to >= range.last);
    this.changed.emit(isAll ? others : [...others, { facet: 'years', values: listYears(from, to) }]);
  }
}
