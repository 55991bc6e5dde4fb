import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { OutlineRow } from '#core/outline/index';
import { IconComponent } from '../ui/icon.component';
import { SayPipe } from '../words/say.pipe';

/** The member on which a row's number depends most. */
export interface DominantWords {
  readonly words: string;
  readonly hue: string;
  readonly change: string;
}

/** What a row of the query says: what joins it, its text, its fields and remarks. */
@Component({
  selector: 'app-row-words',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, IconComponent],
  templateUrl: './row-words.component.html',
  styleUrl: './row-words.component.scss',
})
export class RowWordsComponent {
  readonly row = input.required<OutlineRow>();
  readonly lead = input.required<string>();
  readonly chips = input.required<readonly string[]>();
  readonly dominant = input<DominantWords>();
  /** The block that the row uses is to be opened or closed. */
  readonly opened = output<{ readonly name: string; readonly isOpen: boolean }>();
}
