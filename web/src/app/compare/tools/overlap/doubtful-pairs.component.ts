import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { DoubtfulPair } from '#core/compare/index';
import { succeed } from '#core/problem/index';
import { OpenProject } from '../../../state/open-project';
import { Messages } from '../../../ui/messages';
import { follow, type Waiting } from '../../parts/waiting';
import { listAgainst, listFor } from './agreement-words';
import { describeRecord, readFrom, type ReadableResult } from './readable-result';
import { SayPipe } from '../../../words/say.pipe';
import { say } from '../../../words/say';

/** So many pairs are asked about at a time. */
const SHOWN = 10;

/** Two records that may be of one work, as they are shown. */
interface ShownPair {
  readonly key: string;
  readonly records: readonly { readonly name: string; readonly title: string; readonly line: string }[];
  readonly speaksFor: string;
  readonly against: string;
}

/** The pairs of records that may be of one work, with what speaks for and against, and the person's answer. */
@Component({
  selector: 'app-doubtful-pairs',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatButton],
  template: `
    @if (shown().length > 0) {
      <h3>{{ 'compare.perhapsTheSameWork' | say }}</h3>
      <div class="wide" tabindex="0" role="region" [aria-label]="'compare.perhapsTheSameWork' | say">
        <table>
          <caption class="quiet">
            {{
              heading()
            }}
          </caption>
          <thead>
            <tr>
              <th scope="col">{{ 'shared.recordsLabel' | say }}</th>
              <th scope="col">{{ 'compare.forAndAgainst' | say }}</th>
              <th scope="col">
                <span class="unseen">{{ 'compare.yourAnswer' | say }}</span>
              </th>
            </tr>
          </thead>
          <tbody data-testid="doubtful">
            @for (pair of shown(); track pair.key) {
              <tr>
                <th scope="row">
                  @for (record of pair.records; track $index) {
                    <div>
                      {{ record.title }} <span class="quiet">{{ record.name }} · {{ record.line }}</span>
                    </div>
                  }
                </th>
                <td>
                  <div>{{ pair.speaksFor }}</div>
                  <div class="warn">{{ pair.against }}</div>
                </td>
                <td class="doing">
                  <button mat-button type="button" (click)="answer(pair, true)">
                    {{ 'compare.sameWork' | say }}
                  </button>
                  <button mat-button type="button" (click)="answer(pair, false)">
                    {{ 'compare.differentWorks' | say }}
                  </button>
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
    }
  `,
  styleUrl: '../../../comparing/tools.scss',
})
export class DoubtfulPairsComponent {
  private readonly open = inject(OpenProject);
  private readonly messages = inject(Messages);

  readonly pairs = input.required<readonly DoubtfulPair[]>();
  readonly results = input.required<readonly ReadableResult[]>();
  /** What a database is called where there is little room. */
  readonly nameOf = input.required<(database: string) => string>();

  protected readonly heading = computed(() =>
    say('compare.asDifferentWorksUnless', { pairs: this.pairs().length }),
  );
  private readonly reading = follow(
    () => {
      const pairs = this.pairs().slice(0, SHOWN);
      return pairs.length > 0 ? { pairs, results: this.results() } : undefined;
    },
    async ({ pairs, results }) =>
      succeed(
        await Promise.all(
          pairs.map(async ({ key, records, comparison }): Promise<ShownPair> => ({
            key,
            records: await Promise.all(
              records.map(async (one) => ({
                name: this.nameOf()(one.database),
                ...describeRecord(await readFrom(results, one)),
              })),
            ),
            speaksFor: listFor(comparison),
            against: listAgainst(comparison) || say('compare.anotherRecordIsJust'),
          })),
        ),
      ),
  );
  /** While others are read, those that are left stay. */
  protected readonly shown = linkedSignal<
    { readonly answer: Waiting<ShownPair[]>; readonly keys: ReadonlySet<string> },
    readonly ShownPair[]
  >({
    source: () => ({ answer: this.reading(), keys: new Set(this.pairs().map(({ key }) => key)) }),
    computation: ({ answer, keys }, previous) => {
      if (answer.status === 'done' && answer.outcome.ok) return answer.outcome.value;
      return (previous?.value ?? []).filter(({ key }) => keys.has(key));
    },
  });

  /** Keeps what the person says of two records: it holds wherever they turn up. */
  protected answer({ key }: ShownPair, isSame: boolean): void {
    const change = (value: boolean | undefined): void =>
      this.open.change({ kind: 'answer-same-work', pair: key, isSame: value });
    change(isSame);
    // A project may refuse it, and says so itself.
    if (this.open.project().sameWork[key] !== isSame) return;
    this.messages.show(
      isSame ? say('compare.theyCountAsOneWork') : say('compare.theyCountAsDifferentWorks'),
      () => change(undefined),
    );
  }
}
