import { FIELD_PARTS } from '../ui/field-parts';
import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatFormField } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { HistoryLine } from '#core/dialect/history/index';
import { proposeName } from './string-import';
import { SayPipe } from '../words/say.pipe';

/** A line of a history as it was read, and what becomes of it. */
export interface ShownLine {
  readonly line: HistoryLine;
  readonly meaning: string;
  readonly limiters: string;
  readonly problems: readonly string[];
  readonly notes: readonly string[];
  readonly isLast: boolean;
  readonly isFaulty: boolean;
  /** The person takes it as it was read, faults and all. */
  readonly isTakenSo: boolean;
  readonly canBeConcept: boolean;
  /** The name of the concept that it becomes; none where it stays a block. */
  readonly concept: string | undefined;
}

/** The numbered lines of a history: what each means, and what it becomes. */
@Component({
  selector: 'app-history-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatCheckbox, MatFormField, MatInput, FIELD_PARTS],
  templateUrl: './history-lines.component.html',
  styleUrl: './history-lines.component.scss',
})
export class HistoryLinesComponent {
  readonly lines = input.required<readonly ShownLine[]>();
  readonly takenSo = output<{ line: HistoryLine; isTakenSo: boolean }>();
  /** A line becomes a concept of this name, or none. */
  readonly named = output<{ line: HistoryLine; concept: string | undefined }>();
  protected readonly propose = proposeName;

  protected countWords({ count }: HistoryLine): string {
    return count === undefined ? '' : count.toLocaleString('en');
  }
}
