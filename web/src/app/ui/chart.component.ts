import { MatButton } from '@angular/material/button';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  type ElementRef,
  computed,
  effect,
  inject,
  input,
  viewChild,
} from '@angular/core';
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  LineController,
  LineElement,
  LinearScale,
  LogarithmicScale,
  PointElement,
  Tooltip,
} from 'chart.js';
import { createFileName } from './file-name';
import { SAVE_FILE } from './save-file';
import { ThemeChoice } from './theme-choice';
import { formatNumber } from './number-format';
import { writeCsv, type TableCells } from './table-file';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  LineController,
  LineElement,
  LinearScale,
  LogarithmicScale,
  PointElement,
  Tooltip,
);

/** One row of values over the same places; the colour is the name of a role. */
export interface ChartSeries {
  readonly name: string;
  readonly values: readonly (number | undefined)[];
  /** How each value is written, where a number alone would say too much: `≈23,000`, `1,200–2,253`. */
  readonly words?: readonly (string | undefined)[];
  /** One for all, or one a value: names of custom properties such as `--hue-a`. */
  readonly colours: readonly string[];
}

/** What a chart shows. */
export interface ChartContent {
  readonly kind: 'bar' | 'line';
  readonly title: string;
  readonly places: readonly string[];
  readonly series: readonly ChartSeries[];
  /** Counts of very different size are compared on a log scale, on which zero stands at the foot. */
  readonly isLog: boolean;
  /** A target band, drawn behind. */
  readonly band?: { readonly from?: number; readonly to?: number };
}

/** Below this everything stands at the foot of a log scale: zero has no logarithm. */
const FOOT = 0.5;

/**
 * A chart in the colours of the theme, with its numbers as a table beside it for those who do not see
 * it, and both as files. Nothing is told by colour alone: each bar has its place and its number.
 */
@Component({
  selector: 'app-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatButton],
  template: `
    <figure>
      <div class="canvas"><canvas #canvas aria-hidden="true"></canvas></div>
      <figcaption class="quiet">
        <span>{{ content().title }}</span>
        <span class="files">
          <button mat-button type="button" (click)="savePicture()">
            {{ 'shared.saveAsAPicture' | say }}
          </button>
          <button mat-button type="button" (click)="saveTable()">{{ 'ui.saveItsNumbers' | say }}</button>
        </span>
      </figcaption>
      <table class="unseen">
        <caption>
          {{
            content().title
          }}
        </caption>
        @for (row of cells(); track $index; let first = $first) {
          <tr>
            @for (cell of row; track $index) {
              @if (first || $first) {
                <th [attr.scope]="first ? 'col' : 'row'">{{ cell }}</th>
              } @else {
                <td>{{ cell }}</td>
              }
            }
          </tr>
        }
      </table>
    </figure>
  `,
  styles: `
    :host {
      display: block;
    }
    figure {
      margin: 0;
    }
    .canvas {
      position: relative;
      height: var(--chart-height, 250px);
    }
    figcaption {
      display: flex;
      justify-content: space-between;
      gap: 16px;
      padding: 4px 0 0;
    }
    .files {
      display: flex;
      gap: 14px;
      white-space: nowrap;
    }
  `,
})
export class ChartComponent {
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly theme = inject(ThemeChoice);
  private readonly saveFile = inject(SAVE_FILE);
  private chart: Chart | undefined;
  private drawn = '';

  readonly content = input.required<ChartContent>();

  protected readonly cells = computed<TableCells>(() => {
    const { places, series } = this.content();
    return [
      [
        say('ui.place'),
        ...series.flatMap(({ name, words }) => (words ? [name, say('ui.asShown', { name })] : [name])),
      ],
      ...places.map((place, at) => [
        place,
        ...series.flatMap(({ values, words }) =>
          words ? [values[at] ?? '', words[at] ?? ''] : [values[at] ?? ''],
        ),
      ]),
    ];
  });

  constructor() {
    effect(() => {
      const content = this.content();
      this.theme.choice();
      this.draw(this.canvas().nativeElement, content);
    });
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
  }

  protected savePicture(): void {
    const { nativeElement: canvas } = this.canvas();
    const copy = document.createElement('canvas');
    copy.width = canvas.width;
    copy.height = canvas.height;
    const pen = copy.getContext('2d');
    if (!pen) return;
    pen.fillStyle = probe(canvas, '--paper');
    pen.fillRect(0, 0, copy.width, copy.height);
    pen.drawImage(canvas, 0, 0);
    copy.toBlob((blob) => {
      if (blob) this.saveFile(`${createFileName(this.content().title)}.png`, blob, 'image/png');
    }, 'image/png');
  }

  protected saveTable(): void {
    this.saveFile(`${createFileName(this.content().title)}.csv`, writeCsv(this.cells()), 'text/csv');
  }

