import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { RenderingRow } from './rendering-row';
import { SayPipe } from '../../words/say.pipe';

/** The query as numbered searches, where the database can refer to earlier ones. */
@Component({
  selector: 'app-numbered-searches',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatButton],
  templateUrl: './numbered-searches.component.html',
  styleUrl: './numbered-searches.component.scss',
})
export class NumberedSearchesComponent {
  readonly row = input.required<RenderingRow>();
  readonly copied = output<{ text: string; what: string }>();
}
