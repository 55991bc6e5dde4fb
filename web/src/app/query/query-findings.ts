import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import type { AskedCount, Finding, FindingFix } from '#core/check/index';
import { createSharedDraft } from '#core/compare/draft/index';
import type { Dialect } from '#core/dialect/index';
import { applyChange, type Working } from '#core/project/index';
import { createNodePool, type QueryNode } from '#core/query/index';
import { compareCounts, getProved } from '#core/count/index';
import type { Counted } from '../counting/count-state';
import { describeComparison } from '../counting/describe-count';
import { readCount } from '../counting/read-count';
import { formatDifference } from '../ui/number-format';
import { Counts } from '../counting/counts';
import { ChecksWorker } from '../data/checks-worker';
import { OpenProject } from '../state/open-project';
import type { Vocabulary } from '#core/vocabulary/index';
import { ThesaurusStore } from '../state/thesaurus-store';
import { AcronymMeanings } from './acronym-meanings';
import { QueryNumbers } from './query-numbers';
import { say } from '../words/say';

/** Checks wait this long for the typing to rest. */
const CHECK_DELAY = 200;
/** More numbers than this are not asked for at once: the checks go on without them. */
const MAX_ASKED = 4_000;

/** What a finding costs in a database: a number of records, once it is known, or why there is none. */
export interface CountedCost {
  readonly change: string;
  readonly words: string;
}

/** The draft with a fix made, and how its counts stand. */
export interface FixPreview {
  readonly working: Working;
  readonly rows: readonly { readonly dialect: Dialect; readonly before: Counted; readonly after: Counted }[];
}

/** What the checks found in the draft: run in a worker, again whenever numbers that they asked for are there. */
@Injectable()
export class QueryFindings {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly numbers = inject(QueryNumbers);
  private readonly thesauri = inject(ThesaurusStore);
  private readonly meanings = inject(AcronymMeanings);
  private readonly pool = createNodePool();
  private readonly checked = signal<readonly Finding[]>([]);
  private readonly asked = signal<readonly AskedCount[]>([]);
  private readonly worker = new ChecksWorker((checked) => {
    this.about = this.asking;
    this.checked.set(checked.findings);
    this.asked.set(checked.asked.slice(0, MAX_ASKED).map((one) => ({ ...one, query: this.pool(one.query) })));
    this.isRunning.set(false);
  });
  /** The states that are looked at, and that the findings are about. */
  private asking = this.open.working();
  private about = this.asking;
  /** The numbers that were known at the last run. */
  private readonly known = new Map<string, number>();
  /** The checks have not looked at the newest state yet. */
  readonly isRunning = signal(true);

