import { MatButton } from '@angular/material/button';
import { type CdkDragDrop, CdkDropListGroup } from '@angular/cdk/drag-drop';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  Injector,
  afterNextRender,
  computed,
  effect,
  inject,
  input,
  signal,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { findTermMarks, type ConceptQueries, type TermMark } from '#core/compare/draft/index';
import {
  createTermKey,
  MAX_CONCEPTS,
  getConceptLetter,
  printTerm,
  splitPastedTerms,
  tidyTerm,
  type Concept,
  type Term,
} from '#core/project/index';
import { parseQuery } from '#core/query/index';
import { shortenName } from '#core/text/index';
import { OpenProject } from '../state/open-project';
import { ThesaurusStore } from '../state/thesaurus-store';
import { ChoiceRowComponent, type Choice } from '../ui/choice-row.component';
import { getHueClass } from '../ui/hues';
import { ConceptColumnComponent } from './concept-column.component';
import { describeConcept } from './concept-description';
import { QuestionBarComponent } from './question-bar.component';
import { SuggestionPanelComponent } from './suggestion-panel.component';
import { TermEntry } from '../terms/term-entry';
import { measureView, sortTerms } from './term-order';
import { SortMenuComponent } from './sort-menu.component';
import { TopicDialogs } from './topic-dialogs';
import { TopicNumbers } from './topic-numbers';
import {
  MEASURES,
  SORTINGS,
  SORTING_NAMES,
  type ColumnAction,
  type ConceptView,
  type Measure,
  type MoveDirection,
  type Sorting,
  type TermView,
} from './topic-views';
import { TextClipboard } from '../data/text-clipboard';
import { Messages } from '../ui/messages';
import { Connections } from '../state/connections';
import { AskedCounts } from '../counting/asked-counts';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

const NO_MARKS: readonly TermMark[] = [];
/** Stands in the address for "side by side". */
const ALL = 'all';

/** The view where the work starts: the question, its concepts as columns of terms, and suggestions. */
@Component({
  selector: 'app-topic-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    CdkDropListGroup,
    ChoiceRowComponent,
    ConceptColumnComponent,
    QuestionBarComponent,
    SuggestionPanelComponent,
    MatButton,
    SortMenuComponent,
    RouterLink,
  ],
  providers: [TopicNumbers, TermEntry, TopicDialogs],
  templateUrl: './topic-page.component.html',
  styleUrl: './topic-page.component.scss',
})
export class TopicPageComponent {
  protected readonly open = inject(OpenProject);
  private readonly numbers = inject(TopicNumbers);
  private readonly entry = inject(TermEntry);
  protected readonly dialogs = inject(TopicDialogs);
  private readonly connections = inject(Connections);
  private readonly thesauri = inject(ThesaurusStore);
  private readonly router = inject(Router);
  private readonly announcer = inject(LiveAnnouncer);
  private readonly clipboard = inject(TextClipboard);
  private readonly messages = inject(Messages);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly views = new WeakMap<Term, TermView>();

  /** The database looked at, or `all`, from the address. */
  readonly db = input<string>();
  /** What is shown beside what a term finds, from the address. */
  readonly show = input<string>();
  readonly sort = input<string>();

  protected readonly isSideBySide = computed(() => this.db() === ALL && this.open.dialects().length > 1);
  protected readonly dialect = computed(
    () => this.open.dialects().find((dialect) => dialect.id === this.db()) ?? this.open.dialects()[0],
  );
  protected readonly shown = computed(() => {
    const dialect = this.dialect();
    return this.isSideBySide() ? this.open.dialects() : dialect ? [dialect] : [];
  });
  protected readonly nameDatabase = (id: string): string => this.open.nameInShort(id);
  protected readonly shownNames = computed(() => this.shown().map((dialect) => dialect.name));
  protected readonly measure = computed<Measure>(() => {
    const asked = MEASURES.find((measure) => measure === this.show());
    if (this.isSideBySide()) return asked ?? 'finds';
    return asked === 'draft' ? 'draft' : 'only';
  });
  protected readonly databaseChoices = computed<readonly Choice[]>(() => {
    const dialects = this.open
      .dialects()
      .map((one) => ({ id: one.id, name: shortenName(one), label: one.name }));
    return dialects.length > 1 ? [...dialects, { id: ALL, name: say('topic.sideBySide') }] : dialects;
  });
  protected readonly measures = computed<readonly Choice[]>(() => {
    const both = [
      { id: 'only', name: say('topic.uniqueInItsConcept') },
      { id: 'draft', name: say('topic.uniqueInTheQueryWords') },
    ];
    return this.isSideBySide() ? [{ id: 'finds', name: say('topic.finds') }, ...both] : both;
  });
  protected readonly sorting = computed<Sorting>(
    () => SORTINGS.find((sorting) => sorting === this.sort()) ?? 'hand',
  );
  protected readonly canAdd = computed(() => this.open.concepts().length < MAX_CONCEPTS);
  protected readonly hasPanel = signal(true);
  private readonly looked = signal<{ concept: string; term?: string } | undefined>(undefined);

