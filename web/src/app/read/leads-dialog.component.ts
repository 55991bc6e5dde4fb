import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatDialogRef } from '@angular/material/dialog';
import type { Lead } from '#core/project/index';
import { LEAD_KIND_ROWS } from '#core/reading/index';
import { OpenProject } from '../state/open-project';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { Messages } from '../ui/messages';
import { TextFieldComponent } from '../ui/text-field.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** The leads of the project: names, places, sources and words to follow. Closes with the one that is searched for. */
@Component({
  selector: 'app-leads-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, MatCheckbox, TextFieldComponent],
  template: `
    <h2 mat-dialog-title>{{ 'read.leads' | say }}</h2>
    <mat-dialog-content>
      @for (group of groups(); track group.label) {
        <h3>{{ group.label }}</h3>
        <ul>
          @for (lead of group.leads; track lead.id) {
            <li>
              <mat-checkbox
                [checked]="lead.isDone"
                [aria-label]="'read.followed' | say: { name: lead.name }"
                (change)="keep(lead, { isDone: $event.checked })"
              />
              <span class="name" [class.done]="lead.isDone">
                {{ lead.name }}
                @if (lead.record) {
                  <span class="quiet">{{ 'read.metIn' | say: { record: lead.record } }}</span>
                }
              </span>
              <app-text-field
                [label]="'shared.note' | say"
                [value]="lead.note"
                [maxLength]="500"
                (left)="keep(lead, { note: $event })"
              />
              <button mat-button type="button" (click)="ref.close(lead)">{{ 'shared.search' | say }}</button>
              <button
                mat-button
                type="button"
                [attr.aria-label]="'shared.removeLabel' | say: { name: lead.name }"
                (click)="remove(lead)"
              >
                {{ 'shared.remove' | say }}
              </button>
            </li>
          }
        </ul>
      } @empty {
        <p>
          {{ 'read.noLeadsYet' | say }}
        </p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" mat-dialog-close>{{ 'shared.close' | say }}</button>
    </mat-dialog-actions>
  `,
  styles: `
    ul {
      margin: 0 0 10px;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      align-items: center;
      gap: 4px 10px;
      padding: 4px 0;
      border-bottom: 1px solid var(--hair);
    }
    .name {
      flex: 1;
      min-width: 0;
      overflow-wrap: anywhere;
    }
    .name .quiet {
      display: block;
    }
    .done {
      text-decoration: line-through;
    }
  `,
})
export class LeadsDialogComponent {
  private readonly open = inject(OpenProject);
  private readonly messages = inject(Messages);
  protected readonly ref = inject<MatDialogRef<LeadsDialogComponent, Lead>>(MatDialogRef);

  protected readonly groups = computed(() => {
    const { leads } = this.open.project();
    return Object.entries(LEAD_KIND_ROWS).flatMap(([kind, { label }]) => {
      const some = leads.filter((lead) => lead.kind === kind);
      return some.length > 0 ? [{ label, leads: some }] : [];
    });
  });

  protected keep(lead: Lead, change: Partial<Pick<Lead, 'isDone' | 'note'>>): void {
    this.open.change({ kind: 'keep-lead', lead: { ...lead, ...change } });
  }

  protected remove(lead: Lead): void {
    this.open.change({ kind: 'remove-lead', id: lead.id });
    this.messages.show(say('read.isNoLeadAnyMore', { name: lead.name }), () =>
      this.open.change({ kind: 'keep-lead', lead }),
    );
  }
}
