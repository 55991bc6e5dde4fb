import { DropFilesDirective } from '../ui/drop-files.directive';
import { FileButtonComponent } from '../ui/file-button.component';
import { MatProgressBar } from '@angular/material/progress-bar';
import { FIELD_PARTS } from '../ui/field-parts';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { MAT_DIALOG_DATA } from '@angular/material/dialog';
import { findDialect, type Dialect } from '#core/dialect/index';
import { describeInFull, describeProblem, type Problem } from '#core/problem/index';
import { quoteWords } from '#core/project/index';
import { build, printQuery, type QueryNode } from '#core/query/index';
import { splitWords } from '#core/text/index';
import type { Heading } from '#core/vocabulary/index';
import type { SkosProgress, SkosReading } from '#core/vocabulary/skos/index';
import type { Counted } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { OpenProject } from '../state/open-project';
import {
  HeadingPaneComponent,
  type ListedHeading,
  type PaneAction,
  type ShownHeading,
} from './heading-pane.component';
import { TermEntry } from './term-entry';
import { ChoiceRowComponent } from '../ui/choice-row.component';
import { CountComponent } from '../records/count.component';
import { IconComponent } from '../ui/icon.component';
import { ThesaurusStore, hasHope, type ThesaurusEntry } from '../state/thesaurus-store';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** What the dialog is opened with. */
export interface ThesaurusDialogData {
  readonly concept: string;
  readonly words: string;
}

const MAX_FOUND = 60;
const MAX_LISTED = 200;

/** A thesaurus to look up words in and to walk: broader, narrower and related headings, with their counts. */
@Component({
  selector: 'app-thesaurus-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    DIALOG_PARTS,
    ChoiceRowComponent,
    CountComponent,
    HeadingPaneComponent,
    IconComponent,
    FIELD_PARTS,
    MatProgressBar,
    DropFilesDirective,
    FileButtonComponent,
  ],
  templateUrl: './thesaurus-dialog.component.html',
  styleUrl: './thesaurus-dialog.component.scss',
})
export class ThesaurusDialogComponent {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  protected readonly store = inject(ThesaurusStore);
  private readonly entry = inject(TermEntry);
  private readonly announcer = inject(LiveAnnouncer);
  private readonly data = inject<ThesaurusDialogData>(MAT_DIALOG_DATA);

  private readonly chosen = signal<string | undefined>(undefined);
  protected readonly sought = signal(this.data.words);
  private readonly label = signal<string | undefined>(undefined);
  /** The headings walked through, to go back. */
  private readonly walked = signal<readonly string[]>([]);
  protected readonly progress = signal<SkosProgress | undefined>(undefined);
  protected readonly problems = signal<readonly Problem[]>([]);
  protected readonly loadedFile = signal<{ name: string; reading: SkosReading } | undefined>(undefined);
  private canceller: AbortController | undefined;

  protected readonly concept = computed(() =>
    this.open.concepts().find((concept) => concept.id === this.data.concept),
  );
  protected readonly chosenEntry = computed<ThesaurusEntry | undefined>(
    () => this.store.entries().find(({ id }) => id === this.chosen()) ?? this.store.entries()[0],
  );
  protected readonly vocabulary = computed(() => this.store.find(this.chosenEntry()?.id ?? ''));
  protected readonly failure = computed(() => {
    const problem = this.store.findProblem(this.chosenEntry()?.id ?? '');
    return problem && { reason: describeProblem(problem), hasHope: hasHope(problem) };
  });
  /** The database whose records have these headings; none for a thesaurus from a file. */
  private readonly dialect = computed<Dialect | undefined>(() => {
    const entry = this.chosenEntry();
    return entry && !entry.isOwn ? findDialect(entry.id) : undefined;
  });
  private readonly listed = computed(() => {
    const vocabulary = this.vocabulary();
    if (!vocabulary) return [];
    if (splitWords(this.sought()).length > 0) return vocabulary.lookUp(this.sought(), MAX_FOUND);
    return vocabulary.headings
      .filter((heading) => heading.broader.length === 0)
      .slice(0, MAX_LISTED)
      .map((heading) => ({ heading, by: heading.label, hasWords: true }));
  });
  private readonly current = computed(() => {
    const label = this.label();
    const vocabulary = this.vocabulary();
    return (label === undefined ? undefined : vocabulary?.find(label)) ?? this.listed()[0]?.heading;
  });
  private readonly around = computed(() => {
    const heading = this.current();
    const vocabulary = this.vocabulary();
    if (!heading || !vocabulary) return undefined;
    const find = (labels: readonly string[]): Heading[] =>
      labels.flatMap((label) => vocabulary.find(label) ?? []);
    return {
      heading,
      broader: find(heading.broader),
      narrower: vocabulary.listNarrower(heading.label).slice(0, MAX_LISTED),
      related: find(heading.related),
      branch: vocabulary.listBranch(heading.label).length,
    };
  });
  protected readonly found = computed<readonly ListedHeading[]>(() =>
    this.listed().map(({ heading, by }) => ({ heading, by, counted: this.look(heading, 'heading') })),
  );
  protected readonly shown = computed<ShownHeading | undefined>(() => {
    const around = this.around();
    if (!around) return undefined;
    const list = (headings: readonly Heading[]): ListedHeading[] =>
      headings.map((heading) => ({ heading, counted: this.look(heading, 'heading') }));
    return {
      ...around,
      alone: this.look(around.heading, 'heading'),
      whole: around.branch > 1 ? this.look(around.heading, 'branch') : undefined,
      groups: [
        { name: say('terms.broader'), headings: list(around.broader) },
        { name: say('terms.narrower'), headings: list(around.narrower) },
        { name: say('terms.related'), headings: list(around.related) },
      ].filter((group) => group.headings.length > 0),
    };
  });
  protected readonly canGoBack = computed(() => this.walked().length > 0);
  protected readonly databaseName = computed(() => this.dialect()?.name ?? '');

