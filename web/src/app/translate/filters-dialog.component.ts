import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatDialogRef } from '@angular/material/dialog';
import { READY_FILTERS, writeFilterText, type ReadyFilter } from '#core/filter/index';
import { createBlockName, listBlockNames } from '#core/project/index';
import { OpenProject } from '../state/open-project';
import { DIALOG_PARTS } from '../ui/dialog-parts';

/** Filters to put into the query as a block, each with a text of its own for some databases. */
@Component({
  selector: 'app-filters-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DIALOG_PARTS],
  template: `
    <h2 mat-dialog-title>Ready filters</h2>
    <mat-dialog-content>
      <p class="quiet">
        A filter becomes a block that narrows the draft. Where it has a text of its own for a database, only
        that is written there.
      </p>
      <ul>
        @for (filter of filters; track filter.id) {
          <li>
            <h3>{{ filter.name }}</h3>
            <p>{{ filter.about }}</p>
            <p class="code text">{{ write(filter) }}</p>
            <p class="quiet">{{ filter.kind }} · {{ filter.source }} · {{ filter.date }}</p>
            <button
              type="button"
              class="link"
              [attr.aria-label]="'Narrow the draft by ' + filter.name"
              (click)="take(filter)"
            >
              Narrow the draft by it
            </button>
          </li>
        }
      </ul>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" mat-dialog-close>Close</button>
    </mat-dialog-actions>
  `,
  styleUrl: './filters-dialog.component.scss',
})
export class FiltersDialogComponent {
  private readonly open = inject(OpenProject);
  private readonly dialog = inject(MatDialogRef);
  protected readonly filters = READY_FILTERS;

  protected write(filter: ReadyFilter): string {
    return writeFilterText(filter, this.open.working().databases);
  }

  protected take(filter: ReadyFilter): void {
    const working = this.open.working();
    const name = createBlockName(filter.name, listBlockNames(working));
    const draft = working.draft.trim();
    this.open.change({
      kind: 'mend',
      changes: [
        { kind: 'add-block', block: { id: this.open.createId(), name, text: this.write(filter) } },
        { kind: 'rewrite-draft', text: draft === '' ? `@${name}` : `(${draft}) AND @${name}` },
      ],
    });
    this.dialog.close();
  }
}
