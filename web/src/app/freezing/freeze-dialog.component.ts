import { FIELD_PARTS } from '../ui/field-parts';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { MatFormField, MatLabel } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { SayPipe } from '../words/say.pipe';

/** The name of a variant and why it is kept. */
export interface FreezeAnswer {
  readonly name: string;
  readonly note: string;
}

/** What is asked for: a new variant, or another name for one. */
export interface FreezeDialogData extends FreezeAnswer {
  readonly isThere: boolean;
}

/** Asks for the name and the note of a variant. */
@Component({
  selector: 'app-freeze-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, MatFormField, MatInput, MatLabel, ReactiveFormsModule, FIELD_PARTS],
  template: `
    <h2 mat-dialog-title>{{ (data.isThere ? 'freezing.nameAndNote' : 'shared.freezeAsVariant') | say }}</h2>
    <form [formGroup]="form" (ngSubmit)="freeze()">
      <mat-dialog-content>
        @if (!data.isThere) {
          <p class="quiet">
            {{ 'freezing.aVariantKeepsTheQuery' | say }}
          </p>
        }
        <mat-form-field
          ><mat-label>{{ 'shared.name' | say }}</mat-label
          ><input matInput [aria-label]="'shared.name' | say" formControlName="name" maxlength="80"
        /></mat-form-field>
        <mat-form-field class="wide"
          ><mat-label>{{ 'freezing.whatChangedAndWhy' | say }}</mat-label
          ><textarea
            matInput
            [aria-label]="'freezing.whatChangedAndWhy' | say"
            formControlName="note"
            rows="2"
            maxlength="2000"
          ></textarea>
        </mat-form-field>
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button mat-button type="button" mat-dialog-close>{{ 'shared.cancel' | say }}</button>
        <button mat-flat-button type="submit" [disabled]="form.invalid">
          {{ (data.isThere ? 'freezing.save' : 'freezing.freeze') | say }}
        </button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    mat-form-field {
      width: 100%;
      margin-top: 10px;
    }
  `,
})
export class FreezeDialogComponent {
  private readonly dialog = inject<MatDialogRef<FreezeDialogComponent, FreezeAnswer>>(MatDialogRef);
  protected readonly data = inject<FreezeDialogData>(MAT_DIALOG_DATA);
  protected readonly form = new FormGroup({
    name: new FormControl(this.data.name, {
      nonNullable: true,
      validators: [Validators.pattern(/\S/), (field) => Validators.required(field)],
    }),
    note: new FormControl(this.data.note, { nonNullable: true }),
  });

  protected freeze(): void {
    const { name, note } = this.form.getRawValue();
    if (this.form.valid) this.dialog.close({ name: name.trim(), note: note.trim() });
  }
}