  constructor() {
    effect(() => {
      const id = this.chosenEntry()?.id;
      if (id !== undefined) untracked(() => void this.store.load(id));
    });
  }

  protected choose(id: string): void {
    this.chosen.set(id);
    this.label.set(undefined);
    this.walked.set([]);
  }

  protected tryAgain(): void {
    void this.store.load(this.chosenEntry()?.id ?? '');
  }

  protected act(action: PaneAction): void {
    switch (action.kind) {
      case 'walk':
        return this.walk(action.heading);
      case 'go-back':
        return this.goBack();
      case 'take-heading':
        return this.takeHeading(action.heading, action.scope);
      case 'take-words':
        return this.take(action.words.map(quoteWords));
      case 'take-translation':
        return this.takeTranslation(action.label, action.language);
    }
  }

  private walk(heading: Heading): void {
    const from = this.current();
    if (from) this.walked.update((walked) => [...walked, from.label]);
    this.label.set(heading.label);
    void this.announcer.announce(heading.label);
  }

  private goBack(): void {
    this.label.set(this.walked().at(-1));
    this.walked.update((walked) => walked.slice(0, -1));
  }

  protected show(heading: Heading): void {
    this.label.set(heading.label);
    this.walked.set([]);
  }

  private takeHeading({ label }: Heading, scope: 'heading' | 'branch'): void {
    this.take([printQuery(build.heading(label, scope, this.dialect()?.headings?.vocabulary))]);
  }

  private takeTranslation(label: string, language: string): void {
    const concept = this.concept();
    if (!concept) return;
    const terms = this.entry
      .create(concept, [quoteWords(label)], 'thesaurus')
      .map((term) => ({ ...term, language }));
    if (terms.length > 0) this.open.change({ kind: 'add-terms', concept: concept.id, terms });
  }

  protected async loadFile([file]: readonly File[]): Promise<void> {
    if (!file) return;
    this.problems.set([]);
    this.loadedFile.set(undefined);
    const { signal } = (this.canceller = new AbortController());
    this.progress.set({ read: 0, of: file.size, concepts: 0 });
    const outcome = await this.store.readFile(
      await file.text(),
      (progress) => this.progress.set(progress),
      signal,
    );
    // A cancel may come after the last word of the reader.
    if (!outcome || signal.aborted) return;
    this.progress.set(undefined);
    const reading = outcome.ok ? outcome.value : undefined;
    this.problems.set(outcome.ok ? outcome.value.problems : [outcome.problem]);
    if (!reading || reading.headings.length === 0) return;
    const name = file.name.replace(/\.\w+$/, '');
    const isWhole = reading.problems.every((problem) => problem.severity !== 'error');
    if (isWhole) await this.keep({ name, reading });
    else this.loadedFile.set({ name, reading });
  }

  protected cancelLoading(): void {
    this.canceller?.abort();
    this.progress.set(undefined);
  }

  protected async keep({ name, reading }: { name: string; reading: SkosReading }): Promise<void> {
    this.loadedFile.set(undefined);
    this.choose(await this.store.keep(name, reading));
    void this.announcer.announce(say('terms.headingsLoaded', { count: reading.headings.length }));
  }

  protected remove(entry: ThesaurusEntry): void {
    void this.store.remove(entry.id);
    this.chosen.set(undefined);
  }

  protected readonly describe = describeInFull;

  protected percent({ read, of }: SkosProgress): number {
    return of === 0 ? 0 : Math.round((100 * read) / of);
  }

  private take(texts: readonly string[]): void {
    const concept = this.concept();
    if (concept) this.entry.add(concept, texts, 'thesaurus');
  }

  private look({ label }: Heading, scope: 'heading' | 'branch'): Counted | undefined {
    const dialect = this.dialect();
    if (!dialect) return undefined;
    return this.counts.look(this.readHeading(label, scope, dialect), dialect, this.open.limiters());
  }

  /** One tree a heading, so that it is written once. */
  private readonly trees = new Map<string, QueryNode>();

  private readHeading(label: string, scope: 'heading' | 'branch', dialect: Dialect): QueryNode {
    const fresh = build.heading(label, scope, dialect.headings?.vocabulary);
    const key = printQuery(fresh);
    const tree = this.trees.get(key) ?? fresh;
    this.trees.set(key, tree);
    return tree;
  }
}
