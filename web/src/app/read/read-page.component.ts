import {
  ChangeDetectionStrategy,
  Component,
  type Signal,
  computed,
  effect,
  inject,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import type { Sort } from '#core/contract/index';
import { describeInFull } from '#core/problem/index';
import type { Judgement, Lead, Verdict } from '#core/project/index';
import {
  countJudgedInOrder,
  createLeadQuery,
  describeFilter,
  explainRecords,
  moveToLimiters,
  moveToQuery,
  type ConceptInRecord,
} from '#core/reading/index';
import type { BibliographicRecord } from '#core/record/index';
import { shortenName } from '#core/text/index';
import { Judging } from '../records/judging';
import { ReadFacesComponent } from '../records/read-faces.component';
import { SaveRecords } from '../records/save-records';
import { VERDICT_ROWS, findVerdict } from '../records/verdicts';
import { OpenProject } from '../state/open-project';
import { ChoiceRowComponent } from '../ui/choice-row.component';
import { Dialogs } from '../ui/dialogs';
import { Messages } from '../ui/messages';
import { formatNumber } from '../ui/number-format';
import { FilterBarComponent } from './filter-bar.component';
import type { HowFar } from './how-far-dialog.component';
import { LearnPanelComponent } from './learn-panel.component';
import { OpenRecordComponent } from './open-record.component';
import { ReadExport } from './read-export';
import { ReadRecords, type ListedRecord } from './read-records';
import { ReadSubject, TOGETHER } from './read-subject';
import { RecordListComponent } from './record-list.component';
import { SampleBarComponent } from './sample-bar.component';
import { SingleSearch } from './single-search';
import { TakeRecord } from './take-record';
import { SortMenuComponent } from './sort-menu.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** From the top of a list again: no sample, and whatever was judged. */
const WHOLE_LIST = { at: null, sample: null, behind: null, judged: null } as const;
/** So many records are drawn, and so many more each time. */
const SAMPLE = 30;
/** What takes letters or has keys of its own. */
const KEYS_ELSEWHERE =
  'input, textarea, [contenteditable], [role="combobox"], [role="slider"], .cdk-overlay-container';

/** What a set holds: the list, the record that is open, and what can be learnt from them. */
@Component({
  selector: 'app-read-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    ChoiceRowComponent,
    FilterBarComponent,
    LearnPanelComponent,
    MatButton,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    OpenRecordComponent,
    ReadFacesComponent,
    RecordListComponent,
    SampleBarComponent,
    SortMenuComponent,
  ],
  providers: [ReadExport, ReadSubject, ReadRecords, SingleSearch, TakeRecord],
  templateUrl: './read-page.component.html',
  styleUrl: './read-page.component.scss',
  host: { '(document:keydown)': 'takeKey($event)' },
})
export class ReadPageComponent {
  protected readonly subject = inject(ReadSubject);
  protected readonly records = inject(ReadRecords);
  protected readonly exported = inject(ReadExport);
  protected readonly taking = inject(TakeRecord);
  private readonly judging = inject(Judging);
  private readonly saving = inject(SaveRecords);
  private readonly open = inject(OpenProject);
  private readonly announcer = inject(LiveAnnouncer);
  private readonly messages = inject(Messages);
  private readonly dialogs = inject(Dialogs);
  private readonly single = inject(SingleSearch);
  private readonly list = viewChild(RecordListComponent);

