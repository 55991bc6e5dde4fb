import { Injectable, inject } from '@angular/core';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import {
  MAX_TERMS,
  createTerm,
  createTermKey,
  splitPastedTerms,
  type Concept,
  type Term,
  type TermSource,
} from '#core/project/index';
import { OpenProject } from '../state/open-project';
import { say } from '../words/say';

/** Puts terms into concepts: what is there already is not added twice, and what happened is said. */
@Injectable()
export class TermEntry {
  private readonly open = inject(OpenProject);
  private readonly announcer = inject(LiveAnnouncer);

  /** New terms of some texts, without those that the concept has. */
  create(concept: Concept | undefined, texts: readonly string[], source: TermSource): Term[] {
    const known = new Set(concept?.terms.map(createTermKey));
    return texts.flatMap((text) => {
      const term = createTerm(this.open.createId(), text, source);
      const key = createTermKey(term);
      if (term.text === '' || known.has(key)) return [];
      known.add(key);
      return [term];
    });
  }

  add(concept: Concept, texts: readonly string[], source: TermSource): void {
    const terms = this.create(concept, texts, source);
    if (terms.length > 0) this.open.change({ kind: 'add-terms', concept: concept.id, terms });
    const repeated = texts.filter((text) => text.trim() !== '').length - terms.length;
    const words = [
      say('terms.termsAddedTo', { count: terms.length, name: concept.name }),
      ...(repeated > 0 ? [say('terms.thereAlready', { repeated })] : []),
    ];
    void this.announcer.announce(words.join(', '));
  }

  /** True for a paste that goes straight in: one column or list that there is room for. */
  isPlainPaste(concept: Concept, pasted: string): boolean {
    const hasTable = pasted.trim().split(/\r?\n/).length > 1 && pasted.includes('\t');
    return !hasTable && splitPastedTerms(pasted).length + concept.terms.length <= MAX_TERMS;
  }
}
