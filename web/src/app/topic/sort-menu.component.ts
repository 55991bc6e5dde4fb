import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { SORTINGS, SORTING_NAMES, type Sorting } from './topic-views';
import { SayPipe } from '../words/say.pipe';

/** The order of the terms of all concepts, and a menu to choose another one. */
@Component({
  selector: 'app-sort-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatButton, MatMenu, MatMenuItem, MatMenuTrigger],
  template: `
    <button mat-button type="button" [matMenuTriggerFor]="menu">
      {{ 'topic.sorted' | say: { name: name() } }}
    </button>
    <mat-menu #menu="matMenu">
      @for (choice of choices; track choice.id) {
        <button
          mat-menu-item
          role="menuitemradio"
          [attr.aria-checked]="choice.id === sorting()"
          (click)="chose.emit(choice.id === 'hand' ? null : choice.id)"
        >
          <span aria-hidden="true">{{ choice.id === sorting() ? '✓' : '' }}</span> {{ choice.name }}
        </button>
      }
    </mat-menu>
  `,
  styles: `
    :host {
      margin-left: 4px;
    }
  `,
})
export class SortMenuComponent {
  readonly sorting = input.required<Sorting>();
  /** The order that was chosen; nothing for the one by hand, which no address names. */
  readonly chose = output<Sorting | null>();

  protected readonly choices = SORTINGS.map((id) => ({ id, name: SORTING_NAMES[id] }));
  protected readonly name = computed(() => SORTING_NAMES[this.sorting()]);
}
