import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';

/** One of several: `label` is its full name where `name` is a short one. */
export interface Choice {
  readonly id: string;
  readonly name: string;
  readonly label?: string;
}

/** A few choices in a row, of which one holds; the arrow keys go from one to the next. */
@Component({
  selector: 'app-choice-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggle, MatButtonToggleGroup],
  template: `
    @if (shown(); as words) {
      <span class="quiet" aria-hidden="true">{{ words }}</span>
    }
    <mat-button-toggle-group
      [attr.aria-label]="label()"
      [value]="chosen()"
      [hideSingleSelectionIndicator]="true"
      (change)="chose.emit($event.value)"
    >
      @for (choice of choices(); track choice.id) {
        <mat-button-toggle [value]="choice.id" [aria-label]="choice.label ?? choice.name">{{
          choice.name
        }}</mat-button-toggle>
      }
    </mat-button-toggle-group>
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 2px 8px;
    }
    mat-button-toggle-group {
      margin-left: -7px;
      flex-wrap: wrap;
      gap: 2px 0;
    }
  `,
})
export class ChoiceRowComponent {
  /** What is chosen, for screen readers. */
  readonly label = input.required<string>();
  /** The same as shown before the choices, if it is to be shown. */
  readonly shown = input<string>();
  readonly choices = input.required<readonly Choice[]>();
  readonly chosen = input<string>();
  readonly chose = output<string>();
}
