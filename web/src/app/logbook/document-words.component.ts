import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { findStaleNumbers } from '#core/document/index';
import type { DocumentWords } from '#core/project/index';
import { TextFieldComponent } from '../ui/text-field.component';
import { SayPipe } from '../words/say.pipe';

/** What the document says in the person's own words, and the paragraph for the methods section. */
@Component({
  selector: 'app-document-words',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, SayPipe, TextFieldComponent],
  template: `
    <h2>{{ 'logbook.paragraphForTheMethods' | say }}</h2>
    <app-text-field
      class="wide"
      [label]="'logbook.methodsParagraph' | say"
      [rows]="9"
      [value]="methods()"
      [maxLength]="20000"
      (left)="writeMethods($event)"
    />
    @if (stale().length > 0) {
      <p class="warn" role="status">
        {{ 'logbook.numbersChangedSince' | say: { numbers: stale().join(', ') } }}
      </p>
    }
    @if (words().methods) {
      <p class="quiet">{{ 'logbook.proposedNow' | say: { text: proposal() } }}</p>
      <button mat-button type="button" (click)="proposalTaken.emit()">
        {{ 'logbook.takeTheProposal' | say }}
      </button>
    } @else {
      <p class="quiet">{{ 'logbook.writtenFromTheRun' | say }}</p>
    }
    <h2>{{ 'logbook.inYourWords' | say }}</h2>
    <app-text-field
      class="wide"
      [label]="'logbook.whoSearched' | say"
      [value]="words().searcher"
      [maxLength]="300"
      (left)="said.emit({ searcher: $event.trim() })"
    />
    <app-text-field
      class="wide"
      [label]="'logbook.whenItWillBeRunAgain' | say"
      [rows]="2"
      [value]="words().updatePlan"
      [maxLength]="5000"
      (left)="said.emit({ updatePlan: $event.trim() })"
    />
    <app-text-field
      class="wide"
      [label]="'logbook.whatWasLearnt' | say"
      [rows]="4"
      [value]="words().learnt"
      [maxLength]="20000"
      (left)="said.emit({ learnt: $event.trim() })"
    />
  `,
  styles: `
    :host {
      display: block;
      max-width: 640px;
    }
    h2 {
      margin: 12px 0 10px;
      font: 600 16px/22px var(--font-serif);
    }
    app-text-field {
      margin-bottom: 12px;
    }
  `,
})
export class DocumentWordsComponent {
  readonly words = input.required<DocumentWords>();
  /** The paragraph as it would be proposed now. */
  readonly proposal = input.required<string>();
  readonly said = output<Partial<DocumentWords>>();
  readonly proposalTaken = output();

  protected readonly methods = computed(() => this.words().methods?.text ?? this.proposal());
  protected readonly stale = computed(() => {
    const { methods } = this.words();
    if (!methods) return [];
    return findStaleNumbers(methods, this.proposal()).map(({ start, end }) => methods.text.slice(start, end));
  });

  protected writeMethods(text: string): void {
    if (text.trim() === this.methods()) return;
    // What was said of a proposal stays marked by it, until it is written anew.
    this.said.emit({ methods: { text: text.trim(), from: this.proposal() } });
  }
}
