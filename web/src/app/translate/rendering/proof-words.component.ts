import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { formatNumber } from '../../ui/number-format';
import { DifferenceComponent } from './difference.component';
import type { RenderingRow } from './rendering-row';
import { SayPipe } from '../../words/say.pipe';

/** What proving a string found: how many records it finds too many and too few. */
@Component({
  selector: 'app-proof-words',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DifferenceComponent],
  templateUrl: './proof-words.component.html',
  styles: `
    .waiting {
      color: var(--mute);
    }
  `,
})
export class ProofWordsComponent {
  readonly row = input.required<RenderingRow>();
  protected readonly format = formatNumber;
}
