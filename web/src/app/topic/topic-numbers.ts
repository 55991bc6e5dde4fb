import { Injectable, computed, inject, signal } from '@angular/core';
import { createTermQueries, type TermQueries } from '#core/compare/draft/index';
import type { Dialect } from '#core/dialect/index';
import type { Term } from '#core/project/index';
import type { QueryNode } from '#core/query/index';
import { compareCounts, getProved, type Comparison } from '#core/count/index';
import type { CountKey, Counted } from '../counting/count-state';
import { readCount } from '../counting/read-count';
import { Counts } from '../counting/counts';
import { DraftCounts } from '../counting/draft-counts';
import { OpenProject } from '../state/open-project';
import type { TermNumbers } from './topic-views';
import { WrittenQueries } from '../counting/written-queries';

/** In projects up to this size, what every term brings is counted; in larger ones, what the lines in sight bring. */
const MAX_COUNTED_AHEAD = 150;
/** Lines that are taken to be in sight before a column says which are. */
const FIRST_LINES = 24;

/** Lines of a column, `[start, end)`. */
export interface LineRange {
  readonly start: number;
  readonly end: number;
}

/** The numbers beside the terms: questions are made when the project changes, and counted in the background. */
@Injectable()
export class TopicNumbers {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly queries = inject(WrittenQueries);
  private readonly draftCounts = inject(DraftCounts);
  private readonly described = new WeakMap<Term, readonly TermNumbers[]>();
  private readonly inSight = signal<ReadonlyMap<string, LineRange>>(new Map());

  readonly questions = computed(() => createTermQueries(this.open.working()));
  private readonly size = computed(() => this.questions().reduce((sum, { terms }) => sum + terms.length, 0));

  /** Tells which lines of a concept are in sight. */
  setRange(concept: string, range: LineRange): void {
    this.inSight.update((ranges) => new Map(ranges).set(concept, range));
  }

  look(root: QueryNode, dialect: Dialect): Counted {
    return this.counts.look(root, dialect, this.open.limiters());
  }

  /** What every term finds by itself, by database and term. It stays the same value while no number changes. */
  private readonly finds = computed<ReadonlyMap<string, number | undefined>>(
    () =>
      new Map(
        this.open
          .dialects()
          .flatMap((dialect) =>
            this.questions().flatMap(({ terms }) =>
              terms.map(({ term, finds }) => [
                createPlace(term, dialect.id),
                getProved(readCount(this.look(finds, dialect))),
              ]),
            ),
          ),
      ),
    { equal: isSameMap },
  );

  /** What a term finds by itself in a database. */
  readonly findsOf = (term: Term, database: string): number | undefined =>
    this.finds().get(createPlace(term, database));

  /**
   * Everything that is to be counted, the lines in sight first: what they find, then what only they
   * find, then the same for the rest.
   */
  readonly asked = computed<CountKey[]>(() => {
    const dialects = this.open.dialects();
    const limiters = this.open.limiters();
    this.queries.dropLater();
    const near: TermQueries[] = [];
    const far: TermQueries[] = [];
    for (const { concept, terms } of this.questions()) {
      const { start, end } = this.inSight().get(concept.id) ?? { start: 0, end: FIRST_LINES };
      terms.forEach((question, line) => (line >= start && line < end ? near : far).push(question));
    }
    const shown = [
      ...this.questions().map(({ whole }) => whole),
      ...[...near, ...far].map(({ finds }) => finds),
    ].flatMap((root) => dialects.map((dialect) => this.queries.findCountKey(root, dialect, limiters)));
    const further = this.size() <= MAX_COUNTED_AHEAD ? [...near, ...far] : near;
    const without = further
      .filter(({ term }) => !term.off)
      .flatMap(({ conceptWithout, draftWithout }) => [conceptWithout, draftWithout])
      .flatMap((root) => dialects.map((dialect) => this.queries.findKeyLater(root, dialect, limiters)));
    return [...shown, ...without].filter((countKey) => countKey !== undefined);
  });

  /** The numbers of a term in some databases; the same value while none of them changes. */
  describe(question: TermQueries, whole: QueryNode, dialects: readonly Dialect[]): readonly TermNumbers[] {
    const numbers = dialects.map((dialect): TermNumbers => {
      const finds = this.look(question.finds, dialect);
      if (question.term.off || finds.state.status !== 'counted')
        return { dialect, finds, only: undefined, draft: undefined };
      const only = this.subtract(this.look(whole, dialect), question.conceptWithout, dialect);
      const draft = this.subtract(
        this.look(this.draftCounts.root(), dialect),
        question.draftWithout,
        dialect,
      );
      return { dialect, finds, only, draft };
    });
    const last = this.described.get(question.term);
    if (last?.length === numbers.length && last.every((one, at) => isSameNumbers(one, numbers[at]!)))
      return last;
    this.described.set(question.term, numbers);
    return numbers;
  }

  /** Nothing is left to be searched where the last term is taken out: the rest finds nothing. */
  private subtract(whole: Counted, without: QueryNode, dialect: Dialect): Comparison | undefined {
    const rest = this.counts.lookIfWritten(without, dialect, this.open.limiters());
    return rest && compareCounts(readCount(whole), readCount(rest));
  }
}

function isSameNumbers(a: TermNumbers, b: TermNumbers): boolean {
  return (
    a.dialect === b.dialect &&
    isSameComparison(a.only, b.only) &&
    isSameComparison(a.draft, b.draft) &&
    a.finds?.rendering === b.finds?.rendering &&
    a.finds?.state === b.finds?.state
  );
}

function isSameComparison(a: Comparison | undefined, b: Comparison | undefined): boolean {
  if (a?.kind === 'difference' && b?.kind === 'difference')
    return a.least === b.least && a.greatest === b.greatest;
  if (a?.kind === 'none' && b?.kind === 'none') return a.why === b.why;
  return a === b;
}

function createPlace({ id }: Term, database: string): string {
  return `${database} ${id}`;
}

function isSameMap<K, V>(a: ReadonlyMap<K, V>, b: ReadonlyMap<K, V>): boolean {
  return a.size === b.size && [...a].every(([key, value]) => b.has(key) && b.get(key) === value);
}
