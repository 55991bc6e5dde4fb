import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { TextFieldComponent } from '../ui/text-field.component';
import { SayPipe } from '../words/say.pipe';
import { LogView, type ShownEntry } from './log-view';
import { RichTextComponent } from './rich-text.component';

/** The log, day by day, the latest first; a line opens to show what it holds. */
@Component({
  selector: 'app-log-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, RichTextComponent, SayPipe, TextFieldComponent],
  templateUrl: './log-list.component.html',
  styleUrl: './log-list.component.scss',
})
export class LogListComponent {
  protected readonly view = inject(LogView);
  /** The line that is to become the draft again. */
  readonly returned = output<ShownEntry>();
  /** A note or a source that is to be written anew, or taken away. */
  readonly edited = output<ShownEntry>();
  readonly removed = output<ShownEntry>();

  protected readonly opened = signal<string | undefined>(undefined);

  protected toggle({ id }: ShownEntry): void {
    this.opened.update((open) => (open === id ? undefined : id));
  }

  protected canEdit({ kind }: ShownEntry): boolean {
    return kind === 'note' || kind === 'source';
  }
}
