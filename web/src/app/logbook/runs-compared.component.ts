import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { compareRuns } from '#core/document/index';
import type { Run, Tally } from '#core/project/index';
import { formatDifference, formatNumber } from '../ui/number-format';
import { say } from '../words/say';
import { SayPipe } from '../words/say.pipe';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** Two runs of one variant, database by database: what each found then and now, and what changed between. */
@Component({
  selector: 'app-runs-compared',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    <p class="quiet">{{ 'logbook.differencesAreOfCounts' | say }}</p>
    <table>
      <thead>
        <tr>
          <th scope="col">{{ 'shared.database' | say }}</th>
          <th scope="col" class="number">{{ day(then()) }}</th>
          <th scope="col" class="number">{{ day(now()) }}</th>
          <th scope="col" class="number">{{ 'logbook.difference' | say }}</th>
          <th scope="col">{{ 'logbook.whatChangedBetween' | say }}</th>
        </tr>
      </thead>
      <tbody data-testid="compared">
        @for (row of rows(); track row.database) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td class="number">{{ row.then ?? '–' }}</td>
            <td class="number">{{ row.now ?? '–' }}</td>
            <td class="number">{{ row.difference }}</td>
            <td>
              {{ row.words }}
              @if (row.earlier !== undefined) {
                <pre>{{ row.earlier }}</pre>
              }
            </td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 6px 10px 6px 0;
      border-bottom: 1px solid var(--hair);
      text-align: left;
      vertical-align: top;
    }
    .number {
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
    pre {
      margin: 2px 0;
      font: 13px/19px var(--font-code);
      white-space: pre-wrap;
      overflow-wrap: anywhere;
    }
  `,
})
export class RunsComparedComponent {
  readonly then = input.required<Run>();
  readonly now = input.required<Run>();
  readonly tallies = input.required<readonly Tally[]>();

  protected readonly rows = computed(() =>
    compareRuns(this.then(), this.now(), { tallies: this.tallies() }).map((row) => ({
      ...row,
      difference: describeDifference(row),
      words: describeChanges(row),
    })),
  );

  protected day({ moment }: Run): string {
    return DAY.format(new Date(moment));
  }
}

type ComparedRow = ReturnType<typeof compareRuns>[number];

function describeDifference({ difference }: ComparedRow): string {
  if (!difference) return '';
  if (difference.kind === 'none') return say('shared.cannotTell');
  const { least, greatest } = difference;
  return least === greatest
    ? formatDifference(least)
    : `${formatDifference(least)} – ${formatDifference(greatest)}`;
}

function describeChanges({ changed, sizes, then, now }: ComparedRow): string {
  const grown =
    sizes.then !== undefined && sizes.now !== undefined && sizes.then !== sizes.now
      ? say('logbook.theDatabaseHad', { then: formatNumber(sizes.then), now: formatNumber(sizes.now) })
      : '';
  if (then === undefined) return say('logbook.notCountedThen');
  if (now === undefined) return say('logbook.notCountedNow');
  if (changed === 'string') return say('logbook.theStringWasAnother');
  if (changed === 'limiters') return say('logbook.theLimitersWereOthers');
  return grown || say('logbook.sameString');
}
