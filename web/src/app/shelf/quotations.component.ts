import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MAX_QUOTATIONS, type Quotation } from '#core/project/index';
import { OpenProject } from '../state/open-project';
import { TextFieldComponent } from '../ui/text-field.component';
import { SayPipe } from '../words/say.pipe';

/** Passages of a work word for word, with their pages, apart from one's own words. */
@Component({
  selector: 'app-quotations',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, SayPipe, TextFieldComponent],
  template: `
    @for (quotation of quotations(); track quotation.id; let turn = $index) {
      <div class="one" role="group" [attr.aria-label]="'shelf.quotation' | say: { number: turn + 1 }">
        <app-text-field
          class="wide quoted"
          [label]="'shelf.wordForWord' | say"
          [rows]="3"
          [value]="quotation.text"
          (left)="change(quotation, { text: $event })"
        />
        <app-text-field
          class="page"
          [label]="'shelf.page' | say"
          [maxLength]="100"
          [value]="quotation.page"
          (left)="change(quotation, { page: $event })"
        />
        <app-text-field
          class="own"
          [label]="'shelf.inMyWords' | say"
          [rows]="2"
          [value]="quotation.comment"
          (left)="change(quotation, { comment: $event })"
        />
        <button mat-button type="button" (click)="remove(quotation)">{{ 'shared.remove' | say }}</button>
      </div>
    }
    <button mat-button type="button" [disabled]="quotations().length >= most" (click)="add()">
      {{ 'shelf.addAQuotation' | say }}
    </button>
  `,
  styles: `
    .one {
      display: grid;
      grid-template-columns: 110px minmax(0, 1fr) auto;
      gap: 8px 10px;
      align-items: start;
      margin-bottom: 14px;
      padding-left: 12px;
      border-left: 3px solid var(--rule);
    }
    .quoted {
      grid-column: 1 / -1;
    }
  `,
})
export class QuotationsComponent {
  private readonly open = inject(OpenProject);

  readonly quotations = input.required<readonly Quotation[]>();
  /** Makes the quotations what they are to be. */
  readonly changed = output<(quotations: readonly Quotation[]) => readonly Quotation[]>();
  protected readonly most = MAX_QUOTATIONS;

  protected add(): void {
    const empty: Quotation = { id: this.open.createId(), text: '', page: '', comment: '' };
    this.changed.emit((quotations) => [...quotations, empty]);
  }

  protected change({ id }: Quotation, part: Partial<Quotation>): void {
    this.changed.emit((quotations) => quotations.map((one) => (one.id === id ? { ...one, ...part } : one)));
  }

  protected remove({ id }: Quotation): void {
    this.changed.emit((quotations) => quotations.filter((one) => one.id !== id));
  }
}