  /** The concept at hand, and the term, if the person stands on one. */
  protected readonly atHand = computed(() => {
    const looked = this.looked();
    const concept =
      this.open.concepts().find((candidate) => candidate.id === looked?.concept) ?? this.open.concepts()[0];
    return concept && { concept, term: concept.terms.find((term) => term.id === looked?.term) };
  });

  private readonly marks = computed(() =>
    findTermMarks(this.open.concepts(), {
      databases: this.open.dialects(),
      findsOf: this.numbers.findsOf,
      sizeOf: (database) => this.connections.find(database).traits()?.records,
      vocabularyOf: (database) => this.thesauri.find(database),
    }),
  );
  private readonly descriptions = computed(() =>
    this.open
      .concepts()
      .map((concept) =>
        describeConcept(concept, this.open.working(), this.open.dialects(), (candidate, database) =>
          this.thesauri.hasHeading(candidate, database),
        ),
      ),
  );
  /** The names of the databases that ship with Ewer, where only such are searched. */
  protected readonly madeUp = computed(() => {
    const own = new Set(this.open.working().ownDatabases.map(({ dialect }) => dialect.id));
    const dialects = this.open.dialects();
    if (dialects.length === 0 || dialects.some(({ id }) => own.has(id))) return '';
    return new Intl.ListFormat('en').format(dialects.map(({ name }) => name));
  });
  protected readonly concepts = computed(() =>
    this.numbers.questions().map((questions, index) => this.describeConcept(questions, index)),
  );

  constructor() {
    const asked = inject(AskedCounts);
    effect(() => asked.ask(this.numbers.asked()));
    this.thesauri.followChosen();
  }

  protected navigate(queryParams: Record<string, string | null>): void {
    void this.router.navigate([], { queryParams, queryParamsHandling: 'merge', replaceUrl: true });
  }

  protected look(concept: Concept, term?: Term): void {
    this.looked.set(term ? { concept: concept.id, term: term.id } : { concept: concept.id });
  }

  protected setRange(concept: Concept, range: { start: number; end: number }): void {
    this.numbers.setRange(concept.id, range);
  }

  protected addConcept(name: string, words: readonly string[] = []): void {
    if (name.trim() === '') return;
    const id = this.open.createId();
    const terms = this.entry.create(undefined, words, 'question');
    this.open.change({ kind: 'add-concept', id, name: name.trim(), terms });
    this.looked.set({ concept: id });
    this.focusLater(`[data-add="${id}"]`);
  }

  /** Does what was asked for in the column of a concept. */
  protected act({ concept, index }: ConceptView, action: ColumnAction): void {
    const { id } = concept;
    switch (action.kind) {
      case 'rename': {
        const name = action.name.trim();
        if (name !== '' && name !== concept.name) this.open.change({ kind: 'rename-concept', id, name });
        return;
      }
      case 'remove':
        return this.open.change({ kind: 'remove-concept', id });
      case 'switch':
        return this.open.change({ kind: 'switch-concept', id, off: action.off });
      case 'move':
        return this.open.change({ kind: 'move-concept', id, to: index + action.by });
      case 'open-settings':
        return this.dialogs.concept(concept);
      case 'split':
        return this.dialogs.split(concept);
      case 'copy':
        return this.copy(
          concept.terms.map(printTerm).join('\n'),
          say('shared.terms', { count: concept.terms.length }),
        );
      case 'add':
        return this.entry.add(concept, [action.text], 'typed');
      case 'paste':
        return this.paste(concept, action.text);
      case 'edit-term':
        return this.editTerm(action.term, action.text);
      case 'type-term':
        return this.typeTerm(concept, action.term, action.text);
      case 'switch-term':
        return this.open.change({ kind: 'switch-term', id: action.term.id, off: !action.term.off });
      case 'remove-term':
        return this.open.change({ kind: 'remove-terms', ids: [action.term.id] });
      case 'move-term':
        return this.moveTerm(concept, action.term, action.direction);
      case 'send-term': {
        const { term, to } = action;
        return this.open.change({ kind: 'move-term', id: term.id, concept: to.id, to: to.terms.length });
      }
      case 'open-term':
        return this.dialogs.term(action.term);
      case 'open-endings':
        return this.dialogs.endings(concept, action.term);
      case 'fix':
        this.open.change(action.fix.change);
        void this.announcer.announce(say('topic.doneLabel', { label: action.fix.label }));
        return;
      case 'step':
        return this.step(concept, action.line, action.by, action.event);
      case 'drop':
        return this.drop(action.event, action.first);
    }
  }

  protected addFromQuestion(concept: Concept, words: readonly string[]): void {
    this.entry.add(concept, words, 'question');
  }

  private paste(concept: Concept, pasted: string): void {
    if (this.entry.isPlainPaste(concept, pasted)) this.entry.add(concept, splitPastedTerms(pasted), 'pasted');
    else this.dialogs.paste(concept, pasted);
  }

  private editTerm(term: Term, text: string): void {
    const tidy = tidyTerm(text);
    if (tidy === '') this.open.change({ kind: 'remove-terms', ids: [term.id] });
    else if (tidy !== term.text) this.open.change({ kind: 'edit-term', id: term.id, text: tidy });
  }

