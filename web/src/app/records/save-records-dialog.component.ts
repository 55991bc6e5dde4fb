import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, signal } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { MatProgressBar } from '@angular/material/progress-bar';
import type { BibliographicRecord } from '#core/record/index';
import { RECORD_WRITERS } from '#core/record/file/index';
import { saveFile } from '../data/save-file';
import { ChoiceRowComponent } from '../ui/choice-row.component';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { createFileName } from '../ui/file-name';
import { formatNumber } from '../ui/number-format';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** What is saved. */
export interface SaveRecordsDialogData {
  /** What people call it; the name of the file. */
  readonly name: string;
  /** How many records there are. */
  readonly total: number;
  /** The database said only about how many. */
  readonly isEstimated: boolean;
  /** The records some at a time; it ends early where some could not be had. */
  readonly fetch: (stop: AbortSignal) => AsyncIterable<readonly BibliographicRecord[]>;
}

/** Saves records as a file of one of several kinds; a long list is fetched and written piece by piece. */
@Component({
  selector: 'app-save-records-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceRowComponent, DIALOG_PARTS, MatProgressBar, SayPipe],
  template: `
    <h2 mat-dialog-title>
      {{
        data.isEstimated
          ? ('records.saveAboutRecords' | say: { count: format(data.total) })
          : ('records.saveRecords' | say: { count: data.total })
      }}
    </h2>
    <mat-dialog-content>
      <app-choice-row
        [label]="'records.kindOfFile' | say"
        [choices]="writers"
        [chosen]="chosen()"
        (chose)="chosen.set($event)"
      />
      <p class="quiet">{{ 'records.itHasNoPlaceFor' | say: { lacks: writer().lacks } }}</p>
      @if (progress(); as words) {
        <p aria-live="polite">{{ words }}</p>
        <mat-progress-bar
          mode="determinate"
          [value]="share()"
          [attr.aria-label]="'records.recordsAreFetched' | say"
        />
      }
      @if (ending(); as words) {
        <p role="status">{{ words }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      @if (isSaving()) {
        <button mat-button type="button" (click)="stop()">{{ 'shared.stop' | say }}</button>
      } @else {
        <button mat-button type="button" mat-dialog-close>{{ 'shared.close' | say }}</button>
        <button mat-flat-button type="button" (click)="save()">{{ 'shared.saveAsAFile' | say }}</button>
      }
    </mat-dialog-actions>
  `,
})
export class SaveRecordsDialogComponent {
  protected readonly data = inject<SaveRecordsDialogData>(MAT_DIALOG_DATA);
  private readonly ref = inject<MatDialogRef<SaveRecordsDialogComponent, void>>(MatDialogRef);

  protected readonly format = formatNumber;
  protected readonly writers = RECORD_WRITERS.map(({ id, name }) => ({ id, name }));
  protected readonly chosen = signal<string>(RECORD_WRITERS[0]!.id);
  protected readonly writer = computed(() => RECORD_WRITERS.find(({ id }) => id === this.chosen())!);
  private readonly written = signal<number | undefined>(undefined);
  protected readonly ending = signal('');
  protected readonly isSaving = computed(() => this.written() !== undefined);
  protected readonly share = computed(() => (100 * (this.written() ?? 0)) / Math.max(1, this.data.total));
  protected readonly progress = computed(() => {
    const written = this.written();
    return written === undefined
      ? ''
      : say('shared.of', { done: formatNumber(written), all: formatNumber(this.data.total) });
  });
  private stopping = new AbortController();

  constructor() {
    inject(DestroyRef).onDestroy(() => this.stopping.abort());
  }

  protected stop(): void {
    this.stopping.abort();
  }

  /** Writes the records as they come. A list that was stopped, or broke off, is not saved as if it were whole. */
  protected async save(): Promise<void> {
    this.stopping = new AbortController();
    const { signal: stop } = this.stopping;
    const writer = this.writer();
    const pieces: BlobPart[] = [writer.head];
    let place = 0;
    this.ending.set('');
    this.written.set(0);
    for await (const records of this.data.fetch(stop)) {
      if (stop.aborted) break;
      const texts = records.map(
        (record, at) => (place + at > 0 ? writer.separator : '') + writer.write(record, place + at),
      );
      // A piece of its own for each step: the browser may keep it on the disk.
      pieces.push(new Blob(texts));
      place += records.length;
      this.written.set(place);
    }
    this.written.set(undefined);
    if (stop.aborted) return this.ending.set(say('records.nothingWasSaved'));
    if (place === 0) return this.ending.set(say('records.noRecordCouldBeHad'));
    pieces.push(writer.foot);
    const { total, isEstimated } = this.data;
    // Where the database only estimates, nobody knows whether these are all.
    const isWhole = !isEstimated && place >= total;
    const name = isWhole ? this.data.name : say('records.onlyOfName', { name: this.data.name, count: place });
    saveFile(`${createFileName(name)}.${writer.ending}`, new Blob(pieces), writer.mediaType);
    if (isWhole) return this.ref.close();
    const [count, all] = [formatNumber(place), formatNumber(total)];
    this.ending.set(
      isEstimated
        ? say('records.someOfAboutWereSaved', { count, all })
        : say('records.onlySomeWereSaved', { count, all }),
    );
  }
}