  protected readonly format = formatNumber;
  protected readonly sets = computed(() => [
    { id: 'draft', name: say('shared.theDraft') },
    ...this.open.project().variants.map(({ id, name }) => ({ id, name })),
  ]);
  protected readonly databases = computed(() => {
    const all = this.subject
      .dialects()
      .map((one) => ({ id: one.id, name: shortenName(one), label: one.name }));
    return all.length > 1 ? [...all, { id: TOGETHER, name: say('read.allDuplicatesRemoved') }] : all;
  });
  protected readonly database = computed(() =>
    this.subject.isTogether() ? TOGETHER : this.subject.dialect()?.id,
  );
  protected readonly at = signal(0);
  protected readonly current = computed<ListedRecord | undefined>(() => this.records.find(this.at()));
  protected readonly failure = computed(() => {
    const problem = this.records.problem();
    return problem && describeInFull(problem);
  });
  /** Why each record that was looked at is here: told once for each, for as long as the concepts are the same. */
  protected readonly whyHere = computed(() => {
    const concepts = this.subject.concepts();
    const vocabulary = this.subject.vocabulary();
    const database = this.subject.dialect()?.id ?? '';
    const told = new WeakMap<BibliographicRecord, readonly ConceptInRecord[]>();
    return (record: BibliographicRecord): readonly ConceptInRecord[] => {
      const known = told.get(record);
      if (known) return known;
      const [why = []] = explainRecords([record], concepts, database, vocabulary);
      told.set(record, why);
      return why;
    };
  });
  private readonly judged = computed(() => {
    const loaded = this.records.loaded();
    return new Map(loaded.map(({ record, judgement }) => [record, judgement]));
  });
  protected readonly judgementOf = computed(() => {
    const judged = this.judged();
    return (record: BibliographicRecord): Judgement | undefined => judged.get(record);
  });
  protected readonly canSample = computed(
    () => this.subject.connection()?.traits()?.offers.has('ids') ?? false,
  );
  /** There may be records: without, nothing is to be sorted, filtered or drawn. */
  protected readonly hasRecords = computed(
    () => !this.subject.isByHand() && this.subject.whyNothing() === undefined,
  );
  /** How many records there were when the address was made, if that has changed. */
  protected readonly before = computed(() => {
    const set = this.subject.set();
    const total = this.records.total();
    const isWhole = this.subject.filters().length === 0 && this.subject.judged().length === 0;
    if (set.kind !== 'string' || total === undefined || !isWhole || this.records.isEstimated())
      return undefined;
    return set.total === undefined || set.total === total || this.subject.sample() !== undefined
      ? undefined
      : set.total;
  });
  /** What the sample is drawn from, where it is not the whole set. */
  protected readonly sampledFrom = computed(() => {
    const size = this.records.sampledFrom();
    const behind = this.subject.behind();
    const filters = this.subject.filters().map(describeFilter);
    if (size === undefined || (behind === undefined && filters.length === 0)) return undefined;
    return [
      say('read.drawnFromRecords', { count: formatNumber(size) }),
      ...(filters.length > 0 ? [say('read.thatPassTheFilters', { filters: filters.join('; ') })] : []),
      ...(behind === undefined ? [] : [say('read.behindTheFirst', { behind: formatNumber(behind) })]),
    ].join(', ');
  });
  protected readonly isListEmpty = computed(() => this.records.total() === 0);

  constructor() {
    effect(() => {
      const { at } = this.subject.address();
      untracked(() => this.at.set(at));
    });
    // A record that the address names may stand far down in the list.
    effect(() => {
      const loaded = this.records.list();
      const at = this.at();
      untracked(() => {
        if (loaded.length > at && !loaded[at]) this.records.want(at, at + 1);
      });
    });
  }

  protected look(at: number): void {
    const last = this.records.list().length - 1;
    const next = Math.max(0, Math.min(last, at));
    this.at.set(next);
    this.list()?.reveal(next);
    this.subject.go({ at: next === 0 ? null : next }, false);
  }

  /** The databases that a work was found in, where several were asked. */
  protected nameDatabases(ids: readonly string[]): string {
    return this.subject.isTogether() ? ids.map((id) => this.open.findDialect(id)?.name ?? id).join(', ') : '';
  }

  /** A verdict that holds already is taken back; another one is given, and the list goes on. */
  protected press(verdict: Verdict): void {
    if (this.current()?.judgement?.verdict === verdict) this.keepJudgement(undefined);
    else this.judgeAndGoOn(verdict);
  }

  /** Says why the record was judged so. */
  protected giveReason(reason: string): void {
    const verdict = this.current()?.judgement?.verdict;
    if (verdict) this.keepJudgement(verdict, reason.trim());
  }

  /** Judges the record that is open and goes on to the next. */
  protected judgeAndGoOn(verdict: Verdict): void {
    const listed = this.current();
    if (!listed) return;
    if (listed.judgement?.verdict !== verdict) this.keepJudgement(verdict);
    void this.announcer.announce(
      `${VERDICT_ROWS.find(({ id }) => id === verdict)?.name ?? ''}: ${listed.record.title}`,
    );
    this.look(this.at() + 1);
  }

  private keepJudgement(verdict: Verdict | undefined, reason?: string): void {
    const listed = this.current();
    if (listed) this.judging.judge(listed.record, listed.database, verdict, reason);
  }

