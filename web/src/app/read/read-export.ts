import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import type { OwnDatabase } from '#core/project/index';
import { writeMoment } from '../data/clock-and-ids';
import { EVERY_RECORD, TakeCollection } from '../own-records/take-collection';
import { createStringAddress } from '../records/string-address';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';
import { formatNumber } from '../ui/number-format';
import { say } from '../words/say';
import { ReadSubject } from './read-subject';

/** Reads what a database that is searched by hand exported. */
@Injectable()
export class ReadExport {
  private readonly subject = inject(ReadSubject);
  private readonly open = inject(OpenProject);
  private readonly collections = inject(TakeCollection);
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
    void this.collections.ask(label, say('shared.readThem')).then((database) => {
      if (database) void this.readCollection(database, label);
    });
  }

  private async readCollection(database: OwnDatabase, label: string): Promise<void> {
    const wanted = this.subject.typedTotal();
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
