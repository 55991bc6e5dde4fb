import { MatTooltip } from '@angular/material/tooltip';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Comparison } from '#core/count/index';
import { describeComparison } from '../counting/describe-count';

/** What a term alone brings, or a dash where that cannot be told, with the reason. */
@Component({
  selector: 'app-term-difference',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatTooltip],
  template: `@if (reason()) {
      <span [matTooltip]="reason()"
        ><span aria-hidden="true">–</span><span class="unseen">{{ reason() }}</span></span
      >
    } @else {
      {{ words() }}
    }`,
})
export class TermDifferenceComponent {
  readonly compared = input<Comparison>();
  protected readonly words = computed(() => {
    const compared = this.compared();
    return compared ? describeComparison(compared) : '';
  });
  protected readonly reason = computed(() => (this.compared()?.kind === 'none' ? this.words() : ''));
}