  readonly findings = this.checked.asReadonly();
  private readonly answered = computed(() =>
    this.asked().flatMap(({ key, database, query }) => {
      const dialect = this.open.dialects().find(({ id }) => id === database);
      const counted = dialect && this.counts.lookLater(query, dialect, this.open.limiters());
      const total = getProved(readCount(counted));
      return counted ? [{ key, total, counted }] : [];
    }),
  );
  readonly wanted = computed<Counted[]>(() => this.answered().map(({ counted }) => counted));

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.worker.end();
    });
    let limiters = this.open.limiters();
    effect((onCleanup) => {
      const working = this.open.working();
      // What comes to be known of thesauri and acronyms is a reason to look again.
      this.listVocabularies();
      this.meanings.known();
      untracked(() => {
        // Numbers belong to their limiters.
        if (working.limiters !== limiters) this.known.clear();
        limiters = working.limiters;
        this.isRunning.set(true);
      });
      const timer = setTimeout(() => {
        this.run();
        void this.meanings.look();
      }, CHECK_DELAY);
      onCleanup(() => {
        clearTimeout(timer);
      });
    });
    effect((onCleanup) => {
      const answered = this.answered();
      const fresh = answered.filter(({ key, total }) => total !== undefined && this.known.get(key) !== total);
      if (fresh.length === 0) return;
      const isAll = answered.every(({ counted }) => counted.state.status !== 'waiting');
      // A run for all that was asked, or for what is there when nothing more has come for a while.
      const timer = setTimeout(
        () => {
          for (const { key, total } of fresh) if (total !== undefined) this.known.set(key, total);
          this.run();
        },
        isAll ? 0 : CHECK_DELAY * 2,
      );
      onCleanup(() => {
        clearTimeout(timer);
      });
    });
  }

  private listVocabularies(): Vocabulary[] {
    return this.open.dialects().flatMap(({ id }) => this.thesauri.find(id) ?? []);
  }

  private run(): void {
    this.asking = this.open.working();
    const { known, asking: working } = this;
    this.worker.run(
      { working, known: [...known], meanings: [...this.meanings.known()] },
      this.listVocabularies(),
    );
  }

  /** What a finding costs in the chosen database. */
  costOf(finding: Finding): CountedCost | undefined {
    const dialect = this.numbers.database();
    if (!dialect) return undefined;
    const { cost } = finding;
    if (cost) {
      const [of, less] = [cost.of, cost.less].map((query) => query && this.look(this.pooled(query), dialect));
      if (cost.less)
        return {
          change: describeComparison(compareCounts(readCount(of), readCount(less))),
          words: cost.words,
        };
      const total = getProved(readCount(of));
      return { change: total === undefined ? '' : formatDifference(total), words: cost.words };
    }
    const [fix] = finding.fixes;
    const after = fix && this.apply(fix);
    if (!after) return undefined;
    const before = readCount(this.look(this.draft(), dialect));
    const then = readCount(this.look(this.draftOf(after), dialect, after.limiters));
    return { change: describeComparison(compareCounts(then, before)), words: say('query.recordsWithTheFix') };
  }

  /** Everything that costs and previews need counted. */
  listWanted(findings: readonly Finding[]): Counted[] {
    const dialect = this.numbers.database();
    if (!dialect) return [];
    return findings.flatMap((finding) => {
      const [fix] = finding.fixes;
      const after = !finding.cost && fix ? this.apply(fix) : undefined;
      const queries = [finding.cost?.of, finding.cost?.less].flatMap((query) =>
        query ? [this.pooled(query)] : [],
      );
      const counted = queries.map((query) => this.look(query, dialect));
      if (after) counted.push(this.look(this.draftOf(after), dialect, after.limiters));
      return counted.filter((one) => one !== undefined);
    });
  }

  /** The draft with a fix made, counted in all chosen databases. */
  preview(fix: FindingFix): FixPreview | undefined {
    const working = this.apply(fix);
    if (!working) return undefined;
    const after = this.draftOf(working);
    const rows = this.open.dialects().map((dialect) => ({
      dialect,
      before: this.counts.look(this.draft(), dialect, this.open.limiters()),
      after: this.counts.look(after, dialect, working.limiters),
    }));
    return { working, rows };
  }

  /** A fix holds the texts of the state that it was found in: it is never made in another one. */
  mend(fix: FindingFix): void {
    if (this.about !== this.open.working()) return;
    const [only] = fix.changes;
    if (fix.changes.length === 1 && only) this.open.change(only);
    else this.open.change({ kind: 'compound', changes: fix.changes });
  }

  private readonly draft = computed(() => createSharedDraft(this.open.working()));
  /** Fixes of one state: applied and put together once. */
  private readonly made = computed(() => {
    this.open.working();
    return new Map<FindingFix, Working | undefined>();
  });
  private readonly drafts = new WeakMap<Working, QueryNode>();
  private readonly pooledQueries = new WeakMap<QueryNode, QueryNode>();

  private apply(fix: FindingFix): Working | undefined {
    const made = this.made();
    if (made.has(fix)) return made.get(fix);
    const outcome = applyChange(this.open.project(), { kind: 'compound', changes: fix.changes });
    const working = outcome.ok ? outcome.value.working : undefined;
    made.set(fix, working);
    return working;
  }

  private draftOf(working: Working): QueryNode {
    const known = this.drafts.get(working);
    if (known) return known;
    const made = createSharedDraft(working);
    this.drafts.set(working, made);
    return made;
  }

  private pooled(query: QueryNode): QueryNode {
    const known = this.pooledQueries.get(query);
    if (known) return known;
    const made = this.pool(query);
    this.pooledQueries.set(query, made);
    return made;
  }

  private look(query: QueryNode, dialect: Dialect, limiters = this.open.limiters()): Counted | undefined {
    return this.counts.lookLater(query, dialect, limiters);
  }
}
