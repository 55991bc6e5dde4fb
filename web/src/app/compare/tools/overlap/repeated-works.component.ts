import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { SayPipe } from '../../../words/say.pipe';

/** A work that stands more than once. */
export interface ShownWork {
  readonly title: string;
  readonly line: string;
  readonly records: readonly { readonly name: string; readonly rule: string }[];
}

/** The works that stand more than once, each with its records and what tells that they are of one work. */
@Component({
  selector: 'app-repeated-works',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatButton],
  template: `
    @if (isReading() && works().length === 0) {
      <p class="quiet" aria-live="polite">{{ 'compare.readingTheDuplicates' | say }}</p>
    }
    @if (works().length > 0) {
      <h3>{{ 'compare.duplicatesLabel' | say }}</h3>
      <div class="wide" tabindex="0" role="region" [aria-label]="'compare.duplicatesLabel' | say">
        <table>
          <caption class="quiet">
            {{
              'compare.whereEachWorkIsFound' | say
            }}
          </caption>
          <thead>
            <tr>
              <th scope="col">{{ 'compare.work' | say }}</th>
              <th scope="col">{{ 'shared.recordsLabel' | say }}</th>
            </tr>
          </thead>
          <tbody data-testid="repeated">
            @for (work of works(); track $index) {
              <tr>
                <th scope="row">
                  {{ work.title }} <span class="quiet">{{ work.line }}</span>
                </th>
                <td>
                  @for (record of work.records; track $index) {
                    <div>
                      {{ record.name }} <span class="beside-it">{{ record.rule }}</span>
                    </div>
                  }
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      @if (hidden() > 0) {
        <p>
          <button mat-button type="button" [disabled]="isReading()" (click)="moreAsked.emit()">
            {{ 'compare.showMoreOfTheOther' | say: { hidden: hidden().toLocaleString('en') } }}
          </button>
        </p>
      }
    }
  `,
  styleUrl: '../../../comparing/tools.scss',
})
export class RepeatedWorksComponent {
  readonly works = input.required<readonly ShownWork[]>();
  /** How many more there are. */
  readonly hidden = input.required<number>();
  readonly isReading = input.required<boolean>();
  readonly moreAsked = output();
}
