import { TextFieldComponent } from '../ui/text-field.component';
import { FileButtonComponent } from '../ui/file-button.component';
import { MatProgressBar } from '@angular/material/progress-bar';
import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, signal } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import type { ImportProgress, ImportReport, OwnCollection } from '#core/contract/index';
import { OWN_RECORDS, findDialect } from '#core/dialect/index';
import { describeInFull, describeProblem } from '#core/problem/index';
import type { OwnDatabase } from '#core/project/index';
import { writeMoment } from '../data/clock-and-ids';
import { COLLECTION_REPOSITORY, COLLECTION_CLIENT } from '../data/providers';
import { OpenProject } from '../state/open-project';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { DropFilesDirective } from '../ui/drop-files.directive';
import { createOwnRecords } from './own-records';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** The database that more files are for; a new one if there is none. */
export interface CollectionDialogData {
  readonly database?: OwnDatabase;
  /** What a new one is to be called, unless the person says otherwise. */
  readonly name?: string;
  /** What the button says that uses it, such as “Read them”. */
  readonly useWords?: string;
}

const STAGES: Readonly<Record<ImportProgress['stage'], string>> = {
  get reading() {
    return say('own-records.reading');
  },
  get indexing() {
    return say('own-records.indexing');
  },
  get keeping() {
    return say('own-records.keeping');
  },
};

/** Takes files of records in as a collection of one's own, or uses one that is on this machine already. */
@Component({
  selector: 'app-collection-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    DIALOG_PARTS,
    DropFilesDirective,
    MatProgressBar,
    FileButtonComponent,
    TextFieldComponent,
  ],
  templateUrl: './collection-dialog.component.html',
  styleUrl: '../ui/dialog-tables.scss',
  styles: `
    app-text-field {
      display: block;
      width: 100%;
      margin-top: 12px;
    }
  `,
})
export class CollectionDialogComponent {
  private readonly open = inject(OpenProject);
  private readonly client = inject(COLLECTION_CLIENT);
  private readonly repository = inject(COLLECTION_REPOSITORY);
  private readonly dialog = inject<MatDialogRef<CollectionDialogComponent, OwnDatabase>>(MatDialogRef);
  private readonly data = inject<CollectionDialogData>(MAT_DIALOG_DATA);
  protected readonly database = this.data.database;

  protected readonly useWords =
    this.data.useWords ??
    (this.database ? say('own-records.good') : say('own-records.searchItInThisProject'));
  protected readonly name = signal(this.database?.dialect.name ?? this.data.name ?? '');
  protected readonly files = signal<readonly File[]>([]);
  /** Records that were pasted: a file of their own. */
  protected readonly pasted = signal('');
  protected readonly isReady = computed(
    () =>
      (this.files().length > 0 || this.pasted().trim() !== '') && this.name().trim() !== '' && !this.isBusy(),
  );
  protected readonly known = signal<readonly OwnCollection[]>([]);
  protected readonly progress = signal<ImportProgress | undefined>(undefined);
  protected readonly isBusy = signal(false);
  protected readonly failure = signal('');
  protected readonly report = signal<ImportReport | undefined>(undefined);
  /** The collection that is to be deleted, once more asked for. */
  protected readonly doomed = signal('');
  protected readonly skippedLines = computed(() =>
    (this.report()?.skippedFirst ?? []).map(({ file, line, excerpt, problem }) => ({
      place: `${file}, ${line}`,
      excerpt,
      words: describeProblem(problem),
    })),
  );
  protected readonly refused = computed(() =>
    (this.report()?.refused ?? []).map(({ file, problem }) => `${file}: ${describeInFull(problem)}`),
  );
  protected readonly stage = computed(() => {
    const now = this.progress();
    return now ? `${STAGES[now.stage]} ${now.file}`.trim() : say('own-records.openingTheFiles');
  });
  /** Collections on this machine that this project does not use yet. */
  protected readonly others = computed(() => {
    const used = new Set(
      this.open
        .working()
        .ownDatabases.flatMap(({ connection }) =>
          connection.kind === 'collection' ? [connection.collection] : [],
        ),
    );
    return this.known().filter(({ id }) => !used.has(id));
  });
  private stopping = new AbortController();

  constructor() {
    void this.list();
    inject(DestroyRef).onDestroy(() => this.stopping.abort());
  }

  /** How far the import is, in percent. */
  protected percent(): number {
    const { done = 0, all = 0 } = this.progress() ?? {};
    return all === 0 ? 0 : (100 * done) / all;
  }

  protected choose(files: readonly File[]): void {
    this.files.set(files);
    this.failure.set('');
    const [first] = files;
    if (this.name() === '' && first) this.name.set(first.name.replace(/\.[^.]+$/, ''));
  }

  protected async import(): Promise<void> {
    this.stopping = new AbortController();
    this.isBusy.set(true);
    // A click beside the dialog does not end what may have taken minutes.
    this.dialog.disableClose = true;
    this.failure.set('');
    const { connection } = this.database ?? {};
    try {
      const pasted = this.pasted().trim();
      const given = pasted === '' ? [] : [new File([pasted], say('own-records.pastedRecords'))];
      const files = await Promise.all(
        [...this.files(), ...given].map(async (file) => ({
          name: file.name,
          content: await file.arrayBuffer(),
        })),
      );
      const outcome = await this.client.import(
        {
          collection: connection?.kind === 'collection' ? connection.collection : this.open.createId(),
          name: this.name().trim(),
          moment: writeMoment(this.open.now()),
          files,
        },
        (progress) => this.progress.set(progress),
        this.stopping.signal,
      );
      if (outcome?.ok) this.report.set(outcome.value);
      else if (outcome) this.failure.set(describeInFull(outcome.problem));
    } catch {
      this.failure.set(say('own-records.oneOfTheseFilesCannot'));
    }
    this.isBusy.set(false);
    this.dialog.disableClose = false;
    this.progress.set(undefined);
  }

  protected cancel(): void {
    this.stopping.abort();
  }

  protected use(collection: OwnCollection): void {
    const taken = this.open.working().ownDatabases.map(({ dialect }) => dialect.id);
    const known = this.database;
    const isTaken = (id: string): boolean => taken.includes(id) || findDialect(id) !== undefined;
    this.dialog.close(known ?? createOwnRecords(OWN_RECORDS, collection, isTaken));
  }

  protected async delete({ id }: OwnCollection): Promise<void> {
    if (this.doomed() !== id) {
      this.doomed.set(id);
      return;
    }
    const outcome = await this.repository.remove(id);
    if (!outcome.ok) this.failure.set(describeInFull(outcome.problem));
    this.client.forget();
    await this.list();
  }

  protected describe({ records, files, imported }: OwnCollection): string {
    return say('own-records.recordsOf', {
      records: records.toLocaleString('en'),
      files: files.join(', '),
      slice: imported.slice(0, 10),
    });
  }

  private async list(): Promise<void> {
    const outcome = await this.repository.list();
    if (outcome.ok) this.known.set(outcome.value);
  }
}
