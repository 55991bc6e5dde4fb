import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatCheckbox } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { MatFormField, MatLabel } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { TargetBand } from '#core/project/index';
import { DIALOG_PARTS } from '../ui/dialog-parts';

/** Whose band, and how it stands. */
export interface BandDialogData {
  readonly name: string;
  readonly band: TargetBand;
  /** How many databases are searched. */
  readonly databases: number;
}

/** A band, and whether it is to hold for all databases that are searched. */
export interface BandAnswer {
  readonly band: TargetBand;
  readonly isForAll: boolean;
}

/** Asks how many results of one database a person can cope with. */
@Component({
  selector: 'app-band-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DIALOG_PARTS, MatCheckbox, MatFormField, MatInput, MatLabel, ReactiveFormsModule],
  template: `
    <h2 mat-dialog-title>Target band</h2>
    <form [formGroup]="form" (ngSubmit)="set()">
      <mat-dialog-content>
        <p class="quiet">
          How many results from {{ data.name }} do you want to read? Leave either end empty for no limit.
        </p>
        <div class="ends">
          <mat-form-field
            ><mat-label>at least</mat-label
            ><input matInput aria-label="at least" type="number" min="0" formControlName="from"
          /></mat-form-field>
          <mat-form-field
            ><mat-label>at most</mat-label
            ><input matInput aria-label="at most" type="number" min="0" formControlName="to"
          /></mat-form-field>
        </div>
        @if (data.databases > 1) {
          <mat-checkbox formControlName="isForAll"
            >the same for all {{ data.databases }} databases</mat-checkbox
          >
        }
        @if (isReversed()) {
          <p class="quiet" role="alert">“At least” is larger than “at most”.</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button mat-button type="button" mat-dialog-close>Cancel</button>
        <button mat-flat-button type="submit" [disabled]="form.invalid || isReversed()">Set</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    .ends {
      display: flex;
      gap: 12px;
      margin-top: 10px;
    }
  `,
})
export class BandDialogComponent {
  private readonly dialog = inject<MatDialogRef<BandDialogComponent, BandAnswer>>(MatDialogRef);
  protected readonly data = inject<BandDialogData>(MAT_DIALOG_DATA);
  protected readonly form = new FormGroup({
    from: new FormControl<number | null>(this.data.band.from ?? null, Validators.min(0)),
    to: new FormControl<number | null>(this.data.band.to ?? null, Validators.min(0)),
    isForAll: new FormControl(false, { nonNullable: true }),
  });

  protected isReversed(): boolean {
    const { from, to } = this.form.value;
    return typeof from === 'number' && typeof to === 'number' && from > to;
  }

  protected set(): void {
    const { from, to, isForAll = false } = this.form.value;
    if (this.form.invalid || this.isReversed()) return;
    const band = {
      ...(typeof from === 'number' && { from: Math.floor(from) }),
      ...(typeof to === 'number' && { to: Math.floor(to) }),
    };
    this.dialog.close({ band, isForAll });
  }
}
