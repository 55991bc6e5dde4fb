import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import type { Sort } from '#core/contract/index';
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
  imports: [SayPipe, MatButton, MatMenu, MatMenuItem, MatMenuTrigger],
  template: `
    @if (choices().length > 1) {
      <button mat-button type="button" [matMenuTriggerFor]="menu">
        {{ 'read.sortedBy' | say: { name: name() } }}
      </button>
    } @else {
      <span class="quiet">{{ 'read.sortedByTheDatabase' | say: { name: name() } }}</span>
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
