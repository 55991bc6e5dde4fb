import { FIELD_PARTS, SELECT_PARTS } from '../ui/field-parts';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA } from '@angular/material/dialog';
import { createTerm, createTermQuery, type Concept, type Term } from '#core/project/index';
import { FIELDS } from '#core/query/index';
import { OpenProject } from '../state/open-project';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { createOtherField, listDraftRows, setDraftRow, type DraftRow } from './database-override';
import { SayPipe } from '../words/say.pipe';

/** The database that the dialog is about. */
export interface OverrideDialogData {
  readonly id: string;
  readonly name: string;
}

/** What is searched in one database only, or left out there: term by term, and further terms just for it. */
@Component({
  selector: 'app-override-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, MatCheckbox, FIELD_PARTS, SELECT_PARTS],
  template: `
    <h2 mat-dialog-title>{{ 'translate.changesFor' | say: { name: data.name } }}</h2>
    <mat-dialog-content>
      <p class="quiet">
        {{ 'translate.whatYouChooseHere' | say }}
        <span class="code">{{ 'translate.titleLamp' | say }}</span>.
      </p>
      @if (rows().length > 0) {
        <section [aria-label]="'translate.rowsOfTheDraft' | say">
          <h3>{{ 'translate.rowsOfTheDraft' | say }}</h3>
          <div class="terms">
            @for (row of rows(); track row.row.start) {
              <mat-checkbox
                [checked]="row.isHere"
                [disabled]="row.isHere && row.isOnlyHere"
                (change)="setRow(row.row, $event.checked)"
                ><span class="code">{{ row.row.text }}</span
                >{{ row.isOnlyHere ? ('translate.thisDatabaseOnly' | say) : '' }}</mat-checkbox
              >
            }
          </div>
        </section>
      }
      @for (concept of concepts(); track concept.concept.id) {
        <section [attr.aria-label]="concept.concept.name">
          <h3>{{ concept.concept.name }}</h3>
          <div class="terms">
            @for (term of concept.terms; track term.term.id) {
              <div class="term">
                <mat-checkbox
                  [checked]="term.isHere"
                  [disabled]="term.isHere && term.isOnlyHere"
                  (change)="set(term.term, $event.checked)"
                  ><span class="code">{{ term.term.text }}</span
                  >{{ term.isOnlyHere ? ('translate.thisDatabaseOnly' | say) : '' }}</mat-checkbox
                >
                @if (term.isHere && term.canHaveField) {
                  <mat-form-field class="inline"
                    ><mat-select
                      [aria-label]="
                        'translate.whereIsSearchedIn' | say: { text: term.term.text, name: data.name }
                      "
                      value=""
                      (selectionChange)="searchIn(concept.concept, term.term, $event.value)"
                    >
                      <mat-option value="">{{ 'translate.sameField' | say }}</mat-option>
                      @for (one of fields; track one) {
                        <mat-option [value]="one">{{ one }}</mat-option>
                      }
                    </mat-select></mat-form-field
                  >
                }
                @if (term.term.databases) {
                  <mat-form-field class="inline"
                    ><input
                      matInput
                      #why
                      type="text"
                      [placeholder]="'translate.why' | say"
                      [attr.aria-label]="'translate.whyIsNotMeant' | say: { text: term.term.text }"
                      [value]="term.term.note ?? ''"
                      (change)="note(term.term, why.value)"
                  /></mat-form-field>
                }
              </div>
            }
          </div>
          <form (submit)="add(concept.concept, field); $event.preventDefault()">
            <mat-form-field class="inline"
              ><input
                matInput
                #field
                type="text"
                class="code"
                [attr.aria-label]="
                  'translate.addToInOnly' | say: { name: concept.concept.name, database: data.name }
                "
                [placeholder]="'translate.anotherTermInThisDatabase' | say"
            /></mat-form-field>
            <button mat-button type="submit">{{ 'translate.addHere' | say }}</button>
          </form>
        </section>
      } @empty {
        <p>{{ 'translate.thereAreNoConceptsYet' | say }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-flat-button type="button" mat-dialog-close>{{ 'shared.done' | say }}</button>
    </mat-dialog-actions>
  `,
  styleUrl: './override-dialog.component.scss',
})
export class OverrideDialogComponent {
  private readonly open = inject(OpenProject);
  protected readonly data = inject<OverrideDialogData>(MAT_DIALOG_DATA);
  protected readonly fields = FIELDS;

  protected readonly concepts = computed(() =>
    this.open.concepts().map((concept) => ({
      concept,
      terms: concept.terms
        .filter(({ off }) => !off)
        .map((term) => ({
          term,
          isHere: this.listDatabases(term).includes(this.data.id),
          isOnlyHere: this.listDatabases(term).every((one) => one === this.data.id),
          canHaveField: createTermQuery({ text: term.text }).kind !== 'heading',
        })),
    })),
  );
  protected readonly rows = computed(() =>
    listDraftRows(this.open.working().draft).map((row) => {
      const databases = row.databases ?? this.open.working().databases;
      return {
        row,
        isHere: databases.includes(this.data.id),
        isOnlyHere: databases.every((one) => one === this.data.id),
      };
    }),
  );

  protected setRow(row: DraftRow, on: boolean): void {
    const { draft, databases } = this.open.working();
    this.open.change({
      kind: 'rewrite-draft',
      text: setDraftRow(draft, row, this.data.id, on, databases),
    });
  }

  /** Searches a term in another field in this database only. */
  protected searchIn(concept: Concept, term: Term, name: string): void {
    const field = FIELDS.find((one) => one === name);
    if (!field) return;
    const { databases } = this.open.working();
    const id = this.open.createId();
    const changes = createOtherField(concept, term, field, this.data.id, databases, id);
    this.open.change({ kind: 'compound', changes });
  }

  protected note(term: Term, why: string): void {
    const { id, off: _, note: __, ...rest } = term;
    const note = why.trim();
    this.open.change({ kind: 'describe-term', id, term: { ...rest, ...(note !== '' && { note }) } });
  }

  protected set(term: Term, on: boolean): void {
    const { id, off: _, databases: __, ...rest } = term;
    const now = this.listDatabases(term);
    const next = on ? [...now, this.data.id] : now.filter((one) => one !== this.data.id);
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
      terms: [{ ...term, databases: [this.data.id] }],
    });
    field.value = '';
  }

  private listDatabases(term: Term): readonly string[] {
    return term.databases ?? this.open.working().databases;
  }
}
