import { shortenName } from '#core/text/index';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** The head of a database's column: its short name, and the whole one for who asks or hears it. */
@Component({
  // eslint-disable-next-line @angular-eslint/component-selector -- A row of a table's head takes nothing but `th`.
  selector: 'th[appDatabase]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { scope: 'col', '[title]': 'appDatabase().name', '[attr.aria-label]': 'appDatabase().name' },
  template: '{{ shortName() }}',
})
export class DatabaseHeadingComponent {
  readonly appDatabase = input.required<{ readonly name: string }>();
  protected readonly shortName = computed(() => shortenName(this.appDatabase()));
}
