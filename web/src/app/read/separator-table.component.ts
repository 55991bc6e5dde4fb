import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Separator } from '#core/reading/index';
import type { Counted } from '../counting/count-state';
import { CountComponent } from '../records/count.component';
import { SayPipe } from '../words/say.pipe';

/** What tells the good from the bad, with what it costs and what the draft finds with it. */
export interface CountedSeparator {
  readonly separator: Separator;
  readonly words: string;
  readonly after: Counted | undefined;
}

/** What sets the records on topic apart from those off topic. */
@Component({
  selector: 'app-separator-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, CountComponent, MatButton],
  template: `
    <table>
      <caption class="unseen">
        {{
          'read.whatSetsTheRecords' | say
        }}
      </caption>
      <thead>
        <tr>
          <th scope="col">
            <span class="unseen">{{ 'read.what' | say }}</span>
          </th>
          <th scope="col" class="right">{{ 'read.on' | say }}</th>
          <th scope="col" class="right">{{ 'read.off' | say }}</th>
          <th scope="col" class="right">{{ 'read.then' | say }}</th>
        </tr>
      </thead>
      <tbody>
        @for (one of separators(); track one.separator.text) {
          <tr>
            <th scope="row">
              <button mat-button type="button" (click)="applied.emit(one.separator)">
                {{ (one.separator.use === 'not' ? 'read.not' : 'read.and') | say }} {{ one.separator.text }}
              </button>
              <span class="quiet cost">{{ one.words }}</span>
            </th>
            <td class="right">{{ one.separator.on }}</td>
            <td class="right">{{ one.separator.off }}</td>
            <td>
              <app-count
                [counted]="one.after"
                [label]="'read.theDraftWithItIn' | say: { database: database() }"
              />
            </td>
          </tr>
        } @empty {
          <tr>
            <td colspan="4" class="quiet">{{ 'read.nothingTellsThoseOnTopic' | say }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styleUrl: './learn-table.scss',
})
export class SeparatorTableComponent {
  readonly separators = input.required<readonly CountedSeparator[]>();
  /** The name of the database that the draft is counted in. */
  readonly database = input.required<string>();
  readonly applied = output<Separator>();
}
