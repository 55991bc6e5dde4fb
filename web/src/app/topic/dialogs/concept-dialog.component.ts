import { TextFieldComponent } from '../../ui/text-field.component';
import { SELECT_PARTS } from '../../ui/field-parts';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { MatRadioButton, MatRadioGroup } from '@angular/material/radio';
import { describeProblem } from '#core/problem/index';
import { findPlace, type Concept } from '#core/project/index';
import { FIELDS, getWordsRow, holdsNames, type Field } from '#core/query/index';
import { ConceptCopies } from '../concept-copies';
import { OpenProject } from '../../state/open-project';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { SayPipe } from '../../words/say.pipe';
import { say } from '../../words/say';

/** All about one concept: note, place in the query, fields, and what joins it to other concepts and projects. */
@Component({
  selector: 'app-concept-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    DIALOG_PARTS,
    MatCheckbox,
    MatRadioButton,
    MatRadioGroup,
    SELECT_PARTS,
    TextFieldComponent,
  ],
  templateUrl: './concept-dialog.component.html',
  styleUrl: './concept-dialog.component.scss',
})
export class ConceptDialogComponent {
  protected readonly open = inject(OpenProject);
  private readonly copies = inject(ConceptCopies);
  private readonly dialog = inject(MatDialogRef);
  private readonly id = inject<string>(MAT_DIALOG_DATA);

  protected readonly fields = FIELDS.filter((field) => !holdsNames(field)).map((id) => ({
    id,
    name: getWordsRow(id).label,
  }));
  protected readonly concept = computed(() => this.open.concepts().find((concept) => concept.id === this.id));
  protected readonly others = computed(() =>
    this.open.concepts().filter((concept) => concept.id !== this.id),
  );
  protected readonly place = computed(() => {
    const found = findPlace(this.open.working().draft, this.concept()?.block ?? '');
    if (found.kind !== 'alternative') return found.kind;
    const sibling = this.others().find((other) => found.to.includes(other.block));
    return `or ${sibling?.id ?? ''}`;
  });
  protected readonly projects = signal<readonly { id: string; name: string }[]>([]);
  protected readonly said = signal('');

  constructor() {
    void this.copies.list(this.open.project().id).then((projects) => this.projects.set(projects));
  }

  protected setPlace(chosen: string): void {
    if (chosen === 'required' || chosen === 'excluded')
      this.open.change({ kind: 'place-concept', id: this.id, place: { kind: chosen } });
    else if (chosen.startsWith('or '))
      this.open.change({
        kind: 'place-concept',
        id: this.id,
        place: { kind: 'alternative', to: chosen.slice(3) },
      });
  }

  protected setNote(note: string): void {
    if (note.trim() !== (this.concept()?.note ?? ''))
      this.open.change({ kind: 'note-concept', id: this.id, note: note.trim() });
  }

  protected hasField(concept: Concept, field: Field): boolean {
    return concept.fields?.includes(field) ?? false;
  }

  protected setField(concept: Concept, field: Field, on: boolean): void {
    const fields = FIELDS.filter((other) => (other === field ? on : this.hasField(concept, other)));
    this.open.change({ kind: 'set-concept-fields', id: this.id, fields });
  }

  protected merge(into: string): void {
    if (into === '') return;
    this.open.change({ kind: 'merge-concepts', id: this.id, into });
    this.dialog.close();
  }

  protected async copyTo(concept: Concept, project: string): Promise<void> {
    if (project === '') return;
    const outcome = await this.copies.copy(concept, project);
    this.said.set(
      outcome.ok ? say('topic.copiedTo', { name: outcome.value }) : describeProblem(outcome.problem),
    );
  }

  protected recall(): void {
    this.open.change({ kind: 'recall-suggestions', concept: this.id });
  }
}
