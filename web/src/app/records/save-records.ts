import { Injectable, inject } from '@angular/core';
import { Dialogs } from '../ui/dialogs';
import type { SaveRecordsDialogData } from './save-records-dialog.component';

/** Opens the dialog that saves records for other programs. */
@Injectable({ providedIn: 'root' })
export class SaveRecords {
  private readonly dialogs = inject(Dialogs);

  async open(data: SaveRecordsDialogData): Promise<void> {
    const { SaveRecordsDialogComponent } = await import('./save-records-dialog.component');
    this.dialogs.open<InstanceType<typeof SaveRecordsDialogComponent>, SaveRecordsDialogData, void>(
      SaveRecordsDialogComponent,
      { data, width: 560 },
    );
  }
}
