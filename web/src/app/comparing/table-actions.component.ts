import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { getProjectTitle } from '#core/project/index';
import { saveFile } from '../data/save-file';
import { TextClipboard } from '../data/text-clipboard';
import { OpenProject } from '../state/open-project';
import { createFileName } from '../ui/file-name';
import { Messages } from '../ui/messages';
import { writeCsv, writeTabbed, type TableCells } from '../ui/table-file';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** Copies a table, or saves it as a file. */
@Component({
  selector: 'app-table-actions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatButton],
  template: `
    <button mat-button type="button" (click)="copy()">{{ 'shared.copyTheTable' | say }}</button>
    <button mat-button type="button" (click)="save()">{{ 'compare.saveAsATable' | say }}</button>
  `,
  styles: ':host { display: flex; gap: 14px; margin: 6px 0; }',
})
export class TableActionsComponent {
  private readonly clipboard = inject(TextClipboard);
  private readonly messages = inject(Messages);
  private readonly open = inject(OpenProject);

  /** What the file is of, for its name. */
  readonly of = input.required<string>();
  /** The table as it stands on the screen, its heads among it. */
  readonly cells = input.required<TableCells>();

  protected copy(): void {
    const isCopied = this.clipboard.copy(writeTabbed(this.cells()));
    this.messages.show(isCopied ? say('compare.theTableWasCopied') : say('compare.theBrowserDidNotAllow'));
  }

  protected save(): void {
    const name = createFileName(getProjectTitle(this.open.project()));
    saveFile(`${name}-${this.of()}.csv`, writeCsv(this.cells()), 'text/csv');
  }
}
