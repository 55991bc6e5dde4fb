import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import type { Choice } from './choice-row.component';

/** A button that says the order of a list, and a menu to choose another one. */
@Component({
  selector: 'app-order-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatMenu, MatMenuItem, MatMenuTrigger],
  template: `
    <button mat-button type="button" [matMenuTriggerFor]="menu">{{ label() }}</button>
    <mat-menu #menu="matMenu">
      @for (choice of choices(); track choice.id) {
        <button
          mat-menu-item
          role="menuitemradio"
          [attr.aria-checked]="choice.id === chosen()"
          (click)="chose.emit(choice.id)"
        >
          <span aria-hidden="true">{{ choice.id === chosen() ? '✓' : '' }}</span> {{ choice.name }}
        </button>
      }
    </mat-menu>
  `,
})
export class OrderMenuComponent<Id extends string> {
  /** What the button says, such as “Sorted by title”. */
  readonly label = input.required<string>();
  readonly choices = input.required<readonly (Choice & { readonly id: Id })[]>();
  readonly chosen = input.required<Id>();
  readonly chose = output<Id>();
}