  /** Keys of the list, where no text is typed and nothing else takes them. */
  protected takeKey(event: KeyboardEvent): void {
    const { target, key } = event;
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
    if (!(target instanceof HTMLElement) || target.closest(KEYS_ELSEWHERE)) return;
    const verdict = findVerdict(key)?.id;
    const by = { ArrowDown: 1, j: 1, ArrowUp: -1, k: -1 }[key];
    const listed = this.current();
    if (verdict) this.judgeAndGoOn(verdict);
    else if (listed && key.toLowerCase() === 's') this.taking.toggleKept(listed);
    else if (listed && key.toLowerCase() === 'm') this.taking.addMustFind(listed.record);
    else if (listed && key.toLowerCase() === 'f') this.taking.follow(listed.record);
    else if (by !== undefined && this.isInList(target)) this.look(this.at() + by);
    else return;
    event.preventDefault();
  }

  private isInList(target: EventTarget | null): boolean {
    return target instanceof HTMLElement && target.closest('app-record-list') !== null;
  }

  protected choose(of: string): void {
    this.subject.go({ of: of === 'draft' ? null : of, ...WHOLE_LIST });
  }

  protected chooseDatabase(db: string): void {
    this.subject.go({ db, only: null, ...WHOLE_LIST });
  }

  protected sortBy(sort: Sort): void {
    this.subject.go({ sort: sort === 'relevance' ? null : sort, at: null });
  }

  protected drawSample(): void {
    this.subject.go({ sample: (this.subject.sample() ?? 0) + SAMPLE, judged: null, at: null });
  }

  protected leaveSample(): void {
    this.subject.go(WHOLE_LIST);
  }

  private readonly howFar = computed<HowFar>(() => {
    const steps = this.records.readSoFar();
    const isSample = this.subject.behind() !== undefined;
    const all = this.records.total() ?? 0;
    return {
      steps,
      unread: isSample ? (this.records.sampledFrom() ?? 0) : all - steps.at(-1)!.read,
      isEstimated: this.records.isEstimated(),
      sample: isSample ? countJudgedInOrder(this.records.sampled() ?? []) : undefined,
      canDraw: this.canSample(),
    };
  });

  /** The curve of what was found while reading down the list; from it, a sample of the others is drawn. */
  protected async showHowFar(): Promise<void> {
    await this.records.loadRead();
    const { HowFarDialogComponent } = await import('./how-far-dialog.component');
    this.dialogs
      .open<InstanceType<typeof HowFarDialogComponent>, Signal<HowFar>, number>(HowFarDialogComponent, {
        data: this.howFar,
        width: 620,
        first: 'mat-dialog-actions button',
      })
      .afterClosed()
      .subscribe((behind) => {
        if (behind) this.subject.go({ sample: SAMPLE, behind, judged: null, at: null });
      });
  }

  protected readonly leads = computed(() => this.open.project().leads.filter(({ isDone }) => !isDone).length);

  /** Shows the leads; the one that is chosen is searched for in the database that is read. */
  protected showLeads(): void {
    void import('./leads-dialog.component').then(({ LeadsDialogComponent }) =>
      this.dialogs
        .open<InstanceType<typeof LeadsDialogComponent>, undefined, Lead>(LeadsDialogComponent, {
          width: 760,
        })
        .afterClosed()
        .subscribe((lead) => {
          if (lead) this.single.read(createLeadQuery(lead), lead.name);
        }),
    );
  }

  /** Saves all records of the list as a file for other programs. */
  protected saveRecords(): void {
    const places = [
      this.subject.label(),
      this.subject.isTogether() ? '' : (this.subject.dialect()?.name ?? ''),
    ];
    void this.saving.open({
      name: places.filter(Boolean).join(', '),
      total: this.records.total() ?? 0,
      isEstimated: this.records.isEstimated(),
      fetch: (stop) => this.records.fetchAll(stop),
    });
  }

  /** Filters of the draft become its limiters, as far as limiters can say them. */
  protected makeLimiters(): void {
    const filters = this.subject.filters();
    const { limiters, left } = moveToLimiters(filters, this.open.limiters());
    if (left.length === filters.length) return this.messages.show(say('read.theseFiltersCannotBeLimiters'));
    this.open.change({ kind: 'set-limiters', limiters });
    this.subject.setFilters(left);
    this.messages.show(say('read.theFiltersAreLimitersNow'), () => this.open.undo());
  }

  /** Filters of the draft become a part of its text. */
  protected makeQuery(): void {
    const { draft, left } = moveToQuery(
      this.open.working().draft,
      this.subject.filters(),
      this.subject.dialect()?.headings?.vocabulary,
    );
    if (left.length === this.subject.filters().length)
      return this.messages.show(say('read.theseFiltersCannotBePart'));
    this.open.change({ kind: 'rewrite-draft', text: draft });
    this.subject.setFilters(left);
    this.messages.show(say('read.theQueryHasTheWords'), () => this.open.undo());
  }
}
