import { Injectable, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import type { FirstFound, KeptPlace } from '#core/project/index';
import type { BibliographicRecord } from '#core/record/index';
import { MustFindTaking } from '../records/must-find-taking';
import { Shelf } from '../records/shelf';
import { writeTrail } from '../records/trail-address';
import { OpenProject } from '../state/open-project';
import { ReadRecords, type ListedRecord } from './read-records';
import { ReadSubject } from './read-subject';

/** Takes a record that is read: onto the shelf, as a must-find, or as the start of a trail. */
@Injectable()
export class TakeRecord {
  private readonly open = inject(OpenProject);
  private readonly mustFinds = inject(MustFindTaking);
  private readonly router = inject(Router);
  private readonly subject = inject(ReadSubject);
  private readonly records = inject(ReadRecords);
  private readonly shelf = inject(Shelf);

  private readonly databaseOf = computed(
    () => new Map(this.records.loaded().map(({ record, database }) => [record, database])),
  );

  /** Whether the work of a record of the list is on the shelf. */
  readonly isKept = (record: BibliographicRecord): boolean =>
    this.shelf.find(record, this.databaseOf().get(record) ?? '') !== undefined;

  toggleKept({ record, database }: ListedRecord): void {
    const place: KeptPlace = { database, record: record.id };
    this.shelf.toggle(record, place, this.describeSearch(database));
  }

  /** The search that found what is read. */
  private describeSearch(database: string): FirstFound | undefined {
    const set = this.subject.sets().find((one) => one.database === database);
    const variant = this.subject.variant()?.id;
    return (
      set && {
        database,
        string: set.strings.join('\n'),
        limiters: set.sentLimiters,
        ...(variant !== undefined && { variant }),
      }
    );
  }

  addMustFind(record: BibliographicRecord): void {
    this.mustFinds.add(record, this.subject.set().kind !== 'string');
  }

  /** Follows the citations of a record, both ways. */
  follow(record: BibliographicRecord): void {
    void this.router.navigate(['/p', this.open.project().id, 'read', 'trail'], {
      fragment: writeTrail([record]),
    });
  }
}
