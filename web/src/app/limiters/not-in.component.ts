import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatTooltip } from '@angular/material/tooltip';
import type { Dialect } from '#core/dialect/index';
import type { LimiterName } from '#core/limiter/index';
import { shortenName } from '#core/text/index';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** Which databases do not have a limiter, and on demand what each says about it; nothing if all have it. */
@Component({
  selector: 'app-not-in',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatTooltip],
  template: `
    @if (missing().without; as databases) {
      <span
        role="note"
        tabindex="0"
        [matTooltip]="missing().why"
        [attr.aria-label]="'limiters.notApplied' | say: { why: missing().why }"
        >{{ 'limiters.notIn' | say: { databases: databases } }}</span
      >
    }
  `,
  styles: `
    span {
      display: block;
      overflow: hidden;
      color: var(--warn);
      font-size: 12.5px;
      font-weight: 400;
      text-overflow: ellipsis;
    }
  `,
})
export class NotInComponent {
  readonly name = input.required<LimiterName>();
  readonly dialects = input.required<readonly Dialect[]>();
  protected readonly missing = computed(() => describeMissing(this.name(), this.dialects()));
}

/** The databases that do not have a limiter: in short, and with what each says about it; empty if all have it. */
function describeMissing(
  name: LimiterName,
  dialects: readonly Dialect[],
): { readonly without: string; readonly why: string } {
  const without = dialects.filter(({ limiters }) => limiters[name].how === 'none');
  return {
    without:
      without.length > 1
        ? say('limiters.countOf', { count: without.length, all: dialects.length })
        : without.map((dialect) => shortenName(dialect)).join(''),
    why: without
      .map(
        (dialect) =>
          `${dialect.name}: ${dialect.limiters[name].note ?? say('limiters.doesNotHaveThisLimiter')}`,
      )
      .join('; '),
  };
}
