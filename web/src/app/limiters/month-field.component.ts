import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { ErrorStateMatcher } from '@angular/material/core';
import type { MatInput } from '@angular/material/input';
import { FIELD_PARTS } from '../ui/field-parts';

/** A month of a year that may be left open, written `2026-03`. */
@Component({
  selector: 'app-month-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FIELD_PARTS],
  template: `
    <mat-form-field>
      <mat-label>{{ label() }}</mat-label>
      <input
        matInput
        #field="matInput"
        type="text"
        autocomplete="off"
        placeholder="2026-03"
        [value]="value() ?? ''"
        [errorStateMatcher]="matcher"
        (input)="look(field)"
        (change)="take(field)"
      />
      @if (isWrong()) {
        <mat-error>Year and month, as 2026-03</mat-error>
      }
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      width: 124px;
    }
  `,
})
export class MonthFieldComponent {
  readonly label = input.required<string>();
  readonly value = input<string>();
  readonly changed = output<string | undefined>();

  private readonly typed = signal('');
  protected readonly isWrong = computed(() => this.typed().trim() !== '' && !readMonth(this.typed()));
  protected readonly matcher: ErrorStateMatcher = { isErrorState: () => this.isWrong() };

  protected look(field: MatInput): void {
    this.typed.set(field.value);
    field.updateErrorState();
  }

  protected take(field: MatInput): void {
    this.look(field);
    if (!this.isWrong()) this.changed.emit(readMonth(field.value));
  }
}

/** `2026-3`, `2026-03` or `03/2026` as `2026-03`; nothing for what is no month. */
function readMonth(text: string): string | undefined {
  const found = /^\s*(?:(\d{4})[-./ ](\d{1,2})|(\d{1,2})[-./ ](\d{4}))\s*$/.exec(text);
  const year = found?.[1] ?? found?.[4];
  const month = Number(found?.[2] ?? found?.[3]);
  return year !== undefined && month >= 1 && month <= 12
    ? `${year}-${String(month).padStart(2, '0')}`
    : undefined;
}
