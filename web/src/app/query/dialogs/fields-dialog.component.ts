import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { listFields, setItemFields } from '#core/outline/index';
import { DEFAULT_FIELDS, FIELDS, type Field } from '#core/query/index';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { QueryDesk } from '../query-desk';
import type { RowsDialogData } from './rows-dialog-data';
import { SayPipe } from '../../words/say.pipe';

/** Where rows are searched. */
@Component({
  selector: 'app-fields-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, MatCheckbox],
  template: `
    <h2 mat-dialog-title>{{ 'query.fields' | say }}</h2>
    <mat-dialog-content>
      <p class="quiet">{{ 'query.whereTheWords' | say: { usual: usual } }}</p>
      <div role="group" [aria-label]="'query.fields' | say">
        @for (field of fields; track field) {
          <mat-checkbox [checked]="chosen().includes(field)" (change)="set(field, $event.checked)">{{
            name(field)
          }}</mat-checkbox>
        }
      </div>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" mat-dialog-close>{{ 'shared.cancel' | say }}</button>
      <button mat-flat-button type="button" (click)="take()">{{ 'query.searchThere' | say }}</button>
    </mat-dialog-actions>
  `,
  styleUrl: './dialog.scss',
})
export class FieldsDialogComponent {
  private readonly desk = inject(QueryDesk);
  private readonly dialog = inject(MatDialogRef);
  private readonly data = inject<RowsDialogData>(MAT_DIALOG_DATA);
  protected readonly fields = FIELDS;
  protected readonly usual = listFields(DEFAULT_FIELDS);
  protected readonly chosen = signal<readonly Field[]>(this.data.rows[0]?.fields ?? []);

  protected name(field: Field): string {
    return listFields([field]);
  }

  protected set(field: Field, isChosen: boolean): void {
    this.chosen.update((now) => FIELDS.filter((other) => (other === field ? isChosen : now.includes(other))));
  }

  protected take(): void {
    const { home, rows } = this.data;
    this.desk.edit(home, (root) =>
      setItemFields(
        root,
        rows.map((row) => row.path),
        this.chosen(),
      ),
    );
    this.dialog.close();
  }
}
