import { TextFieldComponent } from '../../ui/text-field.component';
import { SELECT_PARTS } from '../../ui/field-parts';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA } from '@angular/material/dialog';
import { TERM_KINDS, describeTermKind, withTermKind, type Term, type TermKind } from '#core/project/index';
import { OpenProject } from '../../state/open-project';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { SayPipe } from '../../words/say.pipe';
import { say } from '../../words/say';

const SOURCE_WORDS: Readonly<Record<string, string>> = {
  typed: 'typed',
  pasted: 'pasted',
  get question() {
    return say('topic.pickedInTheQuestion');
  },
  get suggestion() {
    return say('topic.takenFromASuggestion');
  },
  get thesaurus() {
    return say('topic.takenFromAThesaurus');
  },
  get record() {
    return say('topic.takenFromARecord');
  },
};

/** All about one term: its kind, the databases that it is meant for, where it came from, a note. */
@Component({
  selector: 'app-term-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, MatCheckbox, SELECT_PARTS, TextFieldComponent],
  template: `
    <h2 mat-dialog-title>
      <span class="code">{{ term()?.text }}</span>
    </h2>
    @if (term(); as own) {
      <mat-dialog-content>
        <h3>{{ 'topic.kind' | say }}</h3>
        <div class="row">
          <mat-form-field
            ><mat-label>{{ 'topic.kindOfTheTerm' | say }}</mat-label
            ><mat-select (selectionChange)="setKind(own, $event.value)" [value]="kind()">
              @for (choice of kinds; track choice) {
                <mat-option [value]="choice">{{ choice }}</mat-option>
              }
            </mat-select></mat-form-field
          >
          @if (kind() === 'other language') {
            <app-text-field
              [label]="'shared.language' | say"
              [maxLength]="3"
              [placeholder]="'topic.frDe' | say"
              [value]="own.language ?? ''"
              (left)="setLanguage(own, $event)"
            />
          }
          <span class="quiet">{{ (own.kind ? 'topic.setByYou' : 'topic.detectedAutomatically') | say }}</span>
        </div>
        <h3>{{ 'shared.searchItIn' | say }}</h3>
        <div class="row" role="group" [aria-label]="'shared.databasesThatItIsMeant' | say">
          @for (dialect of open.dialects(); track dialect.id) {
            <mat-checkbox
              [checked]="isMeantFor(own, dialect.id)"
              [disabled]="isOnlyOne(own, dialect.id)"
              (change)="setMeant(own, dialect.id, $event.checked)"
              >{{ dialect.name }}</mat-checkbox
            >
          }
        </div>
        <p class="quiet">
          {{ 'topic.itIsLeftOut' | say }}
        </p>
        <h3>{{ 'shared.note' | say }}</h3>
        <app-text-field
          class="wide"
          [label]="'topic.noteOnTheTerm' | say"
          [rows]="2"
          [maxLength]="2000"
          [value]="own.note ?? ''"
          (left)="setNote(own, $event)"
        />
        <p class="quiet">{{ 'topic.thisTermWas' | say: { source: source() } }}</p>
      </mat-dialog-content>
    }
    <mat-dialog-actions align="end">
      <button mat-flat-button type="button" mat-dialog-close>{{ 'shared.done' | say }}</button>
    </mat-dialog-actions>
  `,
  styleUrl: './term-dialog.component.scss',
})
export class TermDialogComponent {
  protected readonly open = inject(OpenProject);
  private readonly id = inject<string>(MAT_DIALOG_DATA);
  protected readonly kinds = TERM_KINDS;
  protected readonly term = computed(() =>
    this.open
      .concepts()
      .flatMap((concept) => concept.terms)
      .find((term) => term.id === this.id),
  );
  protected readonly kind = computed(() => {
    const term = this.term();
    return term && describeTermKind(term);
  });
  protected readonly source = computed(() => SOURCE_WORDS[this.term()?.source ?? 'typed']);

  protected setKind(term: Term, chosen: string): void {
    const kind = TERM_KINDS.find((candidate) => candidate === chosen);
    if (kind) this.describe(withTermKind<Term>(term, kind));
  }

  protected setLanguage(term: Term, typed: string): void {
    const language = typed.trim().toLowerCase();
    const kind: TermKind = 'other language';
    this.describe(withTermKind<Term>(term, kind, language === '' ? undefined : language));
  }

  protected isMeantFor(term: Term, database: string): boolean {
    return term.databases?.includes(database) ?? true;
  }

  /** The last one that is ticked: a term that is meant for no database would be nothing. */
  protected isOnlyOne(term: Term, database: string): boolean {
    const meant = this.open.dialects().filter(({ id }) => this.isMeantFor(term, id));
    return meant.length === 1 && meant[0]?.id === database;
  }

  protected setMeant(term: Term, database: string, isMeant: boolean): void {
    const all = this.open.dialects().map((dialect) => dialect.id);
    const databases = all.filter((id) => (id === database ? isMeant : this.isMeantFor(term, id)));
    const { databases: _, ...rest } = term;
    this.describe(databases.length === all.length ? rest : { ...rest, databases });
  }

  protected setNote(term: Term, note: string): void {
    this.describe({ ...term, note: note.trim() });
  }

  private describe({ id: _, off: __, ...term }: Term): void {
    this.open.change({ kind: 'describe-term', id: this.id, term });
  }
}
