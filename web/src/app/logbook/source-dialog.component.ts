import { ChangeDetectionStrategy, Component, inject, signal, viewChildren } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { SOURCE_KINDS, type PlainSource, type SourceKind } from '#core/project/index';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { FIELD_PARTS, SELECT_PARTS } from '../ui/field-parts';
import { NumberFieldComponent } from '../ui/number-field.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** What is asked of a source that is searched without a string. */
export type SourceAnswer = Omit<PlainSource, 'id' | 'moment'>;

const KIND_NAMES: Readonly<Record<SourceKind, string>> = {
  get journal() {
    return say('logbook.aJournalReadThrough');
  },
  get website() {
    return say('logbook.aWebsite');
  },
  get expert() {
    return say('logbook.aPersonWhoWasAsked');
  },
  get references() {
    return say('logbook.referencesOfAWork');
  },
  get other() {
    return say('logbook.somethingElse');
  },
};

/** Asks for a source that was searched without a string: what, how, by whom, and what came of it. */
@Component({
  selector: 'app-source-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DIALOG_PARTS, FIELD_PARTS, NumberFieldComponent, ReactiveFormsModule, SayPipe, SELECT_PARTS],
  templateUrl: './source-dialog.component.html',
  styles: `
    mat-form-field {
      width: 100%;
      margin-top: 8px;
    }
    .numbers {
      display: flex;
      gap: 12px;
      margin-top: 8px;
    }
  `,
})
export class SourceDialogComponent {
  private readonly dialog = inject<MatDialogRef<SourceDialogComponent, SourceAnswer>>(MatDialogRef);
  private readonly data = inject<SourceAnswer | undefined>(MAT_DIALOG_DATA, { optional: true });
  private readonly numbers = viewChildren(NumberFieldComponent);
  protected readonly kinds = SOURCE_KINDS.map((id) => ({ id, name: KIND_NAMES[id] }));
  protected readonly looked = signal(this.data?.looked);
  protected readonly kept = signal(this.data?.kept);
  protected readonly form = new FormGroup({
    kind: new FormControl<SourceKind>(this.data?.kind ?? 'journal', { nonNullable: true }),
    name: new FormControl(this.data?.name ?? '', {
      nonNullable: true,
      validators: [Validators.pattern(/\S/), (field) => Validators.required(field)],
    }),
    how: new FormControl(this.data?.how ?? '', { nonNullable: true }),
    by: new FormControl(this.data?.by ?? '', { nonNullable: true }),
  });

  protected keep(): void {
    if (this.form.invalid || this.numbers().some((field) => field.fault() !== '')) return;
    const { kind, name, how, by } = this.form.getRawValue();
    const [looked, kept] = [this.looked(), this.kept()];
    this.dialog.close({
      kind,
      name: name.trim(),
      how: how.trim(),
      by: by.trim(),
      ...(looked !== undefined && { looked }),
      ...(kept !== undefined && { kept }),
    });
  }
}
