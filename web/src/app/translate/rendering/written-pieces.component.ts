import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { HeadingOffer } from '../heading-offers';
import { DifferenceComponent } from './difference.component';
import type { RenderingRow } from './rendering-row';
import { SayPipe } from '../../words/say.pipe';

/** So many pieces are listed before the rest is asked for. */
const FIRST_COSTS = 4;

/** The pieces of the query that one database does not say as they are meant, and headings that it offers. */
@Component({
  selector: 'app-written-pieces',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DifferenceComponent, MatButton],
  templateUrl: './written-pieces.component.html',
  styleUrl: './written-pieces.component.scss',
})
export class WrittenPiecesComponent {
  readonly row = input.required<RenderingRow>();
  /** The nodes that are pointed at. */
  readonly pointed = output<readonly string[]>();
  /** A heading that is to be put in for this database. */
  readonly taken = output<HeadingOffer>();

  protected readonly showsAll = signal(false);
  protected readonly costs = computed(() =>
    this.showsAll() ? this.row().costs : this.row().costs.slice(0, FIRST_COSTS),
  );
  protected readonly hidden = computed(() => this.row().costs.length - this.costs().length);
}
