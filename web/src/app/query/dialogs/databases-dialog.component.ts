import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { setItemDatabases } from '#core/outline/index';
import { OpenProject } from '../../state/open-project';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { QueryDesk } from '../query-desk';
import type { RowsDialogData } from './rows-dialog-data';
import { SayPipe } from '../../words/say.pipe';

/** The databases that rows are meant for. */
@Component({
  selector: 'app-databases-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, MatCheckbox],
  template: `
    <h2 mat-dialog-title>{{ 'shared.searchItIn' | say }}</h2>
    <mat-dialog-content>
      <p class="quiet">
        {{ 'query.itIsLeftOut' | say }}
      </p>
      <div role="group" [aria-label]="'shared.databasesThatItIsMeant' | say">
        @for (dialect of open.dialects(); track dialect.id) {
          <mat-checkbox
            [checked]="chosen().includes(dialect.id)"
            (change)="set(dialect.id, $event.checked)"
            >{{ dialect.name }}</mat-checkbox
          >
        }
      </div>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" mat-dialog-close>{{ 'shared.cancel' | say }}</button>
      <button mat-flat-button type="button" [disabled]="chosen().length === 0" (click)="take()">
        {{ 'query.searchItOnlyInThese' | say }}
      </button>
    </mat-dialog-actions>
  `,
  styleUrl: './dialog.scss',
})
export class DatabasesDialogComponent {
  protected readonly open = inject(OpenProject);
  private readonly desk = inject(QueryDesk);
  private readonly dialog = inject(MatDialogRef);
  private readonly data = inject<RowsDialogData>(MAT_DIALOG_DATA);
  private readonly all = this.open.dialects().map((dialect) => dialect.id);
  protected readonly chosen = signal<readonly string[]>(this.data.rows[0]?.databases ?? this.all);

  protected set(database: string, isChosen: boolean): void {
    this.chosen.update((now) =>
      this.all.filter((other) => (other === database ? isChosen : now.includes(other))),
    );
  }

  protected take(): void {
    const { home, rows } = this.data;
    const chosen = this.chosen().length === this.all.length ? [] : this.chosen();
    this.desk.edit(home, (root) =>
      setItemDatabases(
        root,
        rows.map((row) => row.path),
        chosen,
      ),
    );
    this.dialog.close();
  }
}
