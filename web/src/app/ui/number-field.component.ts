import { ChangeDetectionStrategy, Component, computed, input, output, viewChild } from '@angular/core';
import { TextFieldComponent } from './text-field.component';
import { say } from '../words/say';

/** A whole number that may be left open; what is no such number is said at the field and changes nothing. */
@Component({
  selector: 'app-number-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TextFieldComponent],
  template: `
    <app-text-field
      [label]="label()"
      [value]="value() === undefined ? '' : '' + value()"
      [isNumeric]="true"
      [findFault]="findFault"
      (typed)="isLive() && take($event)"
      (left)="take($event)"
    />
  `,
  styles: `
    app-text-field {
      width: 124px;
    }
  `,
})
export class NumberFieldComponent {
  private readonly field = viewChild(TextFieldComponent);
  readonly label = input.required<string>();
  readonly value = input<number>();
  readonly least = input(0);
  /** Without it there is no end. */
  readonly most = input(Infinity);
  /** Tells the number with each key, not only when the field is left. */
  readonly isLive = input(false);
  /** The number, or nothing where the field was emptied. */
  readonly changed = output<number | undefined>();

  /** What is wrong with what was typed, in words. */
  readonly fault = computed(() => this.field()?.fault() ?? '');

  protected readonly findFault = (typed: string): string => {
    const text = typed.trim();
    const isNumber = /^\d{1,15}$/.test(text) && Number(text) >= this.least() && Number(text) <= this.most();
    if (text === '' || isNumber) return '';
    return this.most() === Infinity
      ? say('ui.aWholeNumberFromOn', { least: this.least() })
      : say('ui.aWholeNumberFromTo', { least: this.least(), most: this.most() });
  };

  protected take(text: string): void {
    if (this.findFault(text) === '') this.changed.emit(text.trim() === '' ? undefined : Number(text));
  }
}
