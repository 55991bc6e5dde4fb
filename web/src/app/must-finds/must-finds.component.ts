import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { MustFind } from '#core/project/index';
import { OpenProject } from '../state/open-project';
import { RecordDrawer } from '../records/record-drawer';
import { AsideHalfComponent } from './aside-half.component';
import { CompareSubject } from '../comparing/compare-subject';
import { CountingBarComponent } from '../comparing/counting-bar.component';
import { MustFindCounts, type MustFindCell } from '../comparing/must-find-counts';
import { MustFindEntryComponent } from './must-find-entry.component';
import { ProbableWorks } from './probable-works';
import { DatabaseHeadingComponent } from '../ui/database-heading.component';
import { Messages } from '../ui/messages';
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
    MustFindEntryComponent,
  ],
  templateUrl: './must-finds.component.html',
  styleUrl: '../comparing/tools.scss',
  styles: `
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
  private readonly drawer = inject(RecordDrawer);
  private readonly messages = inject(Messages);

  /** The must-find that is explained beside the table, by its id. */
  readonly chosen = input<string>();
  readonly chose = output<string>();
  /** Lines of the list pasted last that name no work. */
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

  protected remove(mustFind: MustFind): void {
    this.open.change({ kind: 'remove-must-finds', ids: [mustFind.id] });
    this.messages.show(say('compare.mustFindRemoved'), () => {
      this.open.change({ kind: 'add-must-finds', mustFinds: [mustFind] });
    });
  }

  protected read(cell: MustFindCell, name: string): void {
    if (cell.found?.countKey) this.drawer.show(cell.found.countKey, name);
  }
}
