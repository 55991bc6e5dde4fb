import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { describeWorks } from '#core/log/index';
import { findRunBefore } from '#core/document/index';
import type { Run } from '#core/project/index';
import { say } from '../words/say';
import { SayPipe } from '../words/say.pipe';
import { formatDifference } from '../ui/number-format';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** The runs of a project, the latest first; one of them is documented. */
@Component({
  selector: 'app-runs-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, SayPipe],
  template: `
    <h2>{{ 'logbook.runs' | say }}</h2>
    <ul>
      @for (run of rows(); track run.id) {
        <li [class.current]="run.id === chosen()">
          <button
            type="button"
            class="plain"
            [attr.aria-current]="run.id === chosen() ? 'true' : null"
            (click)="picked.emit(run.id)"
          >
            {{ run.day }} <b>{{ run.name }}</b>
            <span>{{ run.works }}</span>
            @if (run.since !== '') {
              <span class="quiet">{{ run.since }}</span>
            }
          </button>
          @if (run.id === chosen()) {
            <button
              mat-button
              type="button"
              [attr.aria-label]="'shared.removeLabel' | say: { name: run.name }"
              (click)="removed.emit(run.id)"
            >
              {{ 'shared.remove' | say }}
            </button>
          }
        </li>
      }
    </ul>
  `,
  styles: `
    h2 {
      margin: 18px 0 4px;
      font: 600 16px/22px var(--font-serif);
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 5px 0;
      border-bottom: 1px solid var(--hair);
    }
    li.current {
      background: var(--glaze-tint);
    }
    .plain {
      width: 100%;
      padding: 2px 4px;
      border: 0;
      background: none;
      color: inherit;
      font: inherit;
      text-align: left;
      cursor: pointer;
    }
  `,
})
export class RunsListComponent {
  readonly runs = input.required<readonly Run[]>();
  readonly chosen = input<string>();
  readonly picked = output<string>();
  readonly removed = output<string>();

  protected readonly rows = computed(() =>
    this.runs()
      .map((run) => {
        const works = describeWorks(run);
        return {
          id: run.id,
          name: run.name,
          day: DAY.format(new Date(run.moment)),
          works: works === undefined ? say('logbook.worksNotKnown') : say('logbook.works', { count: works }),
          since: describeSince(run, this.runs()),
        };
      })
      .toReversed(),
  );
}

/** How many works more than in the run of the same variant before; nothing where one number is not exact. */
function describeSince(run: Run, runs: readonly Run[]): string {
  const before = findRunBefore(run, runs)?.works;
  const now = run.works;
  if (!before || !now || before.least !== before.greatest || now.least !== now.greatest) return '';
  if (before.compared.join() !== now.compared.join()) return '';
  return say('logbook.since', { difference: formatDifference(now.least - before.least) });
}
