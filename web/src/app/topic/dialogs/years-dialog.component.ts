import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import type { Limiters } from '#core/limiter/index';
import { MAT_DIALOG_DATA } from '@angular/material/dialog';
import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js';
import { splitByHeadings } from '#core/compare/draft/index';
import { build, type QueryNode } from '#core/query/index';
import { getLeast } from '#core/count/index';
import { getAmount } from '../../counting/count-state';
import { Counts } from '../../counting/counts';
import { OpenProject } from '../../state/open-project';
import { ChoiceRowComponent } from '../../ui/choice-row.component';
import { CountComponent } from '../../records/count.component';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { SayPipe } from '../../words/say.pipe';
import { say } from '../../words/say';

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);

/** The three ways in which a record can come, and the role of their colour. */
const WAYS = [
  {
    id: 'words',
    get name() {
      return say('topic.wordsOnly');
    },
    colour: '--hue-a',
  },
  {
    id: 'both',
    get name() {
      return say('topic.wordsAndHeadings');
    },
    colour: '--hue-g',
  },
  {
    id: 'headings',
    get name() {
      return say('topic.headingsOnly');
    },
    colour: '--hue-b',
  },
] as const;

const FIRST_YEAR = 1990;
const MAX_PERIODS = 13;

/** How many records of a concept come by its words only, by its headings only and by both, over the years. */
@Component({
  selector: 'app-years-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, ChoiceRowComponent, CountComponent],
  template: `
    <h2 mat-dialog-title>{{ 'topic.wordsOrHeadings' | say: { name: concept()?.name } }}</h2>
    <mat-dialog-content>
      <app-choice-row
        [label]="'shared.database' | say"
        [choices]="dialects()"
        [chosen]="dialect()?.id"
        (chose)="chosen.set($event)"
      />
      @if (!dialect()) {
        <p class="quiet">{{ 'topic.noneOfTheChosenDatabases' | say }}</p>
      } @else {
        @if (remark()) {
          <p class="remark">{{ remark() }}</p>
        }
        <div class="chart"><canvas #canvas aria-hidden="true"></canvas></div>
        <p class="quiet legend">
          @for (way of ways; track way.id) {
            <span
              ><span class="box" [style.background]="'var(' + way.colour + ')'"></span>{{ way.name }}</span
            >
          }
        </p>
        <div class="scroll" tabindex="0" role="region" [aria-label]="'topic.theNumbers' | say">
          <table>
            <caption class="unseen">
              {{
                'topic.recordsByWords' | say
              }}
            </caption>
            <thead>
              <tr>
                <th scope="col">{{ 'shared.recordsLabel' | say }}</th>
                @for (period of rows(); track period.name) {
                  <th scope="col" class="number">{{ period.name }}</th>
                }
              </tr>
            </thead>
            <tbody>
              @for (way of ways; track way.id; let at = $index) {
                <tr>
                  <th scope="row">{{ way.name }}</th>
                  @for (period of rows(); track period.name) {
                    <td class="number">
                      <app-count
                        [counted]="period.counted[at]"
                        [label]="
                          'topic.inName'
                            | say: { name: way.name, name2: period.name, name3: dialect()?.name ?? '' }
                        "
                      />
                    </td>
                  }
                </tr>
              }
            </tbody>
          </table>
        </div>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-flat-button type="button" mat-dialog-close>{{ 'shared.done' | say }}</button>
    </mat-dialog-actions>
  `,
  styleUrl: './years-dialog.component.scss',
})
export class YearsDialogComponent {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly id = inject<string>(MAT_DIALOG_DATA);
  private readonly canvas = viewChild<ElementRef<HTMLCanvasElement>>('canvas');
  private chart: Chart | undefined;

