import { TextFieldComponent } from '../../ui/text-field.component';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { createOutlineQuery, replaceItem } from '#core/outline/index';
import { createBlockName, listBlockNames } from '#core/project/index';
import { build, formatQuery, printQuery } from '#core/query/index';
import { OpenProject } from '../../state/open-project';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { QueryDesk } from '../query-desk';
import type { RowsDialogData } from './rows-dialog-data';
import { SayPipe } from '../../words/say.pipe';

/** Gives a row a name, so that it can be used in several places. */
@Component({
  selector: 'app-block-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, TextFieldComponent],
  template: `
    <h2 mat-dialog-title>{{ 'query.makeABlockOfIt' | say }}</h2>
    <form (submit)="take($event)">
      <mat-dialog-content>
        <p class="code">{{ text }}</p>
        <app-text-field
          [label]="'shared.name' | say"
          [maxLength]="60"
          [value]="typed()"
          (typed)="typed.set($event)"
        />
        <p class="quiet">
          {{ 'query.itStandsInTheQuery' | say }} <span class="code">{{ '@' + name() }}</span>{{
            'query.andEveryPlaceThatUses' | say
          }}
        </p>
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button mat-button type="button" mat-dialog-close>{{ 'shared.cancel' | say }}</button>
        <button mat-flat-button type="submit" [disabled]="typed().trim() === ''">
          {{ 'query.makeTheBlock' | say }}
        </button>
      </mat-dialog-actions>
    </form>
  `,
  styleUrl: './dialog.scss',
})
export class BlockDialogComponent {
  private readonly open = inject(OpenProject);
  private readonly desk = inject(QueryDesk);
  private readonly dialog = inject(MatDialogRef);
  private readonly data = inject<RowsDialogData>(MAT_DIALOG_DATA);
  private readonly row = this.data.rows[0];
  private readonly query =
    this.row &&
    createOutlineQuery({
      ...this.row.item,
      comments: [],
      wrappers: this.row.item.wrappers.filter(({ kind }) => kind !== 'off'),
    });
  protected readonly text = this.query ? printQuery(this.query) : '';
  protected readonly typed = signal('');
  protected readonly name = computed(() =>
    createBlockName(this.typed(), listBlockNames(this.open.working())),
  );

  protected take(event: Event): void {
    event.preventDefault();
    const { home } = this.data;
    const { row, query } = this;
    if (!row || !query) return;
    const outcome = replaceItem(this.desk.outlineOf(home), row.path, build.block(this.name()));
    if (outcome.ok) {
      const text = this.desk.print(home, outcome.value.root);
      const block = { id: this.open.createId(), name: this.name(), text: formatQuery(query) };
      const where = home === 'draft' ? { text } : { block: home.name, text };
      this.open.change({ kind: 'add-block', block, where });
    } else this.desk.refusal.set(outcome.problem);
    this.dialog.close();
  }
}
