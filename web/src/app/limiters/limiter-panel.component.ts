import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatRadioButton, MatRadioGroup } from '@angular/material/radio';
import type { Dialect } from '#core/dialect/index';
import {
  LIMITERS,
  listLimitersOf,
  withLimiter,
  type LimiterName,
  type LimiterOf,
  type Limiters,
} from '#core/limiter/index';
import { DOCUMENT_TYPES, LANGUAGES } from '#core/record/index';
import { CLOCK_AND_IDS } from '../data/clock-and-ids';
import { CountComponent } from '../records/count.component';
import { FIELD_PARTS, SELECT_PARTS } from '../ui/field-parts';
import { NumberFieldComponent } from '../ui/number-field.component';
import { JournalsFieldComponent } from './journals-field.component';
import { LimiterCounts } from './limiter-counts';
import { MonthFieldComponent } from './month-field.component';
import { NotInComponent } from './not-in.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** The spans that people are told to keep to, in years up to this one. */
const SPANS = [5, 10, 15] as const;
const OWN_YEARS = 'own';

/** A value that can be ticked. */
interface Choice {
  readonly label: string;
  readonly isSet: boolean;
  /** The limiters with this value alone: what is counted beside it. */
  readonly alone: Limiters;
  /** The limiters after a click on it. */
  readonly next: Limiters;
}

/** The values of one limiter. */
interface Section {
  readonly name: LimiterName;
  readonly title: string;
  readonly choices: readonly Choice[];
}

/** Sets the limiters: each value says what the draft finds with it, and which databases do not have it. */
@Component({
  selector: 'app-limiter-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    CountComponent,
    FIELD_PARTS,
    JournalsFieldComponent,
    MatButton,
    MatCheckbox,
    MatRadioButton,
    MatRadioGroup,
    MonthFieldComponent,
    NotInComponent,
    NumberFieldComponent,
    SELECT_PARTS,
  ],
  templateUrl: './limiter-panel.component.html',
  styleUrl: './limiter-panel.component.scss',
})
export class LimiterPanelComponent {
  private readonly counts = inject(LimiterCounts);
  readonly limiters = input.required<Limiters>();
  /** The databases that are searched; without any there are no counts. */
  readonly dialects = input<readonly Dialect[]>([]);
  readonly changed = output<Limiters>();
  readonly closed = output();
  /** It stands on the screen: what holds it can find its place. */
  readonly drawn = output();

  constructor() {
    afterNextRender(() => this.drawn.emit());
  }

  private readonly thisYear = new Date(inject(CLOCK_AND_IDS).now()).getFullYear();
  private readonly chosen = signal<string | undefined>(undefined);
  /** The database whose counts are shown. */
  protected readonly dialect = computed(
    () => this.dialects().find(({ id }) => id === this.chosen()) ?? this.dialects()[0],
  );

  protected readonly canCount = computed(() => {
    const dialect = this.dialect();
    return dialect !== undefined && this.counts.canCount(dialect);
  });

  protected readonly spans = computed(() =>
    SPANS.map((span) => {
      const from = this.thisYear - span + 1;
      return {
        span: String(span),
        label: say('limiters.lastYearsFrom', { span, from }),
        alone: withLimiter(this.limiters(), 'years', { from }),
      };
    }),
  );
  /** `any`, one of the spans, or years of one's own. */
  protected readonly span = computed(() => {
    const { from, to } = this.limiters().years ?? {};
    if (from === undefined && to === undefined) return this.wantsOwnYears() ? OWN_YEARS : 'any';
    const known = SPANS.find((span) => from === this.thisYear - span + 1 && to === undefined);
    return known && !this.wantsOwnYears() ? String(known) : OWN_YEARS;
  });
  private readonly wantsOwnYears = signal(false);

  protected readonly sections = computed<readonly Section[]>(() => [
    this.makeSection('types', say('limiters.documentType'), DOCUMENT_TYPES, (type) => type),
    this.makeSection(
      'languages',
      say('shared.language'),
      LANGUAGES.map(({ code }) => code),
      (code) => LIMITERS.languages.names[code] ?? code,
    ),
  ]);
  protected readonly flags = computed(() =>
    listLimitersOf('flag').map((name) => {
      const isSet = this.limiters()[name] ?? false;
      return {
        name,
        label: LIMITERS[name].label,
        isSet,
        alone: withLimiter(this.limiters(), name, true),
        next: withLimiter(this.limiters(), name, isSet ? undefined : true),
      };
    }),
  );

  /** What the draft finds under some limiters in the database that is shown. */
  protected look(limiters: Limiters, name: LimiterName) {
    const dialect = this.dialect();
    return dialect && this.counts.look(limiters, name, dialect);
  }

  /** What it finds without one of them. */
  protected lookWithout(name: LimiterName) {
    return this.look(withLimiter(this.limiters(), name, undefined), name);
  }

  protected choose(database: string): void {
    this.chosen.set(database);
  }

  protected setSpan(span: string): void {
    this.wantsOwnYears.set(span === OWN_YEARS);
    if (span === OWN_YEARS) return;
    const from = span === 'any' ? undefined : this.thisYear - Number(span) + 1;
    this.changed.emit(withLimiter(this.limiters(), 'years', from === undefined ? undefined : { from }));
  }

  /** Several names stand with semicolons between them. */
  protected setNames(name: Extract<LimiterOf<'list'>, 'sources' | 'subjects'>, typed: string): void {
    const names = typed.split(';').map((one) => one.trim());
    this.changed.emit(withLimiter(this.limiters(), name, [...new Set(names.filter((one) => one !== ''))]));
  }

  protected setEnd(
    name: LimiterOf<'years' | 'months'>,
    end: 'from' | 'to',
    value: number | string | undefined,
  ): void {
    const { [end]: _, ...other } = this.limiters()[name] ?? {};
    const range = value === undefined ? other : { ...other, [end]: value };
    this.changed.emit(withLimiter(this.limiters(), name, range as Limiters[typeof name]));
  }

  /** Values in their order, each with what is set by a click on it. */
  private makeSection<Name extends 'types' | 'languages'>(
    name: Name,
    title: string,
    values: readonly NonNullable<Limiters[Name]>[number][],
    label: (value: NonNullable<Limiters[Name]>[number]) => string,
  ): Section {
    const set: readonly string[] = this.limiters()[name] ?? [];
    const withValues = (chosen: readonly string[]): Limiters =>
      withLimiter(this.limiters(), name, chosen as Limiters[Name]);
    const choices = values.map((value) => {
      const isSet = set.includes(value);
      return {
        label: label(value),
        isSet,
        alone: withValues([value]),
        next: withValues(values.filter((other) => (other === value ? !isSet : set.includes(other)))),
      };
    });
    return { name, title, choices };
  }
}
