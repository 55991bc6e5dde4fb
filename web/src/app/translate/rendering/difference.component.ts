import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { ProofDifference } from '#core/contract/index';
import { RecordDrawer } from '../../records/record-drawer';
import { formatNumber } from '../../ui/number-format';
import type { RenderingRow } from './rendering-row';

/** How many records a string finds too many or too few; it opens them. */
@Component({
  selector: 'app-difference',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (difference().total > 0) {
      <button type="button" class="plain" [attr.aria-label]="number() + spoken()" (click)="read()">
        {{ sign() }}{{ number() }}
      </button>
    }
  `,
  styles: `
    button {
      padding: 0 3px;
      font-weight: 600;
      font-variant-numeric: tabular-nums;
    }
    button:hover {
      text-decoration: underline;
    }
  `,
})
export class DifferenceComponent {
  private readonly drawer = inject(RecordDrawer);

  readonly row = input.required<RenderingRow>();
  readonly difference = input.required<ProofDifference>();
  readonly sign = input.required<'+' | '−'>();
  /** What a screen reader says behind the number. */
  readonly spoken = input.required<string>();
  /** The head of the list of records. */
  readonly title = input.required<string>();
  protected readonly number = computed(() => formatNumber(this.difference().total));

  protected read(): void {
    const { id, text } = this.row();
    const { total, numbers } = this.difference();
    // Records that the string misses are not among those that it finds, so no address reads them.
    const countKey = { database: id, string: text, sentLimiters: {} };
    this.drawer.showNumbers(countKey, this.title(), total, numbers, this.sign() === '+');
  }
}
