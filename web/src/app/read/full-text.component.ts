import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Dialect } from '#core/dialect/index';
import { build, type QueryNode } from '#core/query/index';
import { buildWords, createWorkFinder, isVersionOf } from '#core/reading/index';
import { type BibliographicRecord } from '#core/record/index';
import { createRecordKeys } from '#core/record/same-work/index';
import { writeDay, writeMoment } from '../data/clock-and-ids';
import { Counts } from '../counting/counts';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';
import { Dialogs } from '../ui/dialogs';
import { MarkedTextComponent } from '../ui/marked-text.component';
import { Messages } from '../ui/messages';
import type { ListedRecord } from './read-records';
import type { RequestDialogData } from './request-dialog.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** Another record of the same work, or of a version of it. */
interface Version {
  readonly database: string;
  readonly record: BibliographicRecord;
  readonly words: string;
}

type Found =
  | { readonly status: 'searching' }
  | { readonly status: 'found'; readonly versions: readonly Version[]; readonly failed: readonly string[] };

/** Of so many records with the title, versions are looked for. */
const MAX_LOOKED_AT = 10;

/** Where a record has no full text: versions of the work that have it, else a request to a library. */
@Component({
  selector: 'app-full-text',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MarkedTextComponent, MatButton],
  template: `
    <h3>{{ 'read.fullText' | say }}</h3>
    <p>
      @if (asked(); as day) {
        <span class="quiet">{{ 'read.askedForOn' | say: { day: day } }}</span>
      }
      <button mat-button type="button" [disabled]="found()?.status === 'searching'" (click)="search()">
        {{ 'read.lookForOtherVersions' | say }}
      </button>
      <button mat-button type="button" (click)="request()">{{ 'read.askALibraryForIt' | say }}</button>
    </p>
    <div aria-live="polite">
      @if (found(); as found) {
        @if (found.status === 'searching') {
          <p class="quiet">{{ 'read.lookingInTheDatabases' | say }}</p>
        } @else {
          @for (version of found.versions; track version.database + version.record.id) {
            <p>
              <b>{{ version.database }}</b> {{ version.words }}
              @if (version.record.fullText) {
                <button mat-button type="button" (click)="shown.set(version)">
                  {{ 'read.showItsFullText' | say }}
                </button>
              }
            </p>
          } @empty {
            <p class="quiet">{{ 'read.noOtherDatabase' | say }}</p>
          }
          @if (found.failed.length > 0) {
            <p class="quiet">{{ 'read.notLookedIn' | say: { databases: found.failed.join(', ') } }}</p>
          }
        }
      }
    </div>
    @if (shown(); as version) {
      <p class="quiet">{{ 'read.fullTextOfTheRecord' | say: { database: version.database } }}</p>
      <p class="abstract"><app-marked-text [text]="version.record.fullText!" [queries]="marks()" /></p>
    }
  `,
  styles: `
    .abstract {
      max-width: 74ch;
    }
  `,
})
export class FullTextComponent {
  private readonly open = inject(OpenProject);
  private readonly connections = inject(Connections);
  private readonly counts = inject(Counts);
  private readonly dialogs = inject(Dialogs);
  private readonly messages = inject(Messages);

  readonly listed = input.required<ListedRecord>();
  readonly marks = input.required<readonly { owner: string; root: QueryNode }[]>();

  private readonly key = computed(() => this.listed().key);
  protected readonly found = linkedSignal<string, Found | undefined>({
    source: this.key,
    computation: () => undefined,
  });
  protected readonly shown = linkedSignal<string, Version | undefined>({
    source: this.key,
    computation: () => undefined,
  });
  /** The day on which the work was asked for. */
  protected readonly asked = computed(() => {
    const { key, record } = this.listed();
    const { requests } = this.open.project();
    return createWorkFinder(requests)(key, createRecordKeys(record))?.asked.slice(0, 10);
  });

  /** Looks for the work in the other databases, by its identifier or its title. */
  protected async search(): Promise<void> {
    const { key, record, database } = this.listed();
    this.found.set({ status: 'searching' });
    const others = this.open.dialects().filter(({ id }) => id !== database);
    const answers = await Promise.all(
      others.map(async (dialect) => ({ dialect, records: await this.findIn(dialect, record) })),
    );
    if (this.key() !== key) return;
    this.found.set({
      status: 'found',
      versions: answers.flatMap(({ dialect, records = [] }) =>
        records.map((version) => ({
          database: dialect.name,
          record: version,
          words: describeVersion(version, record),
        })),
      ),
      failed: answers.flatMap(({ dialect, records }) => (records ? [] : [dialect.name])),
    });
  }

  /** The records of the work in one database; nothing if it could not be asked. */
  private async findIn(
    dialect: Dialect,
    record: BibliographicRecord,
  ): Promise<readonly BibliographicRecord[] | undefined> {
    if (this.connections.isByHand(dialect.id)) return undefined;
    const connection = this.connections.find(dialect.id);
    if (record.doi !== undefined && (await this.connections.offers(dialect.id, 'records'))) {
      const known = await connection.ask('records', { identifiers: [record.doi] });
      const found = known.ok ? known.value.records.filter((one) => one !== null) : [];
      if (found.length > 0) return found;
    }
    const title = buildWords(record.title);
    if (!title) return [];
    const { countKey } = this.counts.peek(build.fielded(['title'], title), dialect, {});
    if (!countKey) return undefined;
    const answer = await connection.ask('search', {
      string: countKey.string,
      sentLimiters: countKey.sentLimiters,
      start: 0,
      rows: MAX_LOOKED_AT,
      sort: 'relevance',
    });
    return answer.ok ? answer.value.records.filter((one) => isVersionOf(one, record)) : undefined;
  }

  /** Shows the text of a request, and notes that the work was asked for. */
  protected request(): void {
    const { key, record, database } = this.listed();
    const name = this.open.findDialect(database)?.name ?? database;
    const day = writeDay(this.open.now());
    void import('./request-dialog.component').then(({ RequestDialogComponent }) =>
      this.dialogs
        .open<InstanceType<typeof RequestDialogComponent>, RequestDialogData, boolean>(
          RequestDialogComponent,
          { data: { record, database: name, day }, width: 560 },
        )
        .afterClosed()
        .subscribe((isAsked) => {
          if (isAsked) this.note(key, record);
        }),
    );
  }

  private note(key: string, record: BibliographicRecord): void {
    const { identifier, work } = createRecordKeys(record);
    const asked = writeMoment(this.open.now());
    const request = {
      title: record.title,
      asked,
      ...(identifier !== 0 && { identifier }),
      ...(work !== 0 && { work }),
    };
    this.open.change({ kind: 'note-request', record: key, request });
    this.messages.show(say('read.notedThatYouAsked'), () =>
      this.open.change({ kind: 'note-request', record: key, request: undefined }),
    );
  }
}

/** How a version stands to a record, and whether it can be read. */
function describeVersion(version: BibliographicRecord, record: BibliographicRecord): string {
  const isSame = version.doi !== undefined && version.doi === record.doi;
  return [
    isSame
      ? say('read.theSameWork')
      : [say('read.theSameTitle'), version.year, version.type].filter((one) => one !== undefined).join(', '),
    version.fullText
      ? say('read.withFullText')
      : version.hasFullText
        ? say('read.saysThatItHasTheFull')
        : say('read.noFullText'),
  ].join(' · ');
}
