import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { writeRequest } from '#core/reading/index';
import type { BibliographicRecord } from '#core/record/index';
import { saveFile } from '../data/save-file';
import { TextClipboard } from '../data/text-clipboard';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { createFileName } from '../ui/file-name';
import { Messages } from '../ui/messages';
import { TextFieldComponent } from '../ui/text-field.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** What is asked for. */
export interface RequestDialogData {
  readonly record: BibliographicRecord;
  /** The name of the database that it was found in. */
  readonly database: string;
  /** `2026-01-31`. */
  readonly day: string;
}

/** The text by which a library is asked for a work, to change, copy or save. Closes with true if it is to be noted. */
@Component({
  selector: 'app-request-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, TextFieldComponent],
  template: `
    <h2 mat-dialog-title>{{ 'read.askALibraryForItLabel' | say }}</h2>
    <mat-dialog-content>
      <p class="quiet">
        {{ 'read.ewerSendsNothingCopy' | say }}
      </p>
      <app-text-field
        class="wide"
        [label]="'read.request' | say"
        [rows]="12"
        [value]="text()"
        (typed)="text.set($event)"
      />
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" mat-dialog-close>{{ 'shared.close' | say }}</button>
      <button mat-button type="button" (click)="copy()">{{ 'shared.copy' | say }}</button>
      <button mat-button type="button" (click)="save()">{{ 'shared.saveAsAFile' | say }}</button>
      <button mat-flat-button type="button" (click)="ref.close(true)">
        {{ 'read.noteThatIAsked' | say }}
      </button>
    </mat-dialog-actions>
  `,
})
export class RequestDialogComponent {
  private readonly clipboard = inject(TextClipboard);
  private readonly messages = inject(Messages);
  private readonly data = inject<RequestDialogData>(MAT_DIALOG_DATA);
  protected readonly ref = inject<MatDialogRef<RequestDialogComponent, boolean>>(MatDialogRef);
  protected readonly text = signal(writeRequest(this.data.record, this.data.database, this.data.day));

  protected copy(): void {
    this.messages.showCopied(this.clipboard.copy(this.text()), say('read.theRequest'));
  }

  protected save(): void {
    saveFile(`${createFileName(this.data.record.title)}.txt`, this.text(), 'text/plain');
  }
}
