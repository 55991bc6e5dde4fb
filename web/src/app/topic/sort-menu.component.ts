import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { OrderMenuComponent } from '../ui/order-menu.component';
import { SORTINGS, SORTING_NAMES, type Sorting } from './topic-views';
import { SayPipe } from '../words/say.pipe';

/** The order of the terms of all concepts, and a menu to choose another one. */
@Component({
  selector: 'app-sort-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OrderMenuComponent, SayPipe],
  template: `
    <app-order-menu
      [label]="'topic.sorted' | say: { name: name() }"
      [choices]="choices"
      [chosen]="sorting()"
      (chose)="chose.emit($event === 'hand' ? null : $event)"
    />
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
