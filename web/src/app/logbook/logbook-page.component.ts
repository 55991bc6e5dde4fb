import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { MatProgressBar } from '@angular/material/progress-bar';
import { LENGTHS, findRunBefore, type CheckGoal, type DocumentLength } from '#core/document/index';
import { describeInFull } from '#core/problem/index';
import { countDifferences, describeDifference } from '#core/compare/draft/index';
import type { DocumentWords } from '#core/project/index';
import { CompareSubject } from '../comparing/compare-subject';
import { CountingBarComponent } from '../comparing/counting-bar.component';
import { MustFindCounts } from '../comparing/must-find-counts';
import { RecordSets } from '../comparing/record-sets';
import { FreezeVariant } from '../freezing/freeze-variant';
import { OpenProject } from '../state/open-project';
import { Dialogs } from '../ui/dialogs';
import { Messages } from '../ui/messages';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';
import { CompletenessComponent } from './completeness.component';
import { DocumentViewComponent } from './document-view.component';
import { DocumentWordsComponent } from './document-words.component';
import { LogEntries } from './log-entries';
import { LogListComponent } from './log-list.component';
import { LogView } from './log-view';
import { RunMaker } from './run-maker';
import type { RunAnswer, RunDialogData } from './run-dialog.component';
import { RunsComparedComponent } from './runs-compared.component';
import { RunsListComponent } from './runs-list.component';
import { DOCUMENT_FILES, SaveDocument } from './save-document';
import { ShownSearchOfRun } from './shown-search';
import { WaitingByHand } from './waiting-by-hand';

/** What is shown beside the log: the document at a length, what belongs to it, or two runs beside each other. */
const FACES = ['appendix', 'one-page', 'assignment', 'words', 'since'] as const;
type Face = (typeof FACES)[number];

const FACE_NAMES: Readonly<Record<Face, string>> = {
  get appendix() {
    return say('logbook.theDocumentedSearch');
  },
  get 'one-page'() {
    return say('logbook.onePage');
  },
  get assignment() {
    return say('logbook.assignmentSheet');
  },
  get words() {
    return say('logbook.methodsParagraph');
  },
  get since() {
    return say('logbook.sinceTheRunBefore');
  },
};

