import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatDialogRef } from '@angular/material/dialog';
import {
  DIALECTS,
  OPEN_DIALECTS,
  TEMPLATE_DIALECTS,
  isHistory,
  listLimiters,
  listStrings,
  rankDialects,
  readHistory,
  readString,
  type Dialect,
  type HistoryLine,
} from '#core/dialect/index';
import { describeInFull, type Problem } from '#core/problem/index';
import { printQuery } from '#core/query/index';
import { writeMoment } from '../data/ids';
import { OpenProject } from '../state/open-project';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { importHistory, importString } from './string-import';

/** The most problems that are listed. */
const MOST_PROBLEMS = 12;

/** Takes a string or a numbered history of another database in: pasted, read in its syntax, looked at, kept. */
@Component({
  selector: 'app-read-string-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DIALOG_PARTS],
  templateUrl: './read-string-dialog.component.html',
  styleUrl: './read-string-dialog.component.scss',
})
export class ReadStringDialogComponent {
  private readonly open = inject(OpenProject);
  private readonly dialog = inject(MatDialogRef);

  protected readonly text = signal('');
  /** Empty: the one that reads it best. */
  protected readonly chosen = signal('');
  protected readonly dialects = computed<Dialect[]>(() => [
    ...DIALECTS,
    ...this.open.working().ownDatabases.map(({ dialect }) => dialect),
    ...OPEN_DIALECTS,
    ...TEMPLATE_DIALECTS,
  ]);
  private readonly ranked = computed(() =>
    this.text().trim() === '' ? [] : rankDialects(listStrings(this.text()), this.dialects()),
  );
  protected readonly dialect = computed(
    () => this.dialects().find(({ id }) => id === this.chosen()) ?? this.ranked()[0]?.dialect,
  );
  /** Which dialects read it best, and why. */
  protected readonly guesses = computed(() =>
    this.ranked()
      .slice(0, 3)
      .map(({ dialect, faults, evidence }) => ({
        id: dialect.id,
        name: dialect.name,
        words: [faults === 0 ? 'reads all of it' : `does not take ${faults} of its signs`, ...evidence].join(
          ', ',
        ),
      })),
  );
  protected readonly history = computed(() => {
    const dialect = this.dialect();
    return dialect && isHistory(this.text()) ? readHistory(this.text(), dialect) : undefined;
  });
  protected readonly lines = computed(() =>
    (this.history()?.lines ?? []).map((line) => ({
      line,
      meaning: printQuery(line.root),
      problems: line.problems.map(describeInFull),
      isLast: line === this.history()?.last,
    })),
  );
  private readonly read = computed(() => {
    const dialect = this.dialect();
    return dialect && !this.history() && this.text().trim() !== ''
      ? readString(this.text(), dialect)
      : undefined;
  });
  protected readonly meaning = computed(() => {
    const read = this.read();
    return read && printQuery(read.root);
  });
  protected readonly limiters = computed(() =>
    listLimiters(this.read()?.limiters ?? {})
      .map(({ value }) => value)
      .join(' · '),
  );
  protected readonly problems = computed(() => {
    const problems = this.read()?.problems ?? [];
    return problems.slice(0, MOST_PROBLEMS).map((problem) => ({
      words: describeInFull(problem),
      place: this.quote(problem),
    }));
  });
  protected readonly canTake = computed(() => this.read() !== undefined || this.lines().length > 0);

  protected take(): void {
    const working = this.open.working();
    const dialect = this.dialect();
    const history = this.history();
    const read = this.read();
    if (history && dialect) {
      const moment = writeMoment(this.open.now());
      const surroundings = { createId: () => this.open.createId(), moment };
      const { change, tallies } = importHistory(history.lines, history.last, dialect, working, surroundings);
      this.open.change(change);
      if (tallies.length > 0) this.open.change({ kind: 'keep-tallies', tallies });
    } else if (read) this.open.change(importString(read, working));
    this.dialog.close();
  }

  protected countWords({ count }: HistoryLine): string {
    return count === undefined ? '' : count.toLocaleString('en');
  }

  private quote({ span }: Problem): string {
    return span ? this.text().slice(span.start, span.end).slice(0, 60) : '';
  }
}
