import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { OutlineRow } from '#core/outline/index';
import { describeComparison } from '../counting/describe-count';
import { CountComponent } from '../records/count.component';
import { formatNumber } from '../ui/number-format';
import type { RowCell } from './query-numbers';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** What a row of the query finds in one database, and what it removes. */
@Component({
  selector: 'app-row-count',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, CountComponent],
  templateUrl: './row-count.component.html',
  styleUrl: './row-count.component.scss',
})
export class RowCountComponent {
  readonly row = input.required<OutlineRow>();
  readonly cell = input.required<RowCell>();
  /** The row as a screen reader says it. */
  readonly name = input.required<string>();
  /** While it is edited, its number is of what it was. */
  readonly isEdited = input.required<boolean>();

  protected readonly removed = computed(() => {
    const { removed } = this.cell();
    if (!removed) return '';
    if (removed.kind === 'none') return describeComparison(removed);
    const { least, greatest } = removed;
    if (greatest === 0) return say('query.removesNone');
    return least === greatest
      ? say('query.removes', { count: formatNumber(least) })
      : say('query.removesTo', { least: formatNumber(least), greatest: formatNumber(greatest) });
  });
}
