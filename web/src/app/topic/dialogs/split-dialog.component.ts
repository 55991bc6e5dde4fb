import { TextFieldComponent } from '../../ui/text-field.component';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { MatRadioButton, MatRadioGroup } from '@angular/material/radio';
import type { Concept } from '#core/project/index';
import { OpenProject } from '../../state/open-project';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { SayPipe } from '../../words/say.pipe';

/** Asks which terms of a concept become a concept of their own. */
@Component({
  selector: 'app-split-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, MatCheckbox, MatRadioButton, MatRadioGroup, TextFieldComponent],
  template: `
    <h2 mat-dialog-title>{{ 'topic.splitName' | say: { name: concept.name } }}</h2>
    <mat-dialog-content>
      <h3>{{ 'topic.termsThatGo' | say }}</h3>
      @for (term of concept.terms; track term.id) {
        <div>
          <mat-checkbox [checked]="chosen().has(term.id)" (change)="choose(term.id, $event.checked)"
            ><span class="code">{{ term.text }}</span></mat-checkbox
          >
        </div>
      }
      <h3>{{ 'topic.nameOfTheNewConcept' | say }}</h3>
      <app-text-field
        [label]="'topic.nameOfTheNewConcept' | say"
        [maxLength]="80"
        [value]="typed()"
        (typed)="typed.set($event)"
      />
      <h3>{{ 'topic.aRecordMustHave' | say }}</h3>
      <mat-radio-group
        class="row"
        [aria-label]="'topic.aRecordMustHave' | say"
        [value]="isAlternative()"
        (change)="isAlternative.set($event.value)"
      >
        <mat-radio-button [value]="false">{{ 'topic.bothConcepts' | say }}</mat-radio-button>
        <mat-radio-button [value]="true">{{ 'topic.eitherOfThemAsBefore' | say }}</mat-radio-button>
      </mat-radio-group>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" mat-dialog-close>{{ 'shared.cancel' | say }}</button>
      <button mat-flat-button type="button" [disabled]="!canSplit()" (click)="split()">
        {{ 'topic.splitLabel' | say }}
      </button>
    </mat-dialog-actions>
  `,
  styleUrl: './split-dialog.component.scss',
})
export class SplitDialogComponent {
  private readonly open = inject(OpenProject);
  private readonly dialog = inject(MatDialogRef);
  protected readonly concept = inject<Concept>(MAT_DIALOG_DATA);
  protected readonly chosen = signal<ReadonlySet<string>>(new Set());
  protected readonly typed = signal('');
  protected readonly isAlternative = signal(false);
  protected readonly canSplit = computed(
    () =>
      this.typed().trim() !== '' && this.chosen().size > 0 && this.chosen().size < this.concept.terms.length,
  );

  protected choose(id: string, on: boolean): void {
    this.chosen.update(
      (chosen) => new Set([...chosen].filter((other) => other !== id).concat(on ? [id] : [])),
    );
  }

  protected split(): void {
    this.open.change({
      kind: 'split-concept',
      id: this.concept.id,
      newId: this.open.createId(),
      name: this.typed().trim(),
      terms: [...this.chosen()],
      isAlternative: this.isAlternative(),
    });
    this.dialog.close();
  }
}
