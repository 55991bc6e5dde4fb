import { MatRadioButton } from '@angular/material/radio';
import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { PhraseFallback } from '#core/dialect/index';
import { CountComponent } from '../../records/count.component';
import type { RenderingRow } from './rendering-row';
import { SayPipe } from '../../words/say.pipe';

/** The ways to write phrases that a database cannot cut, each with its count. */
@Component({
  selector: 'app-phrase-ways',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, CountComponent, MatRadioButton],
  templateUrl: './phrase-ways.component.html',
  styleUrl: './phrase-ways.component.scss',
})
export class PhraseWaysComponent {
  readonly row = input.required<RenderingRow>();
  readonly chosen = output<PhraseFallback | undefined>();
}
