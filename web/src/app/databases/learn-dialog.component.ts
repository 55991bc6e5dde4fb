import { TextFieldComponent } from '../ui/text-field.component';
import { SELECT_PARTS } from '../ui/field-parts';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatDialogRef } from '@angular/material/dialog';
import { TEMPLATE_DIALECTS, type Dialect } from '#core/dialect/index';
import { FEWEST_EXAMPLES, MAX_EXAMPLES, learnDialect } from '#core/dialect/learn/index';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { SayPipe } from '../words/say.pipe';

/** Proposes a syntax from pasted searches and a few questions, and hands it to the form. */
@Component({
  selector: 'app-learn-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, SELECT_PARTS, TextFieldComponent],
  template: `
    <h2 mat-dialog-title>{{ 'databases.learnASyntaxFromExamples' | say }}</h2>
    <mat-dialog-content>
      <p class="quiet">
        {{ 'databases.pasteToSearches' | say: { fewest: fewest, most: most } }}
      </p>
      <app-text-field
        class="wide"
        [label]="'databases.examplesOneALine' | say"
        [rows]="6"
        [isCode]="true"
        [value]="text()"
        (typed)="text.set($event)"
      />
      @if (examples().length > most) {
        <p class="quiet">{{ 'databases.onlyTheFirstAreLooked' | say: { most: most } }}</p>
      }
      @if (lesson(); as now) {
        <h3>{{ 'databases.whatTheyLeaveOpen' | say }}</h3>
        @for (question of now.questions; track question.id) {
          <mat-form-field class="question"
            ><mat-label>{{ question.words }}</mat-label
            ><mat-select (selectionChange)="answer(question.id, $event.value)" [value]="question.answer">
              @for (one of question.choices; track one.value) {
                <mat-option [value]="one.value">
                  {{ one.words }}
                </mat-option>
              }
            </mat-select></mat-form-field
          >
        }
        <h3>{{ 'databases.howTheExamplesAreRead' | say }}</h3>
        <div class="scroll" aria-live="polite">
          <table [aria-label]="'databases.howTheExamplesAreRead' | say">
            <thead>
              <tr>
                <th scope="col">{{ 'databases.example' | say }}</th>
                <th scope="col">{{ 'shared.means' | say }}</th>
                <th scope="col">{{ 'databases.notUnderstood' | say }}</th>
              </tr>
            </thead>
            <tbody>
              @for (reading of now.readings; track $index) {
                <tr>
                  <td class="code">{{ reading.text }}</td>
                  <td class="code">{{ reading.meaning }}</td>
                  <td [class.problem]="reading.faults > 0">
                    {{ 'databases.signs' | say: { faults: reading.faults } }}
                  </td>
                </tr>
              }
            </tbody>
          </table>
        </div>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" mat-dialog-close>{{ 'shared.cancel' | say }}</button>
      <button mat-flat-button type="button" [disabled]="!lesson()" (click)="take()">
        {{ 'databases.goOnInTheForm' | say }}
      </button>
    </mat-dialog-actions>
  `,
  styleUrl: '../ui/dialog-tables.scss',
})
export class LearnDialogComponent {
  private readonly dialog = inject<MatDialogRef<LearnDialogComponent, Dialect>>(MatDialogRef);
  protected readonly fewest = FEWEST_EXAMPLES;
  protected readonly most = MAX_EXAMPLES;
  protected readonly text = signal('');
  private readonly answers = signal<Readonly<Record<string, string>>>({});
  protected readonly examples = computed(() =>
    this.text()
      .split('\n')
      .filter((line) => line.trim() !== ''),
  );
  /** Nothing while there are too few examples. */
  protected readonly lesson = computed(() => {
    const [base] = TEMPLATE_DIALECTS;
    const examples = this.examples().slice(0, MAX_EXAMPLES);
    return base && examples.length >= FEWEST_EXAMPLES
      ? learnDialect(examples, base, this.answers())
      : undefined;
  });

  protected answer(id: string, value: string): void {
    this.answers.update((answers) => ({ ...answers, [id]: value }));
  }

  protected take(): void {
    this.dialog.close(this.lesson()?.dialect);
  }
}
