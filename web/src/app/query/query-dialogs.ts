import type { ComponentType } from '@angular/cdk/portal';
import { Injectable, Injector, inject } from '@angular/core';
import type { MatDialogRef } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';
import { QueryDesk, type EditHome } from './query-desk';
import { QueryFindings } from './query-findings';
import type { OutlineRow } from '#core/outline/index';
import { Dialogs } from '../ui/dialogs';

/** Opens the dialogs of the Query view; each is fetched when it is first opened. They make their edits themselves. */
@Injectable()
export class QueryDialogs {
  private readonly dialogs = inject(Dialogs);
  private readonly injector = Injector.create({
    parent: inject(Injector),
    providers: [
      { provide: QueryDesk, useValue: inject(QueryDesk) },
      { provide: QueryFindings, useValue: inject(QueryFindings) },
    ],
  });

  fields(home: EditHome, rows: readonly OutlineRow[]): void {
    void import('./dialogs/fields-dialog.component').then((file) =>
      this.open(file.FieldsDialogComponent, { home, rows }, 420),
    );
  }

  databases(home: EditHome, rows: readonly OutlineRow[]): void {
    void import('./dialogs/databases-dialog.component').then((file) =>
      this.open(file.DatabasesDialogComponent, { home, rows }, 420),
    );
  }

  comment(home: EditHome, row: OutlineRow): void {
    void import('./dialogs/comment-dialog.component').then((file) =>
      this.open(file.CommentDialogComponent, { home, rows: [row] }, 460),
    );
  }

  block(home: EditHome, row: OutlineRow): void {
    void import('./dialogs/block-dialog.component').then((file) =>
      this.open(file.BlockDialogComponent, { home, rows: [row] }, 420),
    );
  }

  /** Asks for a new row by its parts; gives its query text. */
  async build(): Promise<string | undefined> {
    const file = await import('./dialogs/build-dialog.component');
    const dialog: MatDialogRef<unknown, string> = this.open(file.BuildDialogComponent, undefined, 620);
    return firstValueFrom(dialog.afterClosed());
  }

  rename(name: string): void {
    void import('./dialogs/rename-dialog.component').then((file) =>
      this.open(file.RenameDialogComponent, name, 380),
    );
  }

  report(): void {
    void import('./report/report-dialog.component').then((file) =>
      this.open(file.ReportDialogComponent, undefined, 860),
    );
  }

  algebra(): void {
    void import('./dialogs/algebra-dialog.component').then((file) =>
      this.open(file.AlgebraDialogComponent, undefined, 720),
    );
  }

  private open<T, D, R>(component: ComponentType<T>, data: D, width: number): MatDialogRef<T, R> {
    return this.dialogs.open<T, D, R>(component, { data, width, injector: this.injector });
  }
}
