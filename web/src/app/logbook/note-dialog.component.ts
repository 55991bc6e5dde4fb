import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { FIELD_PARTS } from '../ui/field-parts';
import { SayPipe } from '../words/say.pipe';

/** Asks for the text of a note. */
@Component({
  selector: 'app-note-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DIALOG_PARTS, FIELD_PARTS, ReactiveFormsModule, SayPipe],
  template: `
    <h2 mat-dialog-title>{{ 'logbook.noteInTheLog' | say }}</h2>
    <form [formGroup]="form" (ngSubmit)="keep()">
      <mat-dialog-content>
        <mat-form-field class="wide"
          ><mat-label>{{ 'shared.note' | say }}</mat-label
          ><textarea matInput formControlName="text" rows="4" maxlength="5000"></textarea>
        </mat-form-field>
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button mat-button type="button" mat-dialog-close>{{ 'shared.cancel' | say }}</button>
        <button mat-flat-button type="submit" [disabled]="form.invalid">{{ 'freezing.save' | say }}</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    mat-form-field {
      width: 100%;
      margin-top: 8px;
    }
  `,
})
export class NoteDialogComponent {
  private readonly dialog = inject<MatDialogRef<NoteDialogComponent, string>>(MatDialogRef);
  protected readonly form = new FormGroup({
    text: new FormControl(inject<string>(MAT_DIALOG_DATA), {
      nonNullable: true,
      validators: [Validators.pattern(/\S/), (field) => Validators.required(field)],
    }),
  });

  protected keep(): void {
    if (this.form.valid) this.dialog.close(this.form.getRawValue().text.trim());
  }
}
