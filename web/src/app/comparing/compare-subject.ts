import { Injectable, computed, inject, signal } from '@angular/core';
import { listMembers, type LimitedQuery } from '#core/compare/index';
import { createSharedDraft } from '#core/compare/draft/index';
import type { Dialect } from '#core/dialect/index';
import type { Project, SearchState } from '#core/project/index';
import { createNodePool, type QueryNode } from '#core/query/index';
import type { Counted } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { DraftCounts } from '../counting/draft-counts';
import { OpenProject } from '../state/open-project';
import { describeBasis } from '../counting/describe-count';
import { readCount } from '../counting/read-count';
import { say } from '../words/say';

/** What the tools of Compare look at: the draft or a variant, in one database or all of them. */
@Injectable()
export class CompareSubject {
  private readonly open = inject(OpenProject);
  /** What the person said of records that may be of one work. */
  readonly sameWork = computed(() => this.open.project().sameWork);
  private readonly counts = inject(Counts);
  private readonly draftCounts = inject(DraftCounts);
  /** Equal pieces of all questions are one value: each is written once for each database. */
  private readonly pool = createNodePool();

  /** A variant by its id, or the draft; from the address. */
  readonly of = signal('draft');
  /** The database of tools that show one; from the address. */
  readonly chosen = signal<string | undefined>(undefined);

  readonly variant = computed(() => this.open.project().variants.find(({ id }) => id === this.of()));
  readonly isDraft = computed(() => this.variant() === undefined);
  readonly name = computed(() => this.variant()?.name ?? say('shared.theDraft'));
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

  /** How the count of a question stands; it is written when there is time, and showing it asks for it. */
  look({ root, limiters }: LimitedQuery, dialect: Dialect): Counted | undefined {
    return this.counts.peekLater(this.share(root), dialect, limiters);
  }

  /** The whole as it stands. */
  readonly whole = computed<LimitedQuery>(() => ({ root: this.root(), limiters: this.state().limiters }));

  lookWhole(dialect: Dialect): Counted | undefined {
    return this.look(this.whole(), dialect);
  }

  /** The databases in which something else is counted than a question asks, each with what it is. */
  listOff(questions: readonly LimitedQuery[]): { readonly name: string; readonly words: string }[] {
    return this.dialects().flatMap((dialect) => {
      const words = questions.flatMap((question) => {
        const counted = this.look(question, dialect);
        if (!counted) return [];
        const isUnsaid = readCount(counted).status === 'none' && counted.rendering.whole === 'left-out';
        return isUnsaid ? [say('compare.itCannotBeSearchedThere')] : describeBasis(counted);
      });
      return words.length > 0 ? [{ name: dialect.name, words: [...new Set(words)].join(', ') }] : [];
    });
  }
}
