import { Injectable, inject } from '@angular/core';
import type { Dialect, WriteSettings } from '#core/dialect/index';
import { ThesaurusStore } from '../state/thesaurus-store';
import { WordForms } from './word-forms';

/** What is known of the databases beyond their syntax, so that more can be written for them. */
@Injectable({ providedIn: 'root' })
export class WritingAids {
  private readonly forms = inject(WordForms);
  private readonly thesauri = inject(ThesaurusStore);

  /** How much is known for a dialect: what was written with less is to be written anew. */
  countKnown(dialect: Dialect): number {
    return this.forms.countKnown(dialect) + (this.findBranches(dialect) ? 1 : 0);
  }

  /** The settings of the writer; what is not known yet is asked for. */
  createSettings(dialect: Dialect): Pick<WriteSettings, 'findForms' | 'listBranch'> {
    const findForms = this.forms.createFinder(dialect);
    const listBranch = this.findBranches(dialect);
    return { ...(findForms && { findForms }), ...(listBranch && { listBranch }) };
  }

  /** Only a database that has levels of headings and no sign for a branch needs its thesaurus to be written for. */
  private findBranches({ headings }: Dialect): WriteSettings['listBranch'] {
    if (!headings || headings.flat || headings.branch !== undefined) return undefined;
    const vocabulary = this.thesauri.find(headings.vocabulary);
    if (!vocabulary) {
      void this.thesauri.load(headings.vocabulary);
      return undefined;
    }
    return (label) => vocabulary.listBranch(label);
  }
}
