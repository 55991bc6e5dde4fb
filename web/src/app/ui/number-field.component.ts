import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { ErrorStateMatcher } from '@angular/material/core';
import type { MatInput } from '@angular/material/input';
import { FIELD_PARTS } from './field-parts';

/** A whole number that may be left open; what is no such number is said at the field and changes nothing. */
@Component({
  selector: 'app-number-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FIELD_PARTS],
  template: `
    <mat-form-field>
      <mat-label>{{ label() }}</mat-label>
      <input
        matInput
        #field="matInput"
        type="text"
        inputmode="numeric"
        autocomplete="off"
        [value]="value() ?? ''"
        [placeholder]="placeholder()"
        [errorStateMatcher]="matcher"
        (input)="read(field)"
        (change)="take(field)"
      />
      @if (fault(); as words) {
        <mat-error>{{ words }}</mat-error>
      }
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      width: 124px;
    }
  `,
})
export class NumberFieldComponent {
  readonly label = input.required<string>();
  readonly value = input<number>();
  readonly least = input(0);
  readonly most = input(Number.MAX_SAFE_INTEGER);
  readonly placeholder = input('');
  /** Tells the number with each key, not only when the field is left. */
  readonly isLive = input(false);
  /** The number, or nothing where the field was emptied. */
  readonly changed = output<number | undefined>();

  private readonly typed = signal('');
  /** What is wrong with what was typed, in words. */
  readonly fault = computed(() =>
    isWholeNumber(this.typed().trim(), this.least(), this.most())
      ? ''
      : this.most() === Number.MAX_SAFE_INTEGER
        ? `A whole number from ${this.least()} on`
        : `A whole number from ${this.least()} to ${this.most()}`,
  );
  protected readonly matcher: ErrorStateMatcher = { isErrorState: () => this.fault() !== '' };

  protected read(field: MatInput): void {
    if (this.isLive()) this.take(field);
    else this.look(field);
  }

  protected take(field: MatInput): void {
    this.look(field);
    const text = field.value;
    if (this.fault() === '') this.changed.emit(text.trim() === '' ? undefined : Number(text));
  }

  private look(field: MatInput): void {
    this.typed.set(field.value);
    field.updateErrorState();
  }
}

/** Whether a text is a whole number between two others; nothing at all is as good. */
function isWholeNumber(text: string, least: number, most: number): boolean {
  return text === '' || (/^\d{1,15}$/.test(text) && Number(text) >= least && Number(text) <= most);
}