  private readonly thisYear = new Date(this.open.now()).getUTCFullYear();
  protected readonly ways = WAYS;
  protected readonly chosen = signal<string | undefined>(undefined);
  protected readonly concept = computed(() => this.open.concepts().find((concept) => concept.id === this.id));
  protected readonly dialects = computed(() => this.open.dialects().filter((dialect) => dialect.headings));
  protected readonly dialect = computed(
    () => this.dialects().find(({ id }) => id === this.chosen()) ?? this.dialects()[0],
  );
  private readonly parts = computed(() => {
    const concept = this.concept();
    return concept && splitByHeadings(concept);
  });
  protected readonly remark = computed(() => {
    const parts = this.parts();
    if (!parts?.headings) return say('topic.theConceptHasNoSubject');
    return parts.words ? '' : say('topic.theConceptHasHeadingsOnly');
  });
  private readonly periods = computed<readonly { name: string; limiters: Limiters }[]>(() => {
    const { years, ...rest } = this.open.limiters();
    const from = Math.max(years?.from ?? FIRST_YEAR, 1900);
    const to = Math.max(from, Math.min(years?.to ?? this.thisYear, this.thisYear));
    const step = Math.max(1, Math.ceil((to - from + 1) / MAX_PERIODS));
    return Array.from({ length: Math.ceil((to - from + 1) / step) }, (_, at) => {
      const first = from + at * step;
      const last = Math.min(to, first + step - 1);
      return {
        name: first === last ? String(first) : `${first}–${String(last).slice(2)}`,
        limiters: { ...rest, years: { from: first, to: last } },
      };
    });
  });
  private readonly queries = computed<readonly QueryNode[]>(() => {
    const parts = this.parts();
    if (!parts) return [];
    const words = parts.words ?? build.empty();
    const headings = parts.headings ?? build.empty();
    if (!parts.words || !parts.headings) return [words, build.empty(), headings];
    return [build.not(words, headings), build.and(words, headings), build.not(headings, words)];
  });
  /** Each period has trees of its own: a tree is kept with the limiters that it was last written under. */
  private readonly asked = computed(() =>
    this.periods().map(({ name, limiters }) => ({
      name,
      limiters,
      trees: this.queries().map((root): QueryNode => ({ ...root })),
    })),
  );
  protected readonly rows = computed(() => {
    const dialect = this.dialect();
    if (!dialect) return [];
    return this.asked().map(({ name, limiters, trees }) => ({
      name,
      counted: trees.map((root) => this.counts.look(root, dialect, limiters)),
    }));
  });

  constructor() {
    effect(() => {
      const canvas = this.canvas()?.nativeElement;
      const rows = this.rows();
      if (!canvas) return;
      if (this.chart?.canvas !== canvas) {
        this.chart?.destroy();
        this.chart = createChart(canvas);
      }
      const { chart } = this;
      chart.data.labels = rows.map((row) => row.name);
      WAYS.forEach((_, at) => {
        const set = chart.data.datasets[at];
        if (set)
          set.data = rows.map((row) => {
            const amount = getAmount(row.counted[at]?.state);
            return amount ? getLeast(amount) : 0;
          });
      });
      chart.update();
    });
  }
}

/** Stacked bars in the colours of the theme. */
function createChart(canvas: HTMLCanvasElement): Chart {
  const style = getComputedStyle(canvas);
  const ink = style.getPropertyValue('color');
  const isStill = matchMedia('(prefers-reduced-motion: reduce)').matches;
  const probe = (name: string): string => {
    canvas.style.color = `var(${name})`;
    const colour = getComputedStyle(canvas).color;
    canvas.style.color = '';
    return colour;
  };
  return new Chart(canvas, {
    type: 'bar',
    data: {
      labels: [],
      datasets: WAYS.map(({ name, colour }) => ({
        label: name,
        data: [],
        backgroundColor: probe(colour),
        maxBarThickness: 34,
      })),
    },
    options: {
      animation: isStill ? false : { duration: 200 },
      maintainAspectRatio: false,
      scales: {
        x: { stacked: true, grid: { display: false }, ticks: { color: ink } },
        y: { stacked: true, beginAtZero: true, ticks: { color: ink, precision: 0 } },
      },
      plugins: { tooltip: { mode: 'index' } },
    },
  });
}
