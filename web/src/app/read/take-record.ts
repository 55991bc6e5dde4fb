import { Injectable, inject } from '@angular/core';
import { createMustFindKey } from '#core/must-finds/index';
import type { FirstFound, KeptPlace } from '#core/project/index';
import type { BibliographicRecord } from '#core/record/index';
import { Shelf } from '../records/shelf';
import { OpenProject } from '../state/open-project';
import { Messages } from '../ui/messages';
import { say } from '../words/say';
import type { ListedRecord } from './read-records';
import { ReadSubject } from './read-subject';

/** Takes a record that is read: onto the shelf, or as a must-find. */
@Injectable()
export class TakeRecord {
  private readonly open = inject(OpenProject);
  private readonly messages = inject(Messages);
  private readonly subject = inject(ReadSubject);
  private readonly shelf = inject(Shelf);

  /** Whether the work of a record is on the shelf. */
  readonly isKept = (record: BibliographicRecord): boolean =>
    this.shelf.find(record, this.subject.dialect()?.id ?? '') !== undefined;

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
        limiters: this.subject.set().kind === 'string' ? {} : this.subject.state().limiters,
        ...(variant !== undefined && { variant }),
      }
    );
  }

  addMustFind({ title, doi }: BibliographicRecord): void {
    const key = createMustFindKey({ title, ...(doi !== undefined && { identifier: doi }) });
    if (this.open.project().mustFinds.some((one) => createMustFindKey(one) === key))
      return this.messages.show(say('read.itIsAMustFindAlready'));
    const id = this.open.createId();
    this.open.change({
      kind: 'add-must-finds',
      mustFinds: [{ id, title, ...(doi !== undefined && { identifier: doi }) }],
    });
    this.messages.show(say('read.itIsOneOfTheMust'), () =>
      this.open.change({ kind: 'remove-must-finds', ids: [id] }),
    );
  }
}
