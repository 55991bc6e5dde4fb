import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA } from '@angular/material/dialog';
import { createTerm, type Concept, type Term } from '#core/project/index';
import { OpenProject } from '../state/open-project';
import { DIALOG_PARTS } from '../ui/dialog-parts';

/** The database that the dialog is about. */
export interface HereQuestion {
  readonly id: string;
  readonly name: string;
}

/** What is searched in one database only, or left out there: term by term, and further terms just for it. */
@Component({
  selector: 'app-here-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DIALOG_PARTS, MatCheckbox],
  template: `
    <h2 mat-dialog-title>Just for {{ question.name }}</h2>
    <mat-dialog-content>
      <p class="quiet">
        What you choose here is written in this database only, is kept through later edits, and is never
        counted as a loss. A field or a heading can stand before a term:
        <span class="code">title: lamp*</span>.
      </p>
      @for (concept of concepts(); track concept.concept.id) {
        <section [attr.aria-label]="concept.concept.name">
          <h3>{{ concept.concept.name }}</h3>
          <div class="terms">
            @for (term of concept.terms; track term.term.id) {
              <mat-checkbox
                [checked]="term.isHere"
                [disabled]="term.isHere && term.isOnlyHere"
                (change)="set(term.term, $event.checked)"
                ><span class="code">{{ term.term.text }}</span
                >{{ term.isOnlyHere ? ' (only here)' : '' }}</mat-checkbox
              >
            }
          </div>
          <form (submit)="add(concept.concept, field); $event.preventDefault()">
            <input
              #field
              type="text"
              class="code"
              [attr.aria-label]="'Add to ' + concept.concept.name + ' in ' + question.name + ' only'"
              placeholder="another term, only here"
            />
            <button type="submit" class="link">Add here</button>
          </form>
        </section>
      } @empty {
        <p>There are no concepts yet: make some in the Topic view.</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-flat-button type="button" mat-dialog-close>Done</button>
    </mat-dialog-actions>
  `,
  styleUrl: './here-dialog.component.scss',
})
export class HereDialogComponent {
  private readonly open = inject(OpenProject);
  protected readonly question = inject<HereQuestion>(MAT_DIALOG_DATA);

  protected readonly concepts = computed(() =>
    this.open.concepts().map((concept) => ({
      concept,
      terms: concept.terms
        .filter(({ off }) => !off)
        .map((term) => ({
          term,
          isHere: this.listDatabases(term).includes(this.question.id),
          isOnlyHere: this.listDatabases(term).every((one) => one === this.question.id),
        })),
    })),
  );

  protected set(term: Term, on: boolean): void {
    const { id, off: _, databases: __, ...rest } = term;
    const now = this.listDatabases(term);
    const next = on ? [...now, this.question.id] : now.filter((one) => one !== this.question.id);
    const isEverywhere = this.open.working().databases.every((one) => next.includes(one));
    this.open.change({
      kind: 'describe-term',
      id,
      term: { ...rest, ...(!isEverywhere && { databases: next }) },
    });
  }

  protected add(concept: Concept, field: HTMLInputElement): void {
    const text = field.value.trim();
    if (text === '') return;
    const term = createTerm(this.open.createId(), text, 'typed');
    this.open.change({
      kind: 'add-terms',
      concept: concept.id,
      terms: [{ ...term, databases: [this.question.id] }],
    });
    field.value = '';
  }

  private listDatabases(term: Term): readonly string[] {
    return term.databases ?? this.open.working().databases;
  }
}
