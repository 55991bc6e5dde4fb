import { Injectable, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router, type Params } from '@angular/router';
import { createSharedDraft } from '#core/compare/draft/index';
import { SORTS, type SearchFilter, type Sort } from '#core/contract/index';
import { getExact } from '#core/count/index';
import type { Dialect } from '#core/dialect/index';
import { describeInFull } from '#core/problem/index';
import { createConceptQuery, type SearchState } from '#core/project/index';
import type { QueryNode } from '#core/query/index';
import { listParts, type CountKey, type Counted } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { readCount } from '../counting/read-count';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';
import { ThesaurusStore } from '../state/thesaurus-store';
import { getHueClass } from '../ui/hues';
import { readAddress, writeFilters } from './read-address';
import type { AskedSet } from './found-works';
import { say } from '../words/say';

/** Stands in the address for all databases together. */
export const TOGETHER = 'all';

/** What is read at the moment, as the address says: the set, the database, the order and the filters. */
@Injectable()
export class ReadSubject {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly connections = inject(Connections);
  private readonly thesauri = inject(ThesaurusStore);
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);
  private readonly params = toSignal(this.route.queryParamMap, { requireSync: true });
  private readonly fragment = toSignal(this.route.fragment, { initialValue: null });

  readonly address = computed(() => readAddress(this.params(), this.fragment()));
  readonly set = computed(() => this.address().set);
  /** The order of the list: the one that is asked for, if the database has it. */
  readonly sort = computed<Sort>(() => {
    const { sort } = this.address();
    return this.sorts().includes(sort) ? sort : 'relevance';
  });
  /** The orders that can be chosen. */
  readonly sorts = computed<readonly Sort[]>(() => this.connection()?.traits()?.sorts ?? SORTS);
  readonly judged = computed(() => this.address().judged);
  readonly behind = computed(() => this.address().behind);
  readonly filters = computed(() => this.address().filters);
  readonly sample = computed(() => this.address().sample);

  readonly variant = computed(() => {
    const set = this.set();
    return set.kind === 'variant' ? this.open.project().variants.find(({ id }) => id === set.id) : undefined;
  });
  /** The state that concepts and their words are those of. */
  readonly state = computed<SearchState>(() => this.variant()?.frozen ?? this.open.working());
  readonly concepts = computed(() => this.state().concepts);
  /** The databases that can be chosen: those that are searched; a string is of one database. */
  readonly dialects = computed<readonly Dialect[]>(() => {
    const set = this.set();
    const ids = set.kind === 'string' ? [set.countKey.database] : this.state().databases;
    return ids.flatMap((id) => this.open.findDialect(id) ?? []);
  });
  readonly dialect = computed(
    () => this.dialects().find(({ id }) => id === this.address().database) ?? this.dialects()[0],
  );
  readonly root = computed<QueryNode>(() => createSharedDraft(this.state()));
  /** All databases are read together, each work once. */
  readonly isTogether = computed(
    () => this.address().database === TOGETHER && this.dialects().length > 1 && this.set().kind !== 'string',
  );
  private readonly counted = computed<Counted | undefined>(() => {
    const dialect = this.dialect();
    return dialect && this.set().kind !== 'string' ? this.look(dialect) : undefined;
  });
  /** What is asked of each database that is read; none while there is nothing to send. */
  readonly sets = computed<readonly AskedSet[]>(() => {
    const set = this.set();
    if (set.kind === 'string') return this.createSet(set.countKey, set.numbers);
    const dialect = this.dialect();
    const read = this.isTogether()
      ? this.dialects().filter(({ id }) => this.gives(id))
      : dialect
        ? [dialect]
        : [];
    return read.flatMap((one) => this.createSet(this.look(one).countKey));
  });
  /** Databases that cannot be read together with the others, by their names. */
  readonly leftOut = computed(() =>
    this.isTogether()
      ? this.dialects()
          .filter(({ id }) => !this.gives(id))
          .map(({ name }) => name)
      : [],
  );
  /** What people call the set. */
  readonly label = computed(() => {
    const set = this.set();
    return set.kind === 'string' ? set.label : (this.variant()?.name ?? say('shared.theDraft'));
  });
  /** Why there is nothing to read, in words; nothing if there may be. */
  readonly whyNothing = computed(() => {
    if (!this.dialect()) return say('read.noDatabaseIsChosenYet');
    if (this.set().kind === 'string') return undefined;
    const state = this.counted()?.state;
    if (state?.status === 'empty') return say('read.theQueryIsEmptyAdd');
    return state?.status === 'failed' ? describeInFull(state.problem) : undefined;
  });
  /** The database is searched by hand: Ewer cannot fetch its records. */
  readonly isByHand = computed(() => {
    const dialect = this.dialect();
    return dialect !== undefined && !this.isTogether() && this.connections.isByHand(dialect.id);
  });
  /** The list can be filtered: of several databases together, and of one that is asked string by string, it cannot. */
  readonly canFilter = computed(
    () => !this.isTogether() && this.connection()?.traits()?.asksOneByOne === false,
  );
  /** How many records the person counted in it; nothing while no number is typed in. */
  readonly typedTotal = computed(() => {
    const count = readCount(this.counted());
    return count.status === 'known' ? getExact(count.amount) : undefined;
  });

  readonly connection = computed(() => {
    const dialect = this.dialect();
    return dialect && this.connections.find(dialect.id);
  });
  readonly vocabulary = computed(() => this.thesauri.find(this.dialect()?.id ?? ''));
  /** The words of the concepts in their hues, and those that stand in the query itself. */
  readonly marks = computed(() => [
    ...this.concepts().map((concept, place) => ({
      owner: getHueClass(place),
      root: createConceptQuery(concept),
    })),
    ...(this.set().kind === 'draft' ? [{ owner: 'draft-word', root: this.open.draft().parsed.root }] : []),
  ]);

  constructor() {
    this.thesauri.followChosen();
  }

  private look(dialect: Dialect): Counted {
    return this.counts.look(this.root(), dialect, this.state().limiters);
  }

  /** Whether a database gives the numbers of its records. */
  private gives(database: string): boolean {
    return this.connections.find(database).traits()?.offers.has('ids') ?? false;
  }

  private createSet(countKey: CountKey | undefined, numbers?: readonly number[]): AskedSet[] {
    if (!countKey || this.connections.isByHand(countKey.database)) return [];
    const { database, sentLimiters } = countKey;
    const connection = this.connections.find(database);
    return [
      { database, connection, strings: listParts(countKey), sentLimiters, ...(numbers && { numbers }) },
    ];
  }

  /** Puts something else into the address. A step that people go back to is one of its own. */
  go(queryParams: Params, isStep = true): void {
    void this.router.navigate([], {
      queryParams,
      queryParamsHandling: 'merge',
      preserveFragment: !('of' in queryParams),
      replaceUrl: !isStep,
    });
  }

  /** Filters by some values of a facet, in place of those of it that hold. */
  addFilter(filter: SearchFilter): void {
    this.setFilters([...this.filters().filter(({ facet }) => facet !== filter.facet), filter]);
  }

  setFilters(filters: readonly SearchFilter[]): void {
    this.go({ only: writeFilters(filters), at: null, behind: null });
  }
}
