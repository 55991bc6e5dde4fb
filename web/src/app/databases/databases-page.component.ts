import { FIELD_PARTS } from '../ui/field-parts';
import { MatButton } from '@angular/material/button';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { DIALECTS, type Dialect } from '#core/dialect/index';
import type { OwnDatabase } from '#core/project/index';
import { AskedCounts } from '../counting/asked-counts';
import { ConfirmedServers } from '../data/connections/sru/confirmed-servers';
import { OpenProject } from '../state/open-project';
import { ThesaurusStore } from '../state/thesaurus-store';
import {
  CollectionDialogComponent,
  type CollectionDialogData,
} from '../own-records/collection-dialog.component';
import { DialectDialogComponent, type DialectDialogData } from './dialect-dialog.component';
import {
  describeConnection,
  describeLimiters,
  describeThesaurus,
  describeUnmarked,
} from './database-summary';
import { SruDialogComponent } from './sru-dialog.component';
import { Dialogs } from '../ui/dialogs';
import { Connections } from '../state/connections';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** The databases: what each is, which are searched and why, and those of one's own. */
@Component({
  selector: 'app-databases-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatCheckbox, MatButton, FIELD_PARTS],
  templateUrl: './databases-page.component.html',
  styleUrl: './databases-page.component.scss',
})
export class DatabasesPageComponent {
  protected readonly open = inject(OpenProject);
  private readonly connections = inject(Connections);
  private readonly thesauri = inject(ThesaurusStore);
  private readonly dialogs = inject(Dialogs);

  private readonly confirmed = inject(ConfirmedServers);
  private readonly asked = inject(AskedCounts);
  /** What is confirmed is kept outside signals: this tells when it may have changed. */
  private readonly confirmedTurn = signal(0);

  protected readonly rows = computed(() => [
    ...DIALECTS.map((dialect) => this.describe(dialect, undefined)),
    ...this.open.working().ownDatabases.map((own) => this.describe(own.dialect, own)),
  ]);
  constructor() {
    effect(() => {
      const ids = [...DIALECTS, ...this.open.working().ownDatabases.map(({ dialect }) => dialect)]
        .filter(({ headings }) => headings)
        .map(({ id }) => id);
      untracked(() => ids.forEach((id) => void this.thesauri.load(id)));
    });
  }

  protected readonly chosen = computed(() => this.open.working().databases.length);

  protected choose(id: string, on: boolean): void {
    const now = this.open.working().databases;
    const databases = on ? [...now, id] : now.filter((other) => other !== id);
    const order = this.rows().map((row) => row.id);
    this.open.change({
      kind: 'choose-databases',
      databases: databases.sort((a, b) => order.indexOf(a) - order.indexOf(b)),
    });
  }

  protected note(database: string, reason: string): void {
    if (reason.trim() !== (this.open.working().reasons[database] ?? ''))
      this.open.change({ kind: 'note-database', database, reason: reason.trim() });
  }

  protected addByHand(): void {
    this.editDialect({ connection: { kind: 'by-hand' } });
  }

  protected addServer(): void {
    this.dialogs
      .open<SruDialogComponent, undefined, DialectDialogData>(SruDialogComponent, { width: 620 })
      .afterClosed()
      .subscribe((question) => {
        if (question) this.editDialect(question);
      });
  }

  /** Takes files in: as a new database, or onto one that is a collection. */
  protected importRecords(database?: OwnDatabase): void {
    this.dialogs
      .open<CollectionDialogComponent, CollectionDialogData, OwnDatabase>(CollectionDialogComponent, {
        data: database ? { database } : {},
        width: 720,
      })
      .afterClosed()
      .subscribe((made) => {
        if (made && database) this.asked.forget(made.dialect.id);
        else this.keep(made);
      });
  }

  protected edit(own: OwnDatabase): void {
    if (own.connection.kind === 'collection') return this.importRecords(own);
    this.editDialect({ dialect: own.dialect, connection: own.connection, isKnown: true });
  }

  protected remove(id: string): void {
    this.open.change({ kind: 'remove-own-database', id });
  }

  protected async confirm({ connection }: OwnDatabase): Promise<void> {
    if (connection.kind !== 'sru') return;
    const outcome = await this.confirmed.confirm(connection.endpoint);
    if (outcome.ok) this.asked.retry();
    this.confirmedTurn.update((turn) => turn + 1);
  }

  private editDialect(question: DialectDialogData): void {
    this.dialogs
      .open<DialectDialogComponent, DialectDialogData, OwnDatabase>(DialectDialogComponent, {
        data: question,
        width: 1080,
      })
      .afterClosed()
      .subscribe((database) => this.keep(database));
  }

  /** Keeps a database and has it searched. */
  private keep(database: OwnDatabase | undefined): void {
    if (!database) return;
    const { id } = database.dialect;
    const { databases } = this.open.working();
    this.open.change({
      kind: 'compound',
      as: 'keep-own-database',
      changes: [
        { kind: 'keep-own-database', database },
        ...(databases.includes(id)
          ? []
          : [{ kind: 'choose-databases', databases: [...databases, id] } as const]),
      ],
    });
  }

  private describe(dialect: Dialect, own: OwnDatabase | undefined) {
    this.confirmedTurn();
    const server = own?.connection.kind === 'sru' ? own.connection.endpoint : undefined;
    const traits = this.connections.find(dialect.id).traits();
    const size = traits?.records;
    return {
      id: dialect.id,
      name: dialect.name,
      about: dialect.about,
      coverage: dialect.coverage ?? '',
      server: server?.address ?? '',
      mustConfirm: server !== undefined && !this.confirmed.isConfirmed(server),
      own,
      isOn: this.open.working().databases.includes(dialect.id),
      reason: this.open.working().reasons[dialect.id] ?? '',
      connection: describeConnection(own?.connection, traits?.asksOneByOne ?? false),
      size: size === undefined ? '' : say('shared.recordsWords', { count: size.toLocaleString('en') }),
      unmarked: describeUnmarked(dialect),
      thesaurus: describeThesaurus(dialect),
      // Of a thesaurus that cannot be had, nothing is said.
      headings:
        dialect.headings && !this.thesauri.findProblem(dialect.id)
          ? this.open.concepts().map((concept) => ({
              name: concept.name,
              headings: this.thesauri.countHeadings(concept, dialect.id) ?? '…',
            }))
          : [],
      limiters: describeLimiters(dialect),
    };
  }
}
