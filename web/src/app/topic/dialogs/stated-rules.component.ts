import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { isSameLimiters } from '#core/limiter/index';
import type { SourceRules } from '#core/project/index';
import { addRule, readRules, type StatedRule } from '#core/question/index';
import { CLOCK_AND_IDS } from '../../data/clock-and-ids';
import { SayPipe } from '../../words/say.pipe';

/** The rules that a text states, each to be taken or set already. */
@Component({
  selector: 'app-stated-rules',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatButton],
  template: `
    @if (stated().length > 0) {
      <p role="group" [aria-label]="'topic.understoodInTheseWords' | say">
        <span class="quiet">{{ 'topic.understood' | say }}</span>
        @for (rule of stated(); track rule.words) {
          <button
            mat-stroked-button
            type="button"
            [disabled]="isSet(rule)"
            [attr.aria-label]="
              (isSet(rule) ? 'topic.alreadyARule' : 'topic.makeItARule') | say: { rule: rule.words }
            "
            (click)="take([rule])"
          >
            {{ isSet(rule) ? '✓' : '+' }} {{ rule.words }}
          </button>
        }
        <button mat-button type="button" [disabled]="areAllSet()" (click)="take(stated())">
          {{ 'topic.useAll' | say }}
        </button>
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 6px 12px;
      margin: 4px 0;
    }
  `,
})
export class StatedRulesComponent {
  readonly text = input.required<string>();
  readonly rules = input.required<SourceRules>();
  /** The limiters and the band with what was taken. */
  readonly taken = output<Pick<SourceRules, 'limiters' | 'wanted'>>();

  private readonly thisYear = new Date(inject(CLOCK_AND_IDS).now()).getFullYear();
  protected readonly stated = computed(() => readRules(this.text(), this.thisYear));
  protected readonly areAllSet = computed(() => this.stated().every((rule) => this.isSet(rule)));

  /** Whether a rule would change nothing. */
  protected isSet(rule: StatedRule): boolean {
    const { limiters, wanted } = this.rules();
    const after = addRule({ limiters, wanted }, rule);
    return (
      isSameLimiters(after.limiters, limiters) &&
      after.wanted.from === wanted.from &&
      after.wanted.to === wanted.to
    );
  }

  protected take(rules: readonly StatedRule[]): void {
    const { limiters, wanted } = this.rules();
    this.taken.emit(rules.reduce(addRule, { limiters, wanted }));
  }
}
