import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { SayPipe } from '../../../words/say.pipe';

/** What is combined, as the head of a line or column. */
interface PairHead {
  readonly key: string;
  readonly letter: string;
  readonly name: string;
  readonly hue: string;
}

/** A line of the table: one with each of the others. */
interface PairLine {
  readonly row: PairHead;
  readonly cells: readonly { readonly isSame: boolean; readonly isNone: boolean; readonly words: string }[];
}

/** What each two of the combined have in common in one database. */
@Component({
  selector: 'app-pair-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    <h3>{{ 'compare.inPairs' | say }}</h3>
    <table>
      <caption class="quiet">
        {{
          caption()
        }}
      </caption>
      <thead>
        <tr>
          <td></td>
          @for (one of used(); track one.key) {
            <th scope="col" class="right" [class]="one.hue" [attr.aria-label]="one.name">
              <span class="hued">{{ one.letter }}</span>
            </th>
          }
        </tr>
      </thead>
      <tbody>
        @for (pair of pairs(); track pair.row.key) {
          <tr>
            <th scope="row" [class]="pair.row.hue" [attr.aria-label]="pair.row.name">
              <b class="hued">{{ pair.row.letter }}</b>
            </th>
            @for (cell of pair.cells; track $index) {
              <td class="right" [class.quiet]="cell.isSame" [class.none]="cell.isNone">
                {{ cell.words }}
              </td>
            }
          </tr>
        }
      </tbody>
    </table>
  `,
  styleUrl: '../../../comparing/tools.scss',
  styles: `
    .none {
      color: var(--warn);
    }
  `,
})
export class PairTableComponent {
  readonly caption = input.required<string>();
  readonly used = input.required<readonly PairHead[]>();
  readonly pairs = input.required<readonly PairLine[]>();
}
