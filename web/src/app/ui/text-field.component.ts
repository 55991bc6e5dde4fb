import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import type { ErrorStateMatcher } from '@angular/material/core';
import type { MatInput } from '@angular/material/input';
import { FIELD_PARTS } from './field-parts';

/** A text under a label, in one line or several; what is wrong with it is said at the field. */
@Component({
  selector: 'app-text-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FIELD_PARTS],
  template: `
    <mat-form-field>
      <mat-label>{{ label() }}</mat-label>
      @if (rows() > 1) {
        <textarea
          matInput
          #area="matInput"
          [rows]="rows()"
          [class.code]="isCode()"
          [attr.maxlength]="maxLength() ?? null"
          [attr.spellcheck]="isCode() ? 'false' : null"
          [placeholder]="placeholder()"
          [value]="value()"
          (input)="look(area)"
          (change)="left.emit(area.value)"
        ></textarea>
      } @else {
        <input
          matInput
          #line="matInput"
          type="text"
          autocomplete="off"
          [class.code]="isCode()"
          [attr.maxlength]="maxLength() ?? null"
          [attr.spellcheck]="isCode() ? 'false' : null"
          [attr.inputmode]="isNumeric() ? 'numeric' : null"
          [disabled]="disabled()"
          [placeholder]="placeholder()"
          [value]="value()"
          [errorStateMatcher]="matcher"
          (input)="look(line)"
          (change)="left.emit(line.value)"
        />
      }
      @if (fault(); as words) {
        <mat-error>{{ words }}</mat-error>
      }
    </mat-form-field>
  `,
  styles: `
    :host {
      display: inline-block;
    }
    :host(.wide) {
      display: block;
    }
    mat-form-field {
      width: 100%;
    }
  `,
})
export class TextFieldComponent {
  readonly label = input.required<string>();
  readonly value = input('');
  readonly placeholder = input('');
  /** More than one for a text of several lines. */
  readonly rows = input(1);
  readonly maxLength = input<number>();
  /** Query text and the like: no spelling is checked. */
  readonly isCode = input(false);
  readonly isNumeric = input(false);
  readonly disabled = input(false);
  /** Says what is wrong with a text; nothing if it will do. */
  readonly findFault = input<(text: string) => string>(() => '');
  /** The text with each key. */
  readonly typed = output<string>();
  /** The text once the field is left, or sent with Enter. */
  readonly left = output<string>();

  private readonly text = linkedSignal(() => this.value());
  /** What is wrong with the text as it stands, in words. */
  readonly fault = computed(() => this.findFault()(this.text()));
  protected readonly matcher: ErrorStateMatcher = { isErrorState: () => this.fault() !== '' };

  protected look(field: MatInput): void {
    this.text.set(field.value);
    field.updateErrorState();
    this.typed.emit(field.value);
  }
}
