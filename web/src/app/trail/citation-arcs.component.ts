import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { TrailStart } from '#core/trail/index';
import { SayPipe } from '../words/say.pipe';
import { ARCS_HEIGHT, ARCS_WIDTH, drawArcs, type ArcWork } from './citation-arcs';

/** The works of a short trail along the years, with their citations as arcs. The table beside it says all of it, too. */
@Component({
  selector: 'app-citation-arcs',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    <p class="legend quiet" aria-hidden="true">
      <span class="mark start"></span> {{ 'trail.startsOfIt' | say }} <span class="mark found"></span>
      {{ 'trail.theDraftFinds' | say }} <span class="mark missed"></span> {{ 'trail.theDraftMisses' | say }}
      <span class="line"></span> {{ 'trail.whatTheyCite' | say }} <span class="line citedby"></span>
      {{ 'trail.whatCitesThem' | say }}
      @if (drawing().withoutYear > 0) {
        · {{ 'trail.withoutAYear' | say: { count: drawing().withoutYear } }}
      }
    </p>
    <svg
      [attr.viewBox]="'0 0 ' + width + ' ' + height"
      role="img"
      [attr.aria-label]="
        'trail.citationsAsArcs' | say: { works: works().length, citations: drawing().arcs.length }
      "
    >
      @for (arc of drawing().arcs; track $index) {
        <path [attr.d]="arc.path" [class.citedby]="arc.direction === 'citedby'" />
      }
      @for (point of drawing().points; track $index) {
        @if (point.kind === 'start') {
          <rect [attr.x]="point.x - 5" [attr.y]="point.y - 5" width="10" height="10">
            <title>{{ point.title }}</title>
          </rect>
        } @else {
          <circle [attr.cx]="point.x" [attr.cy]="point.y" r="4.5" [class]="point.kind">
            <title>{{ point.title }}</title>
          </circle>
        }
      }
      @for (one of drawing().years; track one.year) {
        <text [attr.x]="one.x" y="178" text-anchor="middle">{{ one.year }}</text>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      width: 100%;
      max-width: 1200px;
      height: auto;
    }
    path {
      fill: none;
      stroke: var(--mute);
      stroke-width: 1;
      opacity: 0.55;
    }
    path.citedby {
      stroke-dasharray: 4 3;
    }
    rect,
    .start {
      fill: var(--ink);
      background: var(--ink);
    }
    circle {
      stroke-width: 1.6;
      stroke: var(--glaze);
      fill: var(--glaze);
    }
    circle.missed {
      stroke: var(--hue-b);
      fill: var(--paper);
    }
    circle.unknown {
      stroke: var(--mute);
      fill: var(--paper);
    }
    text {
      font-size: 12px;
      fill: var(--mute);
    }
    .mark {
      display: inline-block;
      width: 10px;
      height: 10px;
      margin-left: 12px;
    }
    .mark.start {
      margin-left: 0;
    }
    .mark.found,
    .mark.missed {
      border: 2px solid var(--glaze);
      border-radius: 50%;
      background: var(--glaze);
    }
    .mark.missed {
      border-color: var(--hue-b);
      background: none;
    }
    .line {
      display: inline-block;
      width: 22px;
      margin-left: 12px;
      border-top: 1px solid var(--mute);
      vertical-align: middle;
    }
    .line.citedby {
      border-top-style: dashed;
    }
  `,
})
export class CitationArcsComponent {
  readonly starts = input.required<readonly TrailStart[]>();
  readonly works = input.required<readonly ArcWork[]>();

  protected readonly width = ARCS_WIDTH;
  protected readonly height = ARCS_HEIGHT;
  protected readonly drawing = computed(() => drawArcs(this.starts(), this.works()));
}
