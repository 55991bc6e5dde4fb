import type { ComponentType } from '@angular/cdk/portal';
import { Injectable, Injector, inject } from '@angular/core';
import type { Concept, Term } from '#core/project/index';
import { TermEntry } from '../terms/term-entry';
import { Dialogs } from '../ui/dialogs';

/** Opens the dialogs of the Topic view; each is fetched when it is first opened. They change the project themselves. */
@Injectable()
export class TopicDialogs {
  private readonly dialogs = inject(Dialogs);
  private readonly injector = Injector.create({
    parent: inject(Injector),
    providers: [{ provide: TermEntry, useValue: inject(TermEntry) }],
  });

  brief(): void {
    void import('./dialogs/brief-dialog.component').then((file) =>
      this.open(file.BriefDialogComponent, undefined, 720),
    );
  }

  concept(concept: Concept): void {
    void import('./dialogs/concept-dialog.component').then((file) =>
      this.open(file.ConceptDialogComponent, concept.id, 560),
    );
  }

  split(concept: Concept): void {
    void import('./dialogs/split-dialog.component').then((file) =>
      this.open(file.SplitDialogComponent, concept, 480),
    );
  }

  term(term: Term): void {
    void import('./dialogs/term-dialog.component').then((file) =>
      this.open(file.TermDialogComponent, term.id, 520),
    );
  }

  paste(concept: Concept, pasted: string): void {
    void import('./dialogs/paste-dialog.component').then((file) =>
      this.open(file.PasteDialogComponent, { concept, pasted }, 760),
    );
  }

  endings(concept: Concept, term?: Term, word?: string): void {
    void import('./dialogs/endings-dialog.component').then((file) =>
      this.open(file.EndingsDialogComponent, { concept: concept.id, term, word }, 1100),
    );
  }

  thesaurus(concept: Concept, words: string): void {
    void import('../terms/thesaurus-dialog.component').then((file) =>
      this.open(file.ThesaurusDialogComponent, { concept: concept.id, words }, 1000, 'input[type=search]'),
    );
  }

  years(concept: Concept): void {
    void import('./dialogs/years-dialog.component').then((file) =>
      this.open(file.YearsDialogComponent, concept.id, 900),
    );
  }

  /** Opens a dialog; `first` is what has the focus first, as a selector. */
  private open<D>(component: ComponentType<unknown>, data: D, width: number, first?: string): void {
    this.dialogs.open(component, {
      data,
      width,
      injector: this.injector,
      ...(first !== undefined && { first }),
    });
  }
}
