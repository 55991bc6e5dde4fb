import { Injectable, computed, inject, signal } from '@angular/core';
import { createSharedDraft, listMembers, type Question } from '#core/compare/index';
import { listLeftOutMembers, type Dialect, type Rendering } from '#core/dialect/index';
import type { Project, SearchState } from '#core/project/index';
import { createNodePool, type QueryNode } from '#core/query/index';
import type { Counted } from '../counting/count-state';
import { CountStore } from '../counting/count-store';
import { DraftCounts } from '../counting/draft-counts';
import { OpenProject } from '../state/open-project';
import { isNothing, reachesAlike } from '../counting/compare-counts';

/** What the tools of Compare look at: the draft or a variant, in one database or all of them. */
@Injectable()
export class CompareSubject {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(CountStore);
  private readonly draftCounts = inject(DraftCounts);
  /** Equal pieces of all questions are one value: each is written once for each database. */
  private readonly pool = createNodePool();

  /** A variant by its id, or the draft; from the address. */
  readonly of = signal('draft');
  /** The database of tools that show one; from the address. */
  readonly chosen = signal<string | undefined>(undefined);

  readonly variant = computed(() => this.open.project().variants.find(({ id }) => id === this.of()));
  readonly isDraft = computed(() => this.variant() === undefined);
  readonly name = computed(() => this.variant()?.name ?? 'the draft');
  readonly state = computed<SearchState>(() => this.variant()?.frozen ?? this.open.working());
  /** The project as it would be with the state looked at as its draft. */
  readonly project = computed<Project>(() => {
    const project = this.open.project();
    const variant = this.variant();
    return variant ? { ...project, working: { ...project.working, ...variant.frozen } } : project;
  });
  readonly root = computed<QueryNode>(() => this.read(this.state()));
  readonly members = computed(() => listMembers(this.state()));
  readonly dialects = computed(() => this.draftCounts.findDialects(this.state().databases));
  readonly database = computed<Dialect | undefined>(
    () => this.dialects().find(({ id }) => id === this.chosen()) ?? this.dialects()[0],
  );
  /** The state can be counted: there is a database and something in the query. */
  readonly isEmpty = computed(() => this.members().length === 0 || this.dialects().length === 0);

  private readonly shared = new WeakMap<QueryNode, QueryNode>();
  private readonly leftOut = new WeakMap<Rendering, readonly string[]>();
  private readonly states = new WeakMap<SearchState, QueryNode>();

  share(root: QueryNode): QueryNode {
    const known = this.shared.get(root);
    if (known) return known;
    const shared = this.pool(root);
    this.shared.set(root, shared);
    this.shared.set(shared, shared);
    return shared;
  }

  /** The tree of a state; read once. */
  read(state: SearchState): QueryNode {
    const known = this.states.get(state);
    if (known) return known;
    const root = this.share(createSharedDraft(state));
    this.states.set(state, root);
    return root;
  }

  /** True if a database goes without a piece of a question that has to be there, or without all of it. */
  goesWithout({ root, limiters }: Question, dialect: Dialect): boolean {
    const counted = this.look({ root, limiters }, dialect);
    return counted !== undefined && (isUnsaid(counted) || counted.rendering.lacks === true);
  }

  /** The ids of pieces that have to be there and are left out; found once for each rendering. */
  private listLeftOut(root: QueryNode, rendering: Rendering): readonly string[] {
    const known = this.leftOut.get(rendering);
    if (known) return known;
    const found = listLeftOutMembers(root, rendering).map(({ id }) => id);
    this.leftOut.set(rendering, found);
    return found;
  }

  /** How the count of a question stands; it is written when there is time, and asked for by whoever shows it. */
  look({ root, limiters }: Question, dialect: Dialect): Counted | undefined {
    return this.counts.lookLater(this.share(root), dialect, limiters, false);
  }

  /**
   * True if a count of a question goes without a piece that has to be there, and what it is set beside
   * does not go without the same: then the two do not mean the same there. So if nothing of it can be said.
   */
  isIncomparable(root: QueryNode, counted: Counted | undefined, beside: Counted | undefined): boolean {
    if (!counted) return false;
    if (isUnsaid(counted)) return true;
    if (!reachesAlike(counted, beside) || (!beside && counted.rendering.withoutFields)) return true;
    const left = this.listLeftOut(this.share(root), counted.rendering);
    if (left.length === 0) return false;
    const whole = beside
      ? (this.leftOut.get(beside.rendering) ?? this.listLeftOut(this.root(), beside.rendering))
      : [];
    return left.some((id) => !whole.includes(id));
  }

  /** The whole as it stands. */
  readonly whole = computed<Question>(() => ({ root: this.root(), limiters: this.state().limiters }));

  lookWhole(dialect: Dialect): Counted | undefined {
    return this.look(this.whole(), dialect);
  }

  /** The names of the databases that go without a piece of a question: more is counted there than is meant. */
  listWider(questions: readonly Question[]): string[] {
    const isWider = (dialect: Dialect): boolean =>
      questions.some((question) =>
        this.isIncomparable(question.root, this.look(question, dialect), undefined),
      );
    return this.dialects()
      .filter(isWider)
      .map(({ name }) => name);
  }
}

/** Nothing of it can be said there; not to be taken for finding nothing. */
function isUnsaid({ state }: Counted): boolean {
  return state.status === 'failed' && isNothing(state);
}
