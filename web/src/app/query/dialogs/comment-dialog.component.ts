import { FIELD_PARTS } from '../../ui/field-parts';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { setItemComments } from '#core/outline/index';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { QueryDesk } from '../query-desk';
import type { RowsDialogData } from './rows-dialog-data';

/** What is remarked on a row: it stands in the query text as a comment. */
@Component({
  selector: 'app-comment-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DIALOG_PARTS, FIELD_PARTS],
  template: `
    <h2 mat-dialog-title>Comment</h2>
    <mat-dialog-content>
      <mat-form-field class="wide"
        ><mat-label>Comment on the row</mat-label
        ><textarea matInput #field rows="3" maxlength="2000" [value]="text"></textarea>
      </mat-form-field>
      <p class="quiet">It stands before the row in the text, behind two slashes, and is never searched.</p>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" mat-dialog-close>Cancel</button>
      <button mat-flat-button type="button" (click)="take(field.value)">Keep it</button>
    </mat-dialog-actions>
  `,
  styleUrl: './dialog.scss',
})
export class CommentDialogComponent {
  private readonly desk = inject(QueryDesk);
  private readonly dialog = inject(MatDialogRef);
  private readonly data = inject<RowsDialogData>(MAT_DIALOG_DATA);
  protected readonly text = this.data.rows[0]?.comments.join('\n') ?? '';

  protected take(text: string): void {
    const { home, rows } = this.data;
    this.desk.edit(home, (root) => setItemComments(root, rows[0]?.path ?? [], text.split('\n')));
    this.dialog.close();
  }
}
