import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatAutocomplete, MatAutocompleteTrigger } from '@angular/material/autocomplete';
import { MatChipGrid, MatChipInput, MatChipRemove, MatChipRow } from '@angular/material/chips';
import { MatFormField, MatLabel } from '@angular/material/form-field';
import { MatOption } from '@angular/material/select';
import { LONGEST_LABEL, MAX_LABELS } from '#core/project/index';
import { tidyLabel } from '#core/shelf/index';
import { IconComponent } from '../ui/icon.component';
import { SayPipe } from '../words/say.pipe';
import { ShelfView } from './shelf-view';

/** The labels of a kept work: new ones are typed, those of other works are offered. */
@Component({
  selector: 'app-label-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    IconComponent,
    MatAutocomplete,
    MatAutocompleteTrigger,
    MatChipGrid,
    MatChipInput,
    MatChipRemove,
    MatChipRow,
    MatFormField,
    MatLabel,
    MatOption,
    SayPipe,
  ],
  template: `
    <mat-form-field>
      <mat-label>{{ 'shelf.labels' | say }}</mat-label>
      <mat-chip-grid #grid [attr.aria-label]="'shelf.labels' | say">
        @for (label of labels(); track label) {
          <mat-chip-row (removed)="drop(label)">
            {{ label }}
            <button matChipRemove [attr.aria-label]="'shared.removeLabel' | say: { name: label }">
              <app-icon name="close" />
            </button>
          </mat-chip-row>
        }
      </mat-chip-grid>
      <input
        #line
        [matChipInputFor]="grid"
        [matChipInputSeparatorKeyCodes]="[13, 188]"
        [matAutocomplete]="offered"
        [matChipInputAddOnBlur]="true"
        [attr.maxlength]="longest"
        [disabled]="labels().length >= most"
        (input)="typed.set(line.value)"
        (matChipInputTokenEnd)="add($event.value); $event.chipInput.clear()"
      />
      <mat-autocomplete
        #offered="matAutocomplete"
        (optionSelected)="add($event.option.value); line.value = ''"
      >
        @for (label of suggestions(); track label) {
          <mat-option [value]="label">{{ label }}</mat-option>
        }
      </mat-autocomplete>
    </mat-form-field>
  `,
  styles: `
    :host,
    mat-form-field {
      display: block;
      width: 100%;
    }
  `,
})
export class LabelFieldComponent {
  private readonly view = inject(ShelfView);

  readonly labels = input.required<readonly string[]>();
  /** Makes the labels what they are to be. */
  readonly changed = output<(labels: readonly string[]) => readonly string[]>();

  protected readonly longest = LONGEST_LABEL;
  protected readonly most = MAX_LABELS;
  protected readonly typed = signal('');
  protected readonly suggestions = computed(() => {
    const begin = this.typed().trim().toLowerCase();
    return this.view
      .labels()
      .map(({ label }) => label)
      .filter((label) => !this.labels().includes(label) && label.toLowerCase().startsWith(begin));
  });

  protected add(text: string): void {
    const label = tidyLabel(text).slice(0, LONGEST_LABEL);
    this.typed.set('');
    if (label !== '') this.changed.emit((labels) => (labels.includes(label) ? labels : [...labels, label]));
  }

  protected drop(label: string): void {
    this.changed.emit((labels) => labels.filter((one) => one !== label));
  }
}