/** The search as a document: the log, what is written of it, what that still lacks, and running it again. */
@Component({
  selector: 'app-logbook-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    CompletenessComponent,
    CountingBarComponent,
    DocumentViewComponent,
    DocumentWordsComponent,
    LogListComponent,
    MatButton,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    MatProgressBar,
    RouterLink,
    RunsComparedComponent,
    RunsListComponent,
    SayPipe,
  ],
  providers: [
    CompareSubject,
    LogEntries,
    LogView,
    MustFindCounts,
    RecordSets,
    RunMaker,
    SaveDocument,
    ShownSearchOfRun,
    WaitingByHand,
  ],
  templateUrl: './logbook-page.component.html',
  styleUrl: './logbook-page.component.scss',
})
export class LogbookPageComponent {
  protected readonly open = inject(OpenProject);
  protected readonly search = inject(ShownSearchOfRun);
  protected readonly maker = inject(RunMaker);
  protected readonly entries = inject(LogEntries);
  protected readonly saving = inject(SaveDocument);
  protected readonly waiting = inject(WaitingByHand).counted;
  private readonly freezing = inject(FreezeVariant);
  private readonly dialogs = inject(Dialogs);
  private readonly messages = inject(Messages);
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);
  private readonly address = toSignal(this.route.queryParamMap);

  protected readonly files = DOCUMENT_FILES;
  protected readonly describeInFull = describeInFull;
  protected readonly runs = computed(() => this.open.project().runs);
  protected readonly before = computed(() => {
    const run = this.search.run();
    return run && findRunBefore(run, this.runs());
  });
  protected readonly face = computed<Face>(() => {
    const asked = this.address()?.get('show');
    const face = FACES.find((one) => one === asked) ?? 'appendix';
    return face === 'since' && !this.before() ? 'appendix' : face;
  });
  protected readonly faces = computed(() =>
    FACES.filter((face) => face !== 'since' || this.before() !== undefined).map((id) => ({
      id,
      name: FACE_NAMES[id],
    })),
  );
  protected readonly isDocument = computed(() => LENGTHS.some((length) => length === this.face()));
  /** There is something to run. */
  protected readonly canRun = computed(
    () =>
      this.open.project().variants.length > 0 ||
      (this.open.working().draft.trim() !== '' && this.open.working().databases.length > 0),
  );

  constructor() {
    effect(() => {
      this.search.chosen.set(this.address()?.get('run') ?? undefined);
      const face = this.face();
      if (isLength(face)) this.search.length.set(face);
    });
  }

  protected choose(run: string): void {
    void this.router.navigate([], { queryParams: { run }, queryParamsHandling: 'merge' });
  }

  /** Asks what is run, and runs it. */
  protected runAgain(): void {
    const { variants } = this.open.project();
    const working = this.open.working();
    const same = variants.findLast(
      ({ frozen }) =>
        countDifferences(describeDifference(frozen, working)) === 0 &&
        frozen.databases.join() === working.databases.join(),
    );
    void import('./run-dialog.component').then(({ RunDialogComponent }) =>
      this.dialogs
        .open<InstanceType<typeof RunDialogComponent>, RunDialogData, RunAnswer>(RunDialogComponent, {
          data: {
            variants: variants.toReversed(),
            asDraft: same?.id,
            proposed: same?.id,
            draftName: this.freezing.proposeName(),
          },
          width: 520,
        })
        .afterClosed()
        .subscribe((answer) => answer && void this.make(answer)),
    );
  }

  private async make(answer: RunAnswer): Promise<void> {
    if ('freeze' in answer) this.freezing.freeze(answer.freeze.name, answer.freeze.note);
    const { variants } = this.open.project();
    const variant = 'freeze' in answer ? variants.at(-1) : variants.find(({ id }) => id === answer.variant);
    if (!variant) return;
    const run = await this.maker.make(variant, answer.name);
    if (run === undefined) this.messages.show(say('logbook.theRunWasStopped'));
    else this.choose(run);
  }

  protected removeRun(id: string): void {
    const run = this.runs().find((one) => one.id === id);
    if (!run) return;
    this.open.change({ kind: 'remove-run', id });
    this.messages.show(say('logbook.removedRun', { name: run.name }), () =>
      this.open.change({ kind: 'keep-run', run, tallies: [] }),
    );
  }

  protected write(words: Partial<DocumentWords>): void {
    this.open.change({ kind: 'write-document', words: { ...this.open.project().documentWords, ...words } });
  }

  protected takeProposal(): void {
    const { methods, ...words } = this.open.project().documentWords;
    this.open.change({ kind: 'write-document', words });
    this.messages.show(say('logbook.theParagraphIsTheProposal'), () => methods && this.write({ methods }));
  }

  /** Leads to where a missing point is mended. */
  protected go(goal: CheckGoal): void {
    const project = ['/p', this.open.project().id];
    switch (goal) {
      case 'topic':
      case 'databases':
      case 'compare':
      case 'query':
      case 'read':
        void this.router.navigate([...project, goal]);
        return;
      case 'must-finds':
        void this.router.navigate([...project, 'read', 'must-finds']);
        return;
      case 'run':
        this.runAgain();
        return;
      case 'words':
        void this.router.navigate([], { queryParams: { show: 'words' }, queryParamsHandling: 'merge' });
        return;
      case 'source':
        this.entries.addSource();
        return;
    }
  }

  protected print(): void {
    window.print();
  }
}

function isLength(face: Face): face is Face & DocumentLength {
  return LENGTHS.some((length) => length === face);
}
