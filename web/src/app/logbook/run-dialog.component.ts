import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { toSignal } from '@angular/core/rxjs-interop';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import type { Variant } from '#core/project/index';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { FIELD_PARTS, SELECT_PARTS } from '../ui/field-parts';
import { SayPipe } from '../words/say.pipe';

/** What can be run. */
export interface RunDialogData {
  readonly variants: readonly Variant[];
  /** The variant that is as the draft is; nothing if the draft has to be frozen first. */
  readonly asDraft: string | undefined;
  /** The variant that is proposed; the draft if nothing. */
  readonly proposed: string | undefined;
  /** How the draft would be called as a variant. */
  readonly draftName: string;
}

/** A variant by its id, or the draft with the name and the note under which it is frozen. */
export type RunAnswer =
  | { readonly variant: string; readonly name: string }
  | { readonly freeze: { readonly name: string; readonly note: string }; readonly name: string };

const DRAFT = '';

/** Asks what is run, and what the run is called. */
@Component({
  selector: 'app-run-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DIALOG_PARTS, FIELD_PARTS, ReactiveFormsModule, SayPipe, SELECT_PARTS],
  templateUrl: './run-dialog.component.html',
  styles: `
    mat-form-field {
      width: 100%;
      margin-top: 8px;
    }
  `,
})
export class RunDialogComponent {
  private readonly dialog = inject<MatDialogRef<RunDialogComponent, RunAnswer>>(MatDialogRef);
  protected readonly data = inject<RunDialogData>(MAT_DIALOG_DATA);
  protected readonly draft = DRAFT;
  protected readonly form = new FormGroup({
    what: new FormControl(this.data.proposed ?? this.data.asDraft ?? DRAFT, { nonNullable: true }),
    frozen: new FormControl(this.data.draftName, { nonNullable: true }),
    note: new FormControl('', { nonNullable: true }),
    name: new FormControl('', { nonNullable: true }),
  });
  private readonly what = toSignal(this.form.controls.what.valueChanges, {
    initialValue: this.form.controls.what.value,
  });
  protected readonly isDraft = computed(() => this.what() === DRAFT);
  /** A run without a name is called as its variant. */
  protected readonly proposedName = computed(
    () => this.data.variants.find(({ id }) => id === this.what())?.name ?? this.frozenName(),
  );
  private readonly frozenName = signal(this.data.draftName);

  constructor() {
    this.form.controls.frozen.addValidators([
      Validators.pattern(/\S/),
      (field) => Validators.required(field),
    ]);
    this.form.controls.frozen.valueChanges.subscribe((name) => this.frozenName.set(name));
  }

  protected run(): void {
    const { what, frozen, note, name } = this.form.getRawValue();
    if (this.isDraft() && this.form.invalid) return;
    const called = name.trim() || this.proposedName().trim();
    this.dialog.close(
      this.isDraft()
        ? { freeze: { name: frozen.trim(), note: note.trim() }, name: called }
        : { variant: what, name: called },
    );
  }
}
