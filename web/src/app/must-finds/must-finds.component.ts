import { FIELD_PARTS } from '../ui/field-parts';
import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { readPastedList, type UnreadPiece } from '#core/must-finds/index';
import type { MustFind } from '#core/project/index';
import { OpenProject } from '../state/open-project';
import { RecordDrawer } from '../records/record-drawer';
import { AsideHalfComponent } from './aside-half.component';
import { CompareSubject } from '../comparing/compare-subject';
import { CountingBarComponent } from '../comparing/counting-bar.component';
import { MustFindCounts, type MustFindCell } from '../comparing/must-find-counts';
import { ProbableWorks } from './probable-works';
import { DatabaseHeadingComponent } from '../ui/database-heading.component';
import { Messages } from '../ui/messages';
import { Connections } from '../state/connections';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

const WORDS = {
  found: 'found',
  missed: 'missed',
  get 'not-there'() {
    return say('compare.notInIt');
  },
  get 'not-missed'() {
    return say('mustFinds.foundOrNotThere');
  },
  get unknown() {
    return say('mustFinds.cannotBeAsked');
  },
} as const;

const REASONS = {
  get 'no-words'() {
    return say('mustFinds.hasNoWords');
  },
  get 'one-word'() {
    return say('mustFinds.hasOneWord');
  },
} as const;

/** The records that the search has to find, each found, missed or not there in each database. */
@Component({
  selector: 'app-must-finds',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AsideHalfComponent,
    SayPipe,
    CountingBarComponent,
    DatabaseHeadingComponent,
    MatButton,
    FIELD_PARTS,
  ],
  templateUrl: './must-finds.component.html',
  styleUrl: '../comparing/tools.scss',
  styles: `
    .box {
      width: 100%;
      max-width: 760px;
      margin-top: 6px;
    }
    .name {
      text-align: left;
      text-decoration: underline dotted;
      text-underline-offset: 3px;
    }
    .name:hover,
    .marked .name {
      color: var(--glaze);
    }
    .below {
      display: block;
    }
    .unread {
      margin: 4px 0 10px;
      padding-left: 20px;
    }
    .marked th {
      border-left: 3px solid var(--glaze);
      padding-left: 8px;
    }
  `,
})
export class MustFindsComponent {
  protected readonly subject = inject(CompareSubject);
  protected readonly open = inject(OpenProject);
  protected readonly probable = inject(ProbableWorks);
  private readonly counts = inject(MustFindCounts);
  private readonly connections = inject(Connections);
  private readonly drawer = inject(RecordDrawer);
  private readonly messages = inject(Messages);

  /** The must-find that is explained beside the table, by its id. */
  readonly chosen = input<string>();
  readonly chose = output<string>();
  protected readonly isLookingUp = signal(false);
  /** Lines of the list pasted last that name no work. */
  protected readonly unread = signal<readonly UnreadPiece[]>([]);
  protected readonly reasons = REASONS;
  protected readonly words = WORDS;
  protected readonly rows = computed(() =>
    this.counts.standings().map(({ mustFind, cells }) => ({
      mustFind,
      name: mustFind.title || (mustFind.identifier ?? ''),
      isUnknown: mustFind.title === '',
      isMissed: cells.some(({ standing }) => standing === 'missed'),
      cells,
    })),
  );
  protected readonly hasFromQuery = computed(() => this.rows().some(({ mustFind }) => mustFind.isFromQuery));
  protected readonly asked = computed(() =>
    this.rows().flatMap(({ cells }) => cells.flatMap(({ asked }) => asked)),
  );
  protected readonly summary = computed(() =>
    this.counts.summarise(this.subject.state(), this.subject.dialects()),
  );

  /** Titles as they are; identifiers get the title under which a database has them. */
  protected async add(field: HTMLTextAreaElement): Promise<void> {
    const { works: lines, unread } = readPastedList(field.value);
    this.unread.set(unread);
    if (lines.length === 0) return;
    this.isLookingUp.set(true);
    const identifiers = lines.flatMap(({ identifier }) => identifier ?? []);
    const titles = await this.lookUp(identifiers);
    this.isLookingUp.set(false);
    const has = new Set(
      this.open.project().mustFinds.flatMap(({ title, identifier }) => [title, identifier ?? '']),
    );
    const mustFinds = lines.flatMap(({ title, identifier }): MustFind[] => {
      if (has.has(identifier ?? title)) return [];
      const found = identifier === undefined ? title : (titles.get(identifier) ?? title);
      return [{ id: this.open.createId(), title: found, ...(identifier !== undefined && { identifier }) }];
    });
    if (mustFinds.length > 0) this.open.change({ kind: 'add-must-finds', mustFinds });
    // What was not understood stays, to be mended.
    field.value = unread.map(({ text }) => text).join('\n');
  }

  protected remove(mustFind: MustFind): void {
    this.open.change({ kind: 'remove-must-finds', ids: [mustFind.id] });
    this.messages.show(say('compare.mustFindRemoved'), () => {
      this.open.change({ kind: 'add-must-finds', mustFinds: [mustFind] });
    });
  }

  protected read(cell: MustFindCell, name: string): void {
    if (cell.found?.countKey) this.drawer.show(cell.found.countKey, name);
  }

  private async lookUp(identifiers: readonly string[]): Promise<ReadonlyMap<string, string>> {
    const titles = new Map<string, string>();
    if (identifiers.length === 0) return titles;
    for (const { id } of this.open.dialects()) {
      const answer = await this.connections.find(id).ask('lookup', { identifiers });
      if (!answer.ok) continue;
      answer.value.titles.forEach((title, at) => {
        const identifier = identifiers[at] ?? '';
        if (title !== null && !titles.has(identifier)) titles.set(identifier, title);
      });
    }
    return titles;
  }
}
