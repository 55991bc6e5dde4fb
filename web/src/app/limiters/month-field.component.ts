import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { TextFieldComponent } from '../ui/text-field.component';
import { say } from '../words/say';

/** A month of a year that may be left open, written `2026-03`. */
@Component({
  selector: 'app-month-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TextFieldComponent],
  template: `
    <app-text-field
      [label]="label()"
      [value]="value() ?? ''"
      placeholder="2026-03"
      [findFault]="findFault"
      (left)="take($event)"
    />
  `,
  styles: `
    app-text-field {
      width: 124px;
    }
  `,
})
export class MonthFieldComponent {
  readonly label = input.required<string>();
  readonly value = input<string>();
  readonly changed = output<string | undefined>();

  protected readonly findFault = (text: string): string =>
    text.trim() === '' || readMonth(text) ? '' : say('limiters.yearAndMonthAs2026');

  protected take(text: string): void {
    if (this.findFault(text) === '') this.changed.emit(readMonth(text));
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
