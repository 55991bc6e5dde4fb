import { MatTooltip } from '@angular/material/tooltip';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { createSharedDraft } from '#core/compare/draft/index';
import { CHANGE_NAMES, type Working } from '#core/project/index';
import type { QueryNode } from '#core/query/index';
import { shortenName } from '#core/text/index';
import { getAmount } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { OpenProject } from '../state/open-project';
import { asksTheSame } from '../state/project.feature';
import { formatAmount, placeAmount, placeOnLogScale } from '../ui/number-format';
import { QueryNumbers } from './query-numbers';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** So many of the newest states are drawn. */
const SHOWN = 30;
const WIDTH = 360;
const HEIGHT = 56;

/** The states of the draft since the project was opened, by their counts; each leads back to itself. */
@Component({
  selector: 'app-sitting-timeline',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatTooltip],
  template: `
    <h2>{{ 'query.thisSitting' | say }}</h2>
    @if (points().length > 1) {
      <div class="chart">
        <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" preserveAspectRatio="none" aria-hidden="true">
          @if (band(); as shade) {
            <rect class="band" x="0" [attr.width]="width" [attr.y]="shade.top" [attr.height]="shade.height" />
          }
          <polyline [attr.points]="line()" />
        </svg>
        @for (point of points(); track point.key) {
          <button
            type="button"
            class="plain point"
            [class.now]="point.isNow"
            [style.left.%]="point.left"
            [style.top.px]="point.top"
            [attr.aria-label]="point.label"
            [attr.aria-current]="point.isNow ? 'true' : null"
            [matTooltip]="point.label"
            (click)="goTo(point.working)"
          ></button>
        }
      </div>
      <p class="quiet">{{ caption() }}</p>
    } @else {
      <p class="quiet">{{ 'query.eachChangeOfTheQuery' | say }}</p>
    }
  `,
  styles: `
    h2 {
      margin: 12px 0 4px;
    }
    .chart {
      position: relative;
      height: 56px;
      margin: 4px 6px;
    }
    svg {
      position: absolute;
      inset: 0;
      width: 100%;
      height: 100%;
    }
    polyline {
      fill: none;
      stroke: var(--glaze-fill);
      stroke-width: 1.5;
      vector-effect: non-scaling-stroke;
    }
    .band {
      fill: var(--band);
    }
    .point {
      position: absolute;
      width: 24px;
      height: 24px;
      margin: -12px 0 0 -12px;
    }
    .point::after {
      content: '';
      position: absolute;
      inset: 8px;
      border: 1.5px solid var(--glaze);
      border-radius: 50%;
      background: var(--sheet);
    }
    .point.now::after {
      inset: 7px;
      background: var(--glaze);
    }
  `,
})
export class SittingTimelineComponent {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly numbers = inject(QueryNumbers);
  private readonly roots = new WeakMap<Working, QueryNode>();

  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  private readonly states = computed(() => this.open.sitting().slice(-SHOWN));
  private readonly looked = computed(() => {
    const dialect = this.numbers.database();
    return this.states().map((state) => ({
      state,
      counted:
        dialect && this.counts.lookLater(this.readRoot(state.working), dialect, state.working.limiters),
    }));
  });
  private readonly scale = computed(() => {
    const places = this.looked()
      .flatMap(({ counted }) => getAmount(counted?.state) ?? [])
      .map(placeAmount);
    const low = Math.max(0, Math.min(...places, 1) - 0.06);
    const high = Math.max(...places, 0) + 0.06;
    return (place: number): number => HEIGHT - (HEIGHT * (place - low)) / Math.max(0.1, high - low);
  });
  protected readonly points = computed(() => {
    const looked = this.looked();
    const place = this.scale();
    // Equal states may stand several times: the newest of them is where the draft is.
    const now = looked.findLastIndex(({ state }) => asksTheSame(state.working, this.open.working()));
    return looked.map(({ state, counted }, at) => {
      const amount = getAmount(counted?.state);
      const name = state.kind === 'opened' ? say('query.asItWasOpened') : CHANGE_NAMES[state.kind];
      const number = amount
        ? say('shared.recordsWords', { count: formatAmount(amount) })
        : say('shared.notCounted');
      return {
        key: `${at} ${state.moment}`,
        working: state.working,
        isNow: at === now,
        left: looked.length < 2 ? 0 : (100 * at) / (looked.length - 1),
        top: amount ? Math.min(HEIGHT - 4, Math.max(4, place(placeAmount(amount)))) : HEIGHT - 4,
        label: `${name}: ${number}`,
      };
    });
  });
  protected readonly line = computed(() =>
    this.points()
      .map(({ left, top }) => `${(left * WIDTH) / 100},${top}`)
      .join(' '),
  );
  protected readonly band = computed(() => {
    const database = this.numbers.database()?.id ?? '';
    const { from, to } = this.open.working().bands[database] ?? {};
    if (from === undefined && to === undefined) return undefined;
    const clamp = (top: number): number => Math.min(HEIGHT, Math.max(0, top));
    const top = to === undefined ? 0 : clamp(this.scale()(placeOnLogScale(to)));
    const bottom = from === undefined ? HEIGHT : clamp(this.scale()(placeOnLogScale(from)));
    return bottom > top ? { top, height: bottom - top } : undefined;
  });
  protected readonly caption = computed(() =>
    say('query.countsInAPointLeads', { database: shortenName(this.numbers.database() ?? { name: '' }) }),
  );

  protected goTo(working: Working): void {
    if (!asksTheSame(working, this.open.working())) this.open.change({ kind: 'return-to', working });
  }

  private readRoot(working: Working): QueryNode {
    const known = this.roots.get(working);
    if (known) return known;
    const root = createSharedDraft(working);
    this.roots.set(working, root);
    return root;
  }
}
