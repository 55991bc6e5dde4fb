import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Verdict } from '#core/project/index';
import { VERDICT_ROWS } from './verdicts';

/** The verdicts as buttons, each with its key; the one that was given is pressed. */
@Component({
  selector: 'app-verdict-buttons',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `
    @for (verdict of verdicts; track verdict.id) {
      <button
        mat-stroked-button
        type="button"
        [attr.aria-pressed]="given() === verdict.id"
        (click)="judged.emit(verdict.id)"
      >
        <b aria-hidden="true">{{ verdict.key.toUpperCase() }}</b> {{ verdict.name }}
      </button>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 8px;
    }
    [aria-pressed='true'] {
      background: var(--glaze-tint);
    }
  `,
})
export class VerdictButtonsComponent {
  readonly given = input<Verdict>();
  readonly judged = output<Verdict>();
  protected readonly verdicts = VERDICT_ROWS;
}
