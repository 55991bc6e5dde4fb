import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatAutocomplete, MatAutocompleteTrigger } from '@angular/material/autocomplete';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { MatProgressBar } from '@angular/material/progress-bar';
import { MatRadioButton, MatRadioGroup } from '@angular/material/radio';
import { MatSlider, MatSliderRangeThumb } from '@angular/material/slider';
import { MatTooltip } from '@angular/material/tooltip';
import { MonthFieldComponent } from '../limiters/month-field.component';
import { ChoiceRowComponent } from '../ui/choice-row.component';
import { Dialogs } from '../ui/dialogs';
import { FIELD_PARTS, SELECT_PARTS } from '../ui/field-parts';
import { FileButtonComponent } from '../ui/file-button.component';
import { IconComponent } from '../ui/icon.component';
import { Messages } from '../ui/messages';
import { NumberFieldComponent } from '../ui/number-field.component';
import { TextFieldComponent } from '../ui/text-field.component';
import { SampleDialogComponent } from './sample-dialog.component';

interface DialogSize {
  readonly name: string;
  /** In px. */
  readonly width: number;
}

/** Each part of the screens, once: to look at and to choose from. Only in what is built for development. */
@Component({
  selector: 'app-parts-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ChoiceRowComponent,
    FIELD_PARTS,
    FileButtonComponent,
    IconComponent,
    MatAutocomplete,
    MatAutocompleteTrigger,
    MatButton,
    MatCheckbox,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    MatProgressBar,
    MatRadioButton,
    MatRadioGroup,
    MatSlider,
    MatSliderRangeThumb,
    MatTooltip,
    MonthFieldComponent,
    NumberFieldComponent,
    SELECT_PARTS,
    TextFieldComponent,
  ],
  templateUrl: './parts-page.component.html',
  styles: `
    :host {
      display: block;
      height: 100%;
      overflow: auto;
    }
    main {
      max-width: 1080px;
      padding: 24px 30px;
    }
    .menu {
      display: inline-flex;
      padding: 3px;
    }
    section {
      padding: 6px 0 14px;
      border-top: 1px solid var(--rule);
    }
    h2 {
      font-size: 17px;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 10px 16px;
    }
    mat-slider {
      width: 320px;
    }
    table {
      width: 420px;
    }
    th {
      text-align: left;
    }
    .problem {
      color: var(--bad);
    }
    th.right,
    .right {
      text-align: right;
    }
  `,
})
export class PartsPageComponent {
  private readonly dialogs = inject(Dialogs);
  private readonly messages = inject(Messages);

  protected readonly databases = [
    { id: 'heronsmere', name: 'Heronsmere' },
    { id: 'gantry', name: 'Gantry' },
    { id: 'marlstone', name: 'Marlstone' },
  ];
  protected readonly sizes: readonly DialogSize[] = [
    { name: 'small', width: 420 },
    { name: 'middle', width: 640 },
    { name: 'large', width: 980 },
  ];
  protected readonly database = signal('heronsmere');
  protected readonly findFault = (text: string): string => (text.trim() === '' ? 'It needs a name.' : '');

  protected tell(): void {
    this.messages.show('The term was removed', () => this.messages.show('It is back'));
  }

  protected open({ name, width }: DialogSize): void {
    this.dialogs.open(SampleDialogComponent, { data: name, width });
  }
}
