import { Injectable, inject } from '@angular/core';
import { createMustFindKey } from '#core/must-finds/index';
import type { BibliographicRecord } from '#core/record/index';
import { OpenProject } from '../state/open-project';
import { Messages } from '../ui/messages';
import { say } from '../words/say';

/** Makes records must-finds: one way for all views. */
@Injectable({ providedIn: 'root' })
export class MustFindTaking {
  private readonly open = inject(OpenProject);
  private readonly messages = inject(Messages);

  /** `isFromQuery`: the query of this project found it, so that it is found again proves nothing. */
  add({ title, doi }: Pick<BibliographicRecord, 'title' | 'doi'>, isFromQuery = false): void {
    const mustFind = {
      title,
      ...(doi !== undefined && { identifier: doi }),
      ...(isFromQuery && { isFromQuery }),
    };
    const key = createMustFindKey(mustFind);
    if (this.open.project().mustFinds.some((one) => createMustFindKey(one) === key))
      return this.messages.show(say('records.itIsAMustFindAlready'));
    const id = this.open.createId();
    this.open.change({ kind: 'add-must-finds', mustFinds: [{ id, ...mustFind }] });
    this.messages.show(say('records.itIsOneOfTheMust'), () =>
      this.open.change({ kind: 'remove-must-finds', ids: [id] }),
    );
  }
}
