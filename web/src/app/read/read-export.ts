import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import type { OwnDatabase } from '#core/project/index';
import { build, printQuery } from '#core/query/index';
import { DOCUMENT_TYPES } from '#core/record/index';
import { writeMoment } from '../data/clock-and-ids';
import type { CollectionDialogData } from '../own-records/collection-dialog.component';
import { createStringAddress } from '../records/string-address';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';
import { Dialogs } from '../ui/dialogs';
import { formatNumber } from '../ui/number-format';
import { say } from '../words/say';
import { ReadSubject } from './read-subject';

/** The longest name that a collection can have. */
const LONGEST_NAME = 100;
/** Finds all records of a collection of one's own: each is of some type. */
const EVERY_RECORD = printQuery(build.or(...DOCUMENT_TYPES.map((type) => build.value('type', type))));

/** Reads what a database that is searched by hand exported. */
@Injectable()
export class ReadExport {
  private readonly subject = inject(ReadSubject);
  private readonly open = inject(OpenProject);
  private readonly dialogs = inject(Dialogs);
  private readonly router = inject(Router);
  private readonly connections = inject(Connections);

  /** Takes in what a database exported for this set, and reads it: as records of one's own, kept on this machine. */
  start(): void {
    const dialect = this.subject.dialect();
    if (!dialect) return;
    const label = say('read.resultsOfIn', {
      label: this.subject.label(),
      name: dialect.name,
      slice: writeMoment(this.open.now()).slice(0, 10),
    });
    void import('../own-records/collection-dialog.component').then(({ CollectionDialogComponent }) =>
      this.dialogs
        .open<InstanceType<typeof CollectionDialogComponent>, CollectionDialogData, OwnDatabase>(
          CollectionDialogComponent,
          { data: { name: label.slice(0, LONGEST_NAME), useWords: say('shared.readThem') }, width: 640 },
        )
        .afterClosed()
        .subscribe((database) => {
          if (database) void this.readCollection(database, label);
        }),
    );
  }

  private async readCollection(database: OwnDatabase, label: string): Promise<void> {
    const wanted = this.subject.typedTotal();
    this.open.change({ kind: 'keep-own-database', database });
    const countKey = { database: database.dialect.id, string: EVERY_RECORD, sentLimiters: {} };
    const counted = await this.connections
      .find(database.dialect.id)
      .ask('count', { strings: [EVERY_RECORD], sentLimiters: {} });
    const [entry] = counted.ok ? counted.value : [];
    const read = entry && 'total' in entry ? entry.total : undefined;
    const { queryParams, fragment } = createStringAddress(countKey, label + describeExport(read, wanted));
    void this.router.navigate([], { queryParams, fragment });
  }
}

/** Whether an export has all records that the database counted, as far as that is known. */
function describeExport(read: number | undefined, wanted: number | undefined): string {
  if (read === undefined || wanted === undefined) return '';
  if (read === wanted) return say('read.complete');
  return read < wanted
    ? say('read.theFirstOf', { read: formatNumber(read), wanted: formatNumber(wanted) })
    : say('read.recordsWhereItCounted', { read: formatNumber(read), wanted: formatNumber(wanted) });
}
