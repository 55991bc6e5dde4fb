import { Injectable, computed, inject } from '@angular/core';
import type { FirstFound, KeptPlace, KeptWork } from '#core/project/index';
import type { BibliographicRecord } from '#core/record/index';
import { createRecordKeys } from '#core/record/same-work/index';
import { addPlace, createKeptFinder, createKeptWork } from '#core/shelf/index';
import { writeMoment } from '../data/clock-and-ids';
import { OpenProject } from '../state/open-project';
import { Messages } from '../ui/messages';
import { say } from '../words/say';

/** The works that the project keeps: one way on and off the shelf for all views. */
@Injectable({ providedIn: 'root' })
export class Shelf {
  private readonly open = inject(OpenProject);
  private readonly messages = inject(Messages);

  private readonly finder = computed(() => createKeptFinder(this.open.project().kept));

  /** The kept work of a record, whichever database it was kept from. */
  find(record: BibliographicRecord, database: string): KeptWork | undefined {
    return this.finder()({ database, record: record.id }, createRecordKeys(record));
  }

  /** Keeps a work; of one that is kept, its place is noted. */
  keep(record: BibliographicRecord, place: KeptPlace, found?: FirstFound): KeptWork {
    const known = this.find(record, place.database);
    const work = known
      ? addPlace(known, place)
      : createKeptWork(record, {
          id: this.open.createId(),
          kept: writeMoment(this.open.now()),
          place,
          ...(found && { found }),
        });
    if (work !== known) this.open.change({ kind: 'keep-works', works: [work] });
    return work;
  }

  /** Changes a work as it is now: what a view shows of it may be older than its last change. */
  change(id: string, make: (work: KeptWork) => Partial<KeptWork>): void {
    const work = this.open.project().kept.find((one) => one.id === id);
    if (work) this.open.change({ kind: 'keep-works', works: [{ ...work, ...make(work) }] });
  }

  /** Takes works off the shelf; with all that was said of them they can be put back. */
  remove(works: readonly KeptWork[]): void {
    const before = this.open.project().kept;
    const ids = works.map(({ id }) => id);
    this.open.change({ kind: 'remove-kept', ids });
    this.messages.show(say('records.offTheShelf', { count: works.length }), () =>
      // One after the other, from the front, so that each comes where it stood.
      before.forEach((work, at) => {
        if (ids.includes(work.id)) this.open.change({ kind: 'keep-works', works: [work], at });
      }),
    );
  }

  /** On the shelf, or off it again. */
  toggle(record: BibliographicRecord, place: KeptPlace, found?: FirstFound): void {
    const known = this.find(record, place.database);
    if (known) return this.remove([known]);
    const work = this.keep(record, place, found);
    this.messages.show(say('records.onTheShelf'), () =>
      this.open.change({ kind: 'remove-kept', ids: [work.id] }),
    );
  }
}
