import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MAT_DIALOG_DATA } from '@angular/material/dialog';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { TextFieldComponent } from '../ui/text-field.component';

/** A dialog of one of the sizes. */
@Component({
  selector: 'app-sample-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DIALOG_PARTS, TextFieldComponent],
  template: `
    <h2 mat-dialog-title>A dialog, {{ size }}</h2>
    <mat-dialog-content>
      <app-text-field label="Name" value="Bats and street lighting" />
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" mat-dialog-close>Cancel</button>
      <button mat-flat-button type="button" mat-dialog-close>Use</button>
    </mat-dialog-actions>
  `,
})
export class SampleDialogComponent {
  protected readonly size = inject<string>(MAT_DIALOG_DATA);
}
