import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatAutocomplete, MatAutocompleteTrigger } from '@angular/material/autocomplete';
import type { CountedValue } from '#core/collection/index';
import type { Dialect } from '#core/dialect/index';
import type { Limiters } from '#core/limiter/index';
import { foldLetters } from '#core/text/index';
import { FIELD_PARTS, SELECT_PARTS } from '../ui/field-parts';
import { LimiterCounts } from './limiter-counts';
import { NotInComponent } from './not-in.component';
import { SayPipe } from '../words/say.pipe';

/** So many journals are offered at a time. */
const OFFERED = 12;

/** Journals, with semicolons between them: those of what the draft finds are offered. */
@Component({
  selector: 'app-journals-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, FIELD_PARTS, MatAutocomplete, MatAutocompleteTrigger, NotInComponent, SELECT_PARTS],
  template: `
    <mat-form-field
      ><mat-label>{{ 'limiters.journals' | say }}</mat-label
      ><input
        matInput
        #field
        [placeholder]="'limiters.separateSeveralWith' | say"
        [value]="value()"
        [matAutocomplete]="offers"
        (focus)="load()"
        (input)="typed.set(field.value)"
        (change)="left.emit(field.value)" /><mat-autocomplete
        #offers="matAutocomplete"
        (optionSelected)="field.value = $event.option.value; left.emit($event.option.value)"
      >
        @for (one of found(); track one.value) {
          <mat-option [value]="one.text"
            >{{ one.value }} <span class="quiet">{{ one.records }}</span></mat-option
          >
        }</mat-autocomplete
      ><mat-hint><app-not-in name="sources" [dialects]="dialects()" /></mat-hint
    ></mat-form-field>
  `,
  styles: `
    :host {
      display: block;
    }
    mat-form-field {
      width: 100%;
    }
  `,
})
export class JournalsFieldComponent {
  private readonly counts = inject(LimiterCounts);
  readonly limiters = input.required<Limiters>();
  readonly dialects = input.required<readonly Dialect[]>();
  /** Where the journals that are offered are counted. */
  readonly dialect = input<Dialect>();
  /** The whole field, once it is left or something was chosen. */
  readonly left = output<string>();

  protected readonly value = computed(() => this.limiters().sources?.join('; ') ?? '');
  /** Journals of what the draft finds, fetched when the field is come to. */
  private readonly known = signal<readonly CountedValue[]>([]);
  protected readonly typed = signal('');
  /** Those that have the word that is being typed, each with the whole field as it would be. */
  protected readonly found = computed(() => {
    const names = this.typed().split(';');
    const wanted = foldLetters((names.at(-1) ?? '').trim());
    const before = names.slice(0, -1).map((name) => name.trim());
    return this.known()
      .filter(({ value }) => foldLetters(value).includes(wanted) && !before.includes(value))
      .slice(0, OFFERED)
      .map((one) => ({ ...one, text: [...before, one.value].join('; ') }));
  });

  protected load(): void {
    const dialect = this.dialect();
    if (!dialect) return;
    this.typed.set(this.value());
    void this.counts.listSources(this.limiters(), dialect).then((known) => this.known.set(known));
  }
}
