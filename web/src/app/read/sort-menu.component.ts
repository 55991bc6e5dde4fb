import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Sort } from '#core/contract/index';
import { OrderMenuComponent } from '../ui/order-menu.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

const SORT_NAMES: Readonly<Record<Sort, string>> = {
  get relevance() {
    return say('read.bestMatch');
  },
  get newest() {
    return say('shared.newestFirst');
  },
  get oldest() {
    return say('read.oldestFirst');
  },
  get cited() {
    return say('read.mostCited');
  },
  get title() {
    return say('read.title');
  },
  get author() {
    return say('read.firstAuthor');
  },
};

/** The order of the list, to choose from those that the database has. */
@Component({
  selector: 'app-sort-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OrderMenuComponent, SayPipe],
  template: `
    @if (choices().length > 1) {
      <app-order-menu
        [label]="'read.sortedBy' | say: { name: name() }"
        [choices]="choices()"
        [chosen]="chosen()"
        (chose)="chose.emit($event)"
      />
    } @else {
      <span class="quiet">{{ 'read.sortedByTheDatabase' | say: { name: name() } }}</span>
    }
  `,
})
export class SortMenuComponent {
  readonly sorts = input.required<readonly Sort[]>();
  readonly chosen = input.required<Sort>();
  readonly chose = output<Sort>();

  protected readonly name = computed(() => SORT_NAMES[this.chosen()]);
  protected readonly choices = computed(() => this.sorts().map((id) => ({ id, name: SORT_NAMES[id] })));
}