  private draw(canvas: HTMLCanvasElement, content: ChartContent): void {
    const { kind, isLog, series, places } = content;
    const shape = `${kind} ${isLog} ${series.length} ${this.theme.choice()}`;
    if (this.chart && shape !== this.drawn) {
      this.chart.destroy();
      this.chart = undefined;
    }
    this.drawn = shape;
    const datasets = series.map(({ name, values, colours }) => {
      const painted = colours.map((colour) => probe(canvas, colour));
      return {
        label: name,
        data: values.map((value) => (value === undefined ? null : isLog ? Math.max(FOOT, value) : value)),
        backgroundColor: painted.length === 1 ? painted[0] : painted,
        borderColor: painted.length === 1 ? painted[0] : painted,
        maxBarThickness: 58,
        borderWidth: kind === 'line' ? 2 : 0,
        pointRadius: 3,
        spanGaps: true,
      };
    });
    this.chart ??= createChart(canvas, () => this.content());
    this.chart.data = { labels: [...places], datasets: datasets };
    this.chart.options = createOptions(canvas, content);
    this.chart.update();
  }
}

/** The colour that a role has now. */
function probe(canvas: HTMLCanvasElement, name: string): string {
  canvas.style.color = `var(${name})`;
  const colour = getComputedStyle(canvas).color;
  canvas.style.color = '';
  return colour;
}

function createOptions(canvas: HTMLCanvasElement, { isLog, series }: ChartContent) {
  const [ink, hair] = [probe(canvas, '--mute'), probe(canvas, '--hair')];
  const isStill = matchMedia('(prefers-reduced-motion: reduce)').matches;
  const font = { family: getComputedStyle(canvas).fontFamily, size: 12 };
  return {
    animation: isStill ? (false as const) : { duration: 200 },
    maintainAspectRatio: false,
    layout: { padding: { top: 18 } },
    scales: {
      x: { grid: { display: false }, ticks: { color: ink, font, autoSkip: false, maxRotation: 40 } },
      y: {
        type: isLog ? ('logarithmic' as const) : ('linear' as const),
        ...(isLog ? { min: FOOT } : { beginAtZero: true }),
        grid: { color: hair },
        ticks: {
          color: ink,
          font,
          precision: 0,
          callback: (value: string | number) => nameTick(Number(value), isLog),
        },
      },
    },
    plugins: {
      tooltip: {
        callbacks: {
          label: (item: { datasetIndex: number; dataIndex: number }) => {
            const set = series[item.datasetIndex];
            const words = set?.words?.[item.dataIndex] ?? formatNumber(set?.values[item.dataIndex] ?? 0);
            return `${set?.name ?? ''}: ${words}`;
          },
        },
      },
    },
  };
}

/** Whole tenfolds are named on a log scale, and zero at its foot. */
function nameTick(value: number, isLog: boolean): string {
  if (!isLog) return value.toLocaleString('en');
  if (value === FOOT) return '0';
  return Number.isInteger(Math.log10(value)) ? value.toLocaleString('en') : '';
}

function createChart(canvas: HTMLCanvasElement, getContent: () => ChartContent): Chart {
  return new Chart(canvas, {
    type: getContent().kind,
    data: { labels: [], datasets: [] },
    options: createOptions(canvas, getContent()) as never,
    plugins: [
      {
        id: 'band-and-numbers',
        beforeDatasetsDraw: ({ ctx, chartArea, scales }) => {
          const { band } = getContent();
          const y = scales['y'];
          if (!band || !y || (band.from === undefined && band.to === undefined)) return;
          const top =
            band.to === undefined ? chartArea.top : Math.max(chartArea.top, y.getPixelForValue(band.to));
          const foot = y.getPixelForValue(Math.max(FOOT, band.from ?? 0));
          ctx.fillStyle = probe(canvas, '--band');
          ctx.fillRect(chartArea.left, top, chartArea.width, Math.min(chartArea.bottom, foot) - top);
        },
        afterDatasetsDraw: (chart) => {
          const { ctx, data } = chart;
          if (getContent().kind !== 'bar') return;
          ctx.fillStyle = probe(canvas, '--ink');
          ctx.textAlign = 'center';
          ctx.font = `600 12.5px ${getComputedStyle(canvas).fontFamily}`;
          data.datasets.forEach((set, place) => {
            chart.getDatasetMeta(place).data.forEach((bar, at) => {
              const value = set.data[at];
              if (typeof value !== 'number') return;
              const words = getContent().series[place]?.words?.[at];
              ctx.fillText(words ?? (value === FOOT ? '0' : formatNumber(value)), bar.x, bar.y - 6);
            });
          });
        },
      },
    ],
  });
}
