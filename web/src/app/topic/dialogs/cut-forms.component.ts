import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import type { Dialect } from '#core/dialect/index';
import type { Counted } from '../../counting/count-state';
import { CountComponent } from '../../records/count.component';
import { say } from '../../words/say';
import { SayPipe } from '../../words/say.pipe';

/** A form that a cut brings, counted in each database. */
export interface CountedForm {
  readonly word: string;
  readonly cells: readonly { readonly dialect: Dialect; readonly counted: Counted | undefined }[];
}

/** The forms that a cut brings, to tick those that are wanted. */
@Component({
  selector: 'app-cut-forms',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, CountComponent, MatButton, MatCheckbox],
  host: { role: 'group', '[attr.aria-label]': 'name()' },
  template: `
    <p>
      <b class="code">{{ cut() }}</b>
      {{ 'topic.bringsFormsTickTheWanted' | say: { count: total() } }}
      <button mat-button type="button" (click)="allMarked.emit(true)">{{ 'topic.all' | say }}</button>
      <button mat-button type="button" (click)="allMarked.emit(false)">{{ 'shared.none' | say }}</button>
    </p>
    <div class="list" tabindex="-1">
      @for (form of forms(); track form.word) {
        <div class="form">
          <mat-checkbox
            [checked]="wanted().has(form.word)"
            (change)="marked.emit({ forms: [form.word], isWanted: $event.checked })"
            ><span class="code">{{ form.word }}</span></mat-checkbox
          >
          @for (cell of form.cells; track cell.dialect.id) {
            <app-count
              class="quiet number"
              [counted]="cell.counted"
              [label]="'topic.inWord' | say: { word: form.word, name: cell.dialect.name }"
            />
          }
        </div>
      }
      @if (hidden() > 0) {
        <button mat-button type="button" (click)="moreAsked.emit()">
          {{ 'topic.moreForms' | say: { count: hidden() } }}
        </button>
      }
    </div>
  `,
  styles: `
    :host {
      flex: 1 1 44%;
      min-width: 0;
    }
    p button {
      margin-left: 6px;
    }
    .list {
      max-height: 46vh;
      overflow-y: auto;
    }
    .form {
      display: flex;
      align-items: center;
      border-bottom: 1px solid var(--hair);
    }
    .form mat-checkbox {
      flex: 1;
    }
    .number {
      width: 56px;
      text-align: right;
    }
  `,
})
export class CutFormsComponent {
  readonly cut = input.required<string>();
  /** How many forms it brings in all. */
  readonly total = input.required<number>();
  /** Those that are shown. */
  readonly forms = input.required<readonly CountedForm[]>();
  readonly wanted = input.required<ReadonlySet<string>>();
  readonly marked = output<{ readonly forms: readonly string[]; readonly isWanted: boolean }>();
  readonly allMarked = output<boolean>();
  readonly moreAsked = output();

  protected readonly name = computed(() => say('topic.formsOf', { text: this.cut() }));
  protected readonly hidden = computed(() => this.total() - this.forms().length);
}
