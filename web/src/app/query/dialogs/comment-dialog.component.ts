import { FIELD_PARTS } from '../../ui/field-parts';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { setItemComments } from '#core/outline/index';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { QueryDesk } from '../query-desk';
import type { RowsDialogData } from './rows-dialog-data';
import { SayPipe } from '../../words/say.pipe';

/** What is remarked on a row: it stands in the query text as a comment. */
@Component({
  selector: 'app-comment-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, FIELD_PARTS],
  template: `
    <h2 mat-dialog-title>{{ 'query.comment' | say }}</h2>
    <mat-dialog-content>
      <mat-form-field class="wide"
        ><mat-label>{{ 'query.commentOnTheRow' | say }}</mat-label
        ><textarea matInput #field rows="3" maxlength="2000" [value]="text"></textarea>
      </mat-form-field>
      <p class="quiet">{{ 'query.itStandsBeforeTheRow' | say }}</p>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" mat-dialog-close>{{ 'shared.cancel' | say }}</button>
      <button mat-flat-button type="button" (click)="take(field.value)">{{ 'query.keepIt' | say }}</button>
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
