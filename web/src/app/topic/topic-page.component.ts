import { type CdkDragDrop, CdkDropListGroup } from '@angular/cdk/drag-drop';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterNextRender,
  computed,
  inject,
  input,
  Injector,
} from '@angular/core';
import { Router } from '@angular/router';
import { build, type QueryNode } from '#core/query/index';
import {
  MOST_CONCEPTS,
  createConceptQuery,
  createTermQueries,
  describeTermKind,
  splitPastedTerms,
  tidyTerm,
  type Concept,
  type Term,
} from '#core/project/index';
import { CountStore, getTotal, listWishes } from '../counting/count-store';
import { OpenProject } from '../state/open-project';
import { formatDifference } from '../ui/number-format';
import { ConceptColumnComponent } from './concept-column.component';
import type { ConceptQueries, ConceptView, TermMove, TermView } from './topic-views';

/** Pasted lists are taken up to this length at once. */
const LONGEST_PASTE = 200;

/** The view where the work starts: the question, and its concepts as columns of terms. */
@Component({
  selector: 'app-topic-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDropListGroup, ConceptColumnComponent],
  templateUrl: './topic-page.component.html',
  styleUrl: './topic-page.component.scss',
})
export class TopicPageComponent {
  protected readonly open = inject(OpenProject);
  private readonly counts = inject(CountStore);
  private readonly router = inject(Router);
  private readonly announcer = inject(LiveAnnouncer);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  private readonly queries = new WeakMap<Concept, ConceptQueries>();

  /** The database looked at, from the address. */
  readonly db = input<string>();

  protected readonly dialect = computed(
    () => this.open.dialects().find((dialect) => dialect.id === this.db()) ?? this.open.dialects()[0],
  );
  protected readonly canAdd = computed(() => this.open.concepts().length < MOST_CONCEPTS);
  protected readonly concepts = computed(() =>
    this.open.concepts().map((concept, place) => this.describeConcept(concept, place)),
  );

  constructor() {
    this.counts.follow(
      listWishes(() =>
        this.concepts().flatMap((concept) => [
          concept.counted,
          ...concept.terms.flatMap((term) => [term.counted, term.without]),
        ]),
      ),
    );
  }

  protected look(database: string): void {
    void this.router.navigate([], {
      queryParams: { db: database },
      queryParamsHandling: 'merge',
      replaceUrl: true,
    });
  }

  protected setQuestion(question: string): void {
    if (question !== this.open.working().question) this.open.change({ kind: 'set-question', question });
  }

  protected addConcept(name: string): void {
    if (name.trim() === '') return;
    const id = this.open.createId();
    this.open.change({ kind: 'add-concept', id, name: name.trim() });
    this.focusLater(`[data-add="${id}"]`);
  }

  protected rename(concept: Concept, name: string): void {
    if (name.trim() !== '' && name.trim() !== concept.name)
      this.open.change({ kind: 'rename-concept', id: concept.id, name: name.trim() });
  }

  protected addTerms(concept: Concept, typed: string, pasted: boolean): void {
    const texts = pasted ? splitPastedTerms(typed) : [tidyTerm(typed)].filter((text) => text !== '');
    const known = new Set(concept.terms.map((term) => term.text));
    const fresh = texts.filter((text) => !known.has(text));
    const terms = fresh
      .slice(0, LONGEST_PASTE)
      .map((text): Term => ({ id: this.open.createId(), text, off: false }));
    if (terms.length > 0) this.open.change({ kind: 'add-terms', concept: concept.id, terms });
    const left = fresh.length - terms.length;
    const repeated = texts.length - fresh.length;
    const words = [
      `${terms.length} ${terms.length === 1 ? 'term' : 'terms'} added`,
      ...(repeated > 0 ? [`${repeated} there already`] : []),
      ...(left > 0 ? [`${left} too many for one paste`] : []),
    ];
    void this.announcer.announce(words.join(', '));
  }

  protected editTerm(term: Term, text: string): void {
    const tidy = tidyTerm(text);
    if (tidy === '') this.open.change({ kind: 'remove-terms', ids: [term.id] });
    else if (tidy !== term.text) this.open.change({ kind: 'edit-term', id: term.id, text: tidy });
  }

  protected drop(event: CdkDragDrop<Concept, Concept, Term>): void {
    this.open.change({
      kind: 'move-term',
      id: event.item.data.id,
      concept: event.container.data.id,
      to: event.currentIndex,
    });
  }

  /** Moves a term by keyboard: up and down in its concept, left and right to the concept beside it. */
  protected moveTerm({ term, concept, direction }: TermMove): void {
    const concepts = this.open.concepts();
    const at = concepts.findIndex((other) => other.id === concept.id);
    const place = concept.terms.findIndex((other) => other.id === term.id);
    const target =
      direction === 'left' ? concepts[at - 1] : direction === 'right' ? concepts[at + 1] : concept;
    const to =
      direction === 'up' ? place - 1 : direction === 'down' ? place + 1 : (target?.terms.length ?? 0);
    if (!target || to < 0 || (target === concept && to >= concept.terms.length)) return;
    this.open.change({ kind: 'move-term', id: term.id, concept: target.id, to });
    void this.announcer.announce(`${term.text} moved to ${target.name}, place ${to + 1}`);
    this.focusLater(`[data-term="${term.id}"]`);
  }

  protected moveTo(term: Term, concept: Concept): void {
    this.open.change({ kind: 'move-term', id: term.id, concept: concept.id, to: concept.terms.length });
  }

  private focusLater(selector: string): void {
    afterNextRender(() => this.host.nativeElement.querySelector<HTMLElement>(selector)?.focus(), {
      injector: this.injector,
    });
  }

  /** Parsed when the concept changes, and not again when counts come in. */
  private readConcept(concept: Concept): ConceptQueries {
    const known = this.queries.get(concept);
    if (known) return known;
    const terms = concept.terms.map((term) => {
      const { term: root, without } = createTermQueries(concept, term);
      return { term, root, without: without ?? build.empty(), kind: describeTermKind(term.text) };
    });
    const queries = { root: createConceptQuery({ ...concept, off: false }), terms };
    this.queries.set(concept, queries);
    return queries;
  }

  private describeConcept(concept: Concept, place: number): ConceptView {
    const dialect = this.dialect();
    const look = (root: QueryNode) => dialect && this.counts.look(root, dialect, this.open.limiters());
    const queries = this.readConcept(concept);
    const counted = look(queries.root);
    const terms = queries.terms.map(({ term, root, without, kind }): TermView => {
      const [own, rest] = [look(root), look(without)];
      const only = term.off ? '' : describeOnly(getTotal(counted?.state), rest, getTotal(own?.state));
      return { term, kind, counted: own, without: rest, only };
    });
    return { concept, place, counted, terms };
  }
}

/** What only this term finds in its concept: the concept with it less the concept without it. */
function describeOnly(
  whole: number | undefined,
  without: TermView['without'],
  own: number | undefined,
): string {
  if (whole === undefined || own === undefined) return '';
  const isAlone =
    without?.state.status === 'empty' ||
    (without?.state.status === 'failed' && without.state.problem.code === 'nothing-to-send');
  const rest = isAlone ? 0 : getTotal(without?.state);
  return rest === undefined ? '' : formatDifference(whole - rest);
}