  /** What is typed is counted when it rests, as far as it can be; an order that depends on it would move the line. */
  private typeTerm({ terms }: Concept, { id, text: before }: Term, text: string): void {
    const tidy = tidyTerm(text);
    if (tidy === '' || tidy === before || this.sorting() !== 'hand') return;
    const key = createTermKey({ text: tidy });
    const isThere = terms.some((other) => other.id !== id && createTermKey(other) === key);
    const isBroken = parseQuery(tidy).problems.some(({ severity }) => severity === 'error');
    if (!isThere && !isBroken) this.open.change({ kind: 'type-term', id, text: tidy });
  }

  private drop(event: CdkDragDrop<Concept, Concept, Term>, first: number): void {
    const isOwn = event.container === event.previousContainer;
    if (isOwn && this.sorting() !== 'hand') return;
    const to = this.sorting() === 'hand' ? first + event.currentIndex : event.container.data.terms.length;
    this.open.change({ kind: 'move-term', id: event.item.data.id, concept: event.container.data.id, to });
  }

  /** Moves a term by keyboard: up and down in its concept, left and right to the concept beside it. */
  private moveTerm(concept: Concept, term: Term, direction: MoveDirection): void {
    const concepts = this.open.concepts();
    const at = concepts.findIndex((other) => other.id === concept.id);
    const place = concept.terms.findIndex((other) => other.id === term.id);
    const isSideways = direction === 'left' || direction === 'right';
    const target = isSideways ? concepts[at + (direction === 'left' ? -1 : 1)] : concept;
    const to = isSideways ? (target?.terms.length ?? 0) : place + (direction === 'up' ? -1 : 1);
    if (!target || to < 0 || (target === concept && to >= concept.terms.length)) return;
    if (target === concept && this.sorting() !== 'hand') {
      void this.announcer.announce(say('topic.sortedSortByHand', { order: SORTING_NAMES[this.sorting()] }));
      return;
    }
    this.open.change({ kind: 'move-term', id: term.id, concept: target.id, to });
    void this.announcer.announce(
      say('topic.movedToPlace', { text: term.text, name: target.name, place: to + 1 }),
    );
    this.focusLater(`[data-term="${term.id}"]`);
  }

  /** The cell beside one in the table of terms; past the last column the browser goes on by itself. */
  private step(concept: Concept, line: number, by: 1 | -1, event: Event): void {
    const concepts = this.open.concepts();
    const target = concepts[concepts.findIndex((other) => other.id === concept.id) + by];
    if (!target) return;
    event.preventDefault();
    const view = this.concepts().find((candidate) => candidate.concept === target);
    const term = view?.terms[line]?.term;
    const isNewLine = line >= concept.terms.length || !term;
    this.focus(isNewLine ? `[data-add="${target.id}"]` : `[data-term="${term.id}"]`);
  }

  protected hueOf(index: number): string {
    return getHueClass(index);
  }

  protected letterOf(index: number): string {
    return getConceptLetter(index);
  }

  /** Brings a concept into sight and puts the person on its line for a new term. */
  protected goTo(concept: Concept): void {
    this.focus(`[data-add="${concept.id}"]`);
    this.host.nativeElement
      .querySelector(`[data-add="${concept.id}"]`)
      ?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }

  protected async copyTable(): Promise<void> {
    const { writeTermTable } = await import('./term-table');
    this.copy(writeTermTable(this.open.concepts()), say('topic.theTableOfTerms'));
  }

  private copy(text: string, what: string): void {
    this.messages.showCopied(this.clipboard.copy(text), what);
  }

  private focus(selector: string): void {
    this.host.nativeElement.querySelector<HTMLElement>(selector)?.focus();
  }

  private focusLater(selector: string): void {
    afterNextRender(() => this.focus(selector), { injector: this.injector });
  }

  private describeConcept({ concept, whole, terms }: ConceptQueries, index: number): ConceptView {
    const shown = this.shown();
    const marks = this.marks();
    const description = this.descriptions()[index];
    const rows = terms.map((question) => {
      const { term } = question;
      return this.keepView({
        term,
        kind: description?.kinds.get(term) ?? 'word',
        numbers: this.numbers.describe(question, whole, shown),
        marks: marks.get(term.id) ?? NO_MARKS,
      });
    });
    return {
      concept,
      index,
      isExcluded: description?.place.kind === 'excluded',
      placeWords: description?.placeWords ?? '',
      headingWords: description?.headingWords ?? '',
      whole: shown.map((dialect) => ({ dialect, counted: this.numbers.look(whole, dialect) })),
      terms: sortTerms(rows, this.sorting(), measureView),
    };
  }

  /** The last view of a term as long as it says the same: its line is then not drawn anew. */
  private keepView(view: TermView): TermView {
    const last = this.views.get(view.term);
    if (last?.kind === view.kind && last.numbers === view.numbers && last.marks === view.marks) return last;
    this.views.set(view.term, view);
    return view;
  }
}
