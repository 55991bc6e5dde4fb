import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { CheckGoal, CheckPoint } from '#core/document/index';
import { say } from '../words/say';
import { SayPipe } from '../words/say.pipe';

/** What is done about a point that is missing. */
const GOAL_NAMES: Readonly<Record<CheckGoal, string>> = {
  get topic() {
    return say('logbook.goToTopic');
  },
  get databases() {
    return say('logbook.giveReasons');
  },
  get compare() {
    return say('logbook.goToCompare');
  },
  get query() {
    return say('logbook.goToTheReport');
  },
  get read() {
    return say('logbook.goToRead');
  },
  get 'must-finds'() {
    return say('logbook.goToMustFinds');
  },
  get run() {
    return say('logbook.runItAgain');
  },
  get words() {
    return say('logbook.writeIt');
  },
  get source() {
    return say('logbook.addASource');
  },
};

/** What another person would still miss, each with the way to mend it. */
@Component({
  selector: 'app-completeness',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, SayPipe],
  template: `
    <h2>
      {{ 'logbook.completeEnough' | say }}
      <span class="quiet">{{
        'logbook.ofThere' | say: { there: there().length, all: points().length }
      }}</span>
    </h2>
    <ul data-testid="missing">
      @for (point of missing(); track point.id) {
        <li>
          <p>{{ point.missing }}</p>
          <button mat-button type="button" (click)="gone.emit(point.goal)">{{ name(point.goal) }}</button>
        </li>
      }
    </ul>
    @if (there().length > 0) {
      <p class="quiet">{{ 'logbook.thereIs' | say: { points: thereNames() } }}</p>
    }
  `,
  styles: `
    h2 {
      margin: 0 0 6px;
      font: 600 16px/22px var(--font-serif);
    }
    h2 .quiet {
      font: 14px/19px var(--font-text);
    }
    ul {
      margin: 0 0 8px;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 5px 0 4px;
      border-bottom: 1px solid var(--hair);
    }
    li p {
      margin: 0;
      color: var(--warn);
    }
    p {
      overflow-wrap: anywhere;
    }
  `,
})
export class CompletenessComponent {
  readonly points = input.required<readonly CheckPoint[]>();
  readonly gone = output<CheckGoal>();

  protected readonly missing = computed(() =>
    this.points().flatMap(({ missing, ...point }) => (missing === undefined ? [] : [{ ...point, missing }])),
  );
  protected readonly there = computed(() => this.points().filter(({ missing }) => missing === undefined));
  protected readonly thereNames = computed(() =>
    this.there()
      .map(({ name }) => name)
      .join(', '),
  );

  protected name(goal: CheckGoal): string {
    return GOAL_NAMES[goal];
  }
}
