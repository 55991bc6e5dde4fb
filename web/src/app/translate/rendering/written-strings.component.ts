import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { RenderingRow } from './rendering-row';
import { SayPipe } from '../../words/say.pipe';

/** The strings of one database, each piece in the colour of its concept. */
@Component({
  selector: 'app-written-strings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatButton],
  templateUrl: './written-strings.component.html',
  styleUrl: './written-strings.component.scss',
})
export class WrittenStringsComponent {
  readonly row = input.required<RenderingRow>();
  /** The nodes that are lit. */
  readonly lit = input<readonly string[]>([]);
  readonly isOneLine = input(false);
  /** The nodes that are pointed at. */
  readonly pointed = output<readonly string[]>();
  readonly copied = output<{ text: string; what: string }>();

  protected isLit(nodes: readonly string[]): boolean {
    return this.lit().some((node) => nodes.includes(node));
  }

  protected point(nodes: readonly string[]): void {
    const last = nodes.at(-1);
    this.pointed.emit(last === undefined ? [] : [last]);
  }
}
