import { TextFieldComponent } from '../../ui/text-field.component';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { createBlockName, listBlockNames } from '#core/project/index';
import { OpenProject } from '../../state/open-project';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { SayPipe } from '../../words/say.pipe';

/** Renames a block or a concept wherever it is used. */
@Component({
  selector: 'app-rename-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, TextFieldComponent],
  template: `
    <h2 mat-dialog-title>{{ 'query.rename' | say: { old: old } }}</h2>
    <form (submit)="take($event)">
      <mat-dialog-content>
        <app-text-field
          [label]="'query.newName' | say"
          [maxLength]="60"
          [value]="typed()"
          (typed)="typed.set($event)"
        />
        <p class="quiet">
          {{ 'query.everythingThatUsesItSays' | say }} <span class="code">{{ '@' + name() }}</span>
          {{ 'query.thenWords' | say }}
        </p>
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button mat-button type="button" mat-dialog-close>{{ 'shared.cancel' | say }}</button>
        <button mat-flat-button type="submit" [disabled]="typed().trim() === ''">
          {{ 'shared.rename' | say }}
        </button>
      </mat-dialog-actions>
    </form>
  `,
  styleUrl: './dialog.scss',
})
export class RenameDialogComponent {
  private readonly open = inject(OpenProject);
  private readonly dialog = inject(MatDialogRef);
  protected readonly old = inject<string>(MAT_DIALOG_DATA);
  private readonly concept = this.open.concepts().find((concept) => concept.block === this.old);
  protected readonly typed = signal(this.concept?.name ?? this.old);
  protected readonly name = computed(() =>
    createBlockName(
      this.typed(),
      listBlockNames(this.open.working()).filter((name) => name !== this.old),
    ),
  );

  protected take(event: Event): void {
    event.preventDefault();
    const block = this.open.working().blocks.find((candidate) => candidate.name === this.old);
    if (this.concept)
      this.open.change({ kind: 'rename-concept', id: this.concept.id, name: this.typed().trim() });
    else if (block) this.open.change({ kind: 'rename-block', id: block.id, name: this.typed() });
    this.dialog.close();
  }
}
