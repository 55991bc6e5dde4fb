import { TextFieldComponent } from '../../ui/text-field.component';
import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import type { HandStep, PhraseFallback } from '#core/dialect/index';
import { describeInFull } from '#core/problem/index';
import { readResultsLine, type ReadResultsLine } from '#core/tally/index';
import { CountComponent } from '../../records/count.component';
import type { HeadingOffer } from '../heading-offers';
import { NumberedSearchesComponent } from './numbered-searches.component';
import { PhraseWaysComponent } from './phrase-ways.component';
import { ProofWordsComponent } from './proof-words.component';
import { BACK_WORDS, describeStep } from './rendering-notes';
import type { RenderingRow } from './rendering-row';
import { WrittenPiecesComponent } from './written-pieces.component';
import { WrittenStringsComponent } from './written-strings.component';
import { SayPipe } from '../../words/say.pipe';

/** One database's rendering: the string, what it does to the meaning and what is left to do. */
@Component({
  selector: 'app-rendering-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    CountComponent,
    MatCheckbox,
    NumberedSearchesComponent,
    PhraseWaysComponent,
    ProofWordsComponent,
    WrittenPiecesComponent,
    WrittenStringsComponent,
    MatButton,
    TextFieldComponent,
  ],
  templateUrl: './rendering-row.component.html',
  styleUrl: './rendering-row.component.scss',
})
export class RenderingRowComponent {
  protected readonly backWords = BACK_WORDS;
  /** The string as it was read back is shown. */
  protected readonly showsBack = signal(false);
  /** The numbered searches are shown. */
  protected readonly showsLines = signal(false);
  readonly row = input.required<RenderingRow>();
  readonly lit = input<readonly string[]>([]);
  readonly isOneLine = input(false);
  readonly isNarrow = input(false);
  /** A heading that is to be put in for this database. */
  readonly taken = output<HeadingOffer>();
  /** The nodes that are pointed at. */
  readonly pointed = output<readonly string[]>();
  readonly copied = output<{ text: string; what: string }>();
  /** The ways of writing cut phrases are to be shown, or put away. */
  readonly waysAsked = output();
  readonly wayChosen = output<PhraseFallback | undefined>();
  /** The changes for this database are asked for. */
  readonly overrideAsked = output();
  /** The count that was read off the database's own page. */
  readonly typed = output<ReadResultsLine>();

  protected readonly describeStep = describeStep;
  /** Why what was typed as a count is not understood. */
  protected readonly unclear = signal('');
  private readonly done = signal<ReadonlySet<string>>(new Set());
  protected readonly openAddress = computed(() => {
    const { address, parts } = this.row();
    return address?.replace('{string}', encodeURIComponent(parts[0]?.text ?? ''));
  });

  protected isTicked(step: HandStep): boolean {
    return this.done().has(`${step.limiter} ${step.value}`);
  }

  protected tick(step: HandStep, on: boolean): void {
    const key = `${step.limiter} ${step.value}`;
    this.done.update((done) => new Set(on ? [...done, key] : [...done].filter((other) => other !== key)));
  }

  protected type(line: string): void {
    if (line.trim() === '') return;
    const read = readResultsLine(line);
    this.unclear.set(read.ok ? '' : describeInFull(read.problem));
    if (read.ok) this.typed.emit(read.value);
  }
}
