import { Injectable, inject } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import type { OwnDatabase } from '#core/project/index';
import { build, printQuery } from '#core/query/index';
import { DOCUMENT_TYPES } from '#core/record/index';
import { OpenProject } from '../state/open-project';
import { Dialogs } from '../ui/dialogs';
import type { CollectionDialogData } from './collection-dialog.component';

/** The longest name that a collection can have. */
const LONGEST_NAME = 100;
/** Finds all records of a collection of one's own: each is of some type. */
export const EVERY_RECORD = printQuery(build.or(...DOCUMENT_TYPES.map((type) => build.value('type', type))));

/** Takes in what a database exported: as records of one's own, kept on this machine and named in the project. */
@Injectable({ providedIn: 'root' })
export class TakeCollection {
  private readonly open = inject(OpenProject);
  private readonly dialogs = inject(Dialogs);

  /** Asks for files or pasted records; nothing if the person leaves. */
  async ask(name: string, useWords: string): Promise<OwnDatabase | undefined> {
    const { CollectionDialogComponent } = await import('./collection-dialog.component');
    const dialog = this.dialogs.open<
      InstanceType<typeof CollectionDialogComponent>,
      CollectionDialogData,
      OwnDatabase
    >(CollectionDialogComponent, { data: { name: name.slice(0, LONGEST_NAME), useWords }, width: 640 });
    const database = await firstValueFrom(dialog.afterClosed(), { defaultValue: undefined });
    if (database) this.open.change({ kind: 'keep-own-database', database });
    return database;
  }
}
