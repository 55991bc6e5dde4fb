import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import type { Sort } from '#core/contract/index';

const SORT_NAMES: Readonly<Record<Sort, string>> = {
  relevance: 'best match',
  newest: 'newest first',
  oldest: 'oldest first',
  cited: 'most cited',
  title: 'title',
  author: 'first author',
};

/** The order of the list, to choose from those that the database has. */
@Component({
  selector: 'app-sort-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatMenu, MatMenuItem, MatMenuTrigger],
  template: `
    @if (choices().length > 1) {
      <button mat-button type="button" [matMenuTriggerFor]="menu">Sorted by {{ name() }}</button>
    } @else {
      <span class="quiet">Sorted by {{ name() }}: the database has no other order</span>
    }
    <mat-menu #menu="matMenu">
      @for (choice of choices(); track choice.id) {
        <button
          mat-menu-item
          role="menuitemradio"
          [attr.aria-checked]="choice.id === chosen()"
          (click)="chose.emit(choice.id)"
        >
          {{ choice.name }}
        </button>
      }
    </mat-menu>
  `,
})
export class SortMenuComponent {
  readonly sorts = input.required<readonly Sort[]>();
  readonly chosen = input.required<Sort>();
  readonly chose = output<Sort>();

  protected readonly name = computed(() => SORT_NAMES[this.chosen()]);
  protected readonly choices = computed(() => this.sorts().map((id) => ({ id, name: SORT_NAMES[id] })));
}
