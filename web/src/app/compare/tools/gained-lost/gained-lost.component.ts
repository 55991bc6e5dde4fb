import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { isSameLimiters } from '#core/limiter/index';
import {
  createSharedDraft,
  drawSample,
  estimatePrecision,
  joinPrecisions,
  listSingleChanges,
  type JudgedPart,
  type Question,
  type ShareEstimate,
} from '#core/compare/index';
import type { Dialect } from '#core/dialect/index';
import { describeInFull, succeed, type Outcome } from '#core/problem/index';
import type { SearchState, Verdict } from '#core/project/index';
import { build } from '#core/query/index';
import { describeAuthors } from '#core/record/index';
import type { Counted } from '../../../counting/count-state';
import { DraftCounts } from '../../../counting/draft-counts';
import { OpenProject } from '../../../state/open-project';
import { ChoiceRowComponent } from '../../../ui/choice-row.component';
import { CountComponent } from '../../../records/count.component';
import { CompareSubject } from '../../compare-subject';
import { WiderNoteComponent } from '../../parts/wider-note.component';
import { CountingBarComponent } from '../../parts/counting-bar.component';
import { DatabaseChoiceComponent } from '../../parts/database-choice.component';
import { describeLimiterGap } from '../../../counting/describe-count';
import { readCount } from '../../../counting/read-count';
import {
  PartLists,
  countWorks,
  type PartId,
  type PartNumbers,
  type RecordsOfBoth,
} from '../../parts/part-lists';
import { RecordSets } from '../../parts/record-sets';
import { follow } from '../../parts/waiting';
import { DatabaseHeadingComponent } from '../../../ui/database-heading.component';
import { Connections } from '../../../state/connections';
import { fetchByNumbers } from '../../../state/fetch-records';

/** So many changes are counted one by one. */
const MAX_COUNTED = 60;
const SAMPLE = 12;
/** One sample for all: the same records come again whenever the same parts are looked at. */
const SEED = 20_260_301;

const PARTS: readonly { readonly id: PartId; readonly name: string }[] = [
  { id: 'gained', name: 'gained' },
  { id: 'lost', name: 'lost' },
  { id: 'common', name: 'in both' },
];

/** The records by which two states differ, in one database, with a sample of each part to judge. */
@Component({
  selector: 'app-gained-lost',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ChoiceRowComponent,
    CountComponent,
    CountingBarComponent,
    DatabaseChoiceComponent,
    DatabaseHeadingComponent,
    WiderNoteComponent,
  ],
  providers: [PartLists],
  templateUrl: './gained-lost.component.html',
  styleUrls: ['../../parts/tools.scss', './gained-lost.component.scss'],
})
export class GainedLostComponent {
  protected readonly subject = inject(CompareSubject);
  protected readonly open = inject(OpenProject);
  private readonly connections = inject(Connections);
  private readonly sets = inject(RecordSets);
  private readonly draftCounts = inject(DraftCounts);
  private readonly partLists = inject(PartLists);

  /** The two states whose differences are shown: variants by their ids, or the draft. */
  protected readonly from = linkedSignal<string>(
    () => this.open.compared()?.id ?? this.open.project().variants[0]?.id ?? 'draft',
  );
  protected readonly to = linkedSignal<string>(() =>
    this.open.project().variants.length > 0 ? 'draft' : '',
  );
  protected readonly states = computed(() => [
    ...this.open.project().variants.map(({ id, name }) => ({ id, name })),
    { id: 'draft', name: 'the draft' },
  ]);
  private readonly pair = computed<{ from: SearchState; to: SearchState } | undefined>(
    () => {
      const [from, to] = [this.findState(this.from()), this.findState(this.to())];
      return from && to ? { from, to } : undefined;
    },
    // Judging a record changes the project, not the states.
    { equal: (a, b) => a?.from === b?.from && a?.to === b?.to },
  );
  private readonly questions = computed(() => {
    const pair = this.pair();
    if (!pair) return undefined;
    const ask = (state: SearchState): Question => ({
      root: this.subject.read(state),
      limiters: state.limiters,
    });
    return { from: ask(pair.from), to: ask(pair.to) };
  });
  /** Both states, as they are asked. */
  protected readonly asTheyAre = computed(() => {
    const questions = this.questions();
    return questions ? [questions.from, questions.to] : [];
  });
  /** Searched for both states: what only one of them searches is neither gained nor lost. */
  protected readonly dialects = computed<readonly Dialect[]>(
    () => {
      const pair = this.pair();
      if (!pair) return [];
      const both = pair.to.databases.filter((id) => pair.from.databases.includes(id));
      return this.draftCounts.findDialects(both);
    },
    // The same databases are not compared anew.
    { equal: (a, b) => a.length === b.length && a.every((dialect, at) => dialect === b[at]) },
  );
  protected readonly onlyOne = computed(() => {
    const pair = this.pair();
    if (!pair) return '';
    const only = (a: SearchState, b: SearchState): string =>
      this.draftCounts
        .findDialects(a.databases.filter((id) => !b.databases.includes(id)))
        .map(({ name }) => name)
        .join(', ');
    const [from, to] = [only(pair.from, pair.to), only(pair.to, pair.from)];
    return [
      ...(from ? [`${from} is searched for ${this.nameOf(this.from())} only`] : []),
      ...(to ? [`${to} is searched for ${this.nameOf(this.to())} only`] : []),
    ].join('; ');
  });
  protected readonly database = computed(
    () => this.dialects().find(({ id }) => id === this.subject.chosen()) ?? this.dialects()[0],
  );
  /** The two states have other limiters: no string says what only one of them finds. */
  protected readonly isAcrossLimiters = computed(() => {
    const pair = this.pair();
    return pair !== undefined && !isSameLimiters(pair.from.limiters, pair.to.limiters);
  });

  /** Gained, lost and common in each database, counted by strings; under other limiters no string says it. */
  protected readonly differences = computed(() => {
    const questions = this.questions();
    if (!questions) return [];
    const { from, to } = questions;
    const { limiters } = from;
    const roots = [
      build.not(to.root, from.root),
      build.not(from.root, to.root),
      build.and(from.root, to.root),
    ];
    return this.dialects().map((dialect) => ({
      dialect,
      cells: this.isAcrossLimiters()
        ? []
        : roots.map((root) => this.subject.look({ root, limiters }, dialect)),
    }));
  });
  protected readonly parts = PARTS;
  /** The same record by record, where no string says it: its numbers stand in the place of those that failed. */
  private readonly sizes = follow(
    () => {
      const questions = this.questions();
      return questions && this.from() !== this.to() ? { ...questions, dialects: this.dialects() } : undefined;
    },
    async ({ from, to, dialects }): Promise<Outcome<ReadonlyMap<string, readonly number[]>>> => {
      const found = new Map<string, readonly number[]>();
      const both: RecordsOfBoth[] = [];
      for (const dialect of dialects) {
        const listed = await this.partLists.list(from, to, dialect, []);
        if (listed.ok)
          found.set(
            dialect.id,
            PARTS.map(({ id }) => listed.value[id].length),
          );
        if (!listed.ok) continue;
        const [then, now] = [await this.sets.list(from, dialect), await this.sets.list(to, dialect)];
        if (then.ok && now.ok) both.push({ before: then.value, after: now.value });
      }
      if (both.length > 0) found.set(ALL, countWorks(both));
      return succeed(found);
    },
  );
  protected readonly sizesOf = computed(() => {
    const answer = this.sizes();
    const found = answer.status === 'done' && answer.outcome.ok ? answer.outcome.value : undefined;
    return (database: string, part: number): string =>
      found?.get(database)?.[part]?.toLocaleString('en') ?? '';
  });
  /** The records are still compared one by one. */
  protected readonly isComparing = computed(() => this.sizes().status === 'waiting');
  /** No string tells it: its numbers come from the records, where the database gives them. */
  protected readonly isFromRecords = (counted: Counted | undefined, dialect: Dialect): boolean => {
    const questions = this.questions();
    if (!questions) return false;
    if (this.isAcrossLimiters()) return true;
    const count = readCount(counted);
    if (count.status === 'none') return true;
    // Both states in one string may be too long for the fields in which each is searched.
    return [questions.from, questions.to].some(
      (one) => this.subject.look(one, dialect)?.rendering.withoutFields !== counted?.rendering.withoutFields,
    );
  };

  /** Each change made alone. */
  private readonly singles = computed(() => {
    const pair = this.pair();
    if (!pair) return [];
    return listSingleChanges(pair.from, pair.to)
      .slice(0, MAX_COUNTED)
      .map((change) => ({
        change,
        question: { root: createSharedDraft(change.state), limiters: change.state.limiters },
      }));
  });
  protected readonly changes = computed(() => {
    const questions = this.questions();
    return this.singles().map(({ change, question }) => ({
      ...change,
      cells: this.dialects().map((dialect) => ({
        dialect,
        before: questions && this.subject.look(questions.from, dialect),
        after: this.subject.look(question, dialect),
      })),
    }));
  });
  protected readonly asked = computed(() => [
    ...this.differences().flatMap(({ cells }) => cells),
    ...(this.questions()
      ? this.changes().flatMap(({ cells }) => cells.flatMap(({ before, after }) => [before, after]))
      : []),
  ]);

  /** The records of the parts, where the database gives them. */
  private readonly listing = follow(
    () => {
      const [questions, dialect] = [this.questions(), this.database()];
      return questions && dialect && this.from() !== this.to()
        ? { ...questions, dialect, singles: this.singles() }
        : undefined;
    },
    async ({ from, to, dialect, singles }): Promise<Outcome<PartNumbers>> =>
      this.partLists.list(from, to, dialect, singles),
  );
  protected readonly lists = computed(() => {
    const answer = this.listing();
    return answer.status === 'done' && answer.outcome.ok ? answer.outcome.value : undefined;
  });
  protected readonly listFailure = computed(() => {
    const answer = this.listing();
    return answer.status === 'done' && !answer.outcome.ok ? describeInFull(answer.outcome.problem) : '';
  });
  protected readonly isListing = computed(() => this.listing().status === 'waiting');

  protected readonly part = signal<PartId>('gained');
  /** Further samples of the same size, one behind the other. */
  private readonly size = signal(SAMPLE);
  private readonly sample = computed(() => {
    const lists = this.lists();
    const dialect = this.database();
    if (!lists || !dialect) return undefined;
    const numbers = lists[this.part()];
    return { dialect, numbers: drawSample(numbers, this.size(), SEED), size: numbers.length, why: lists.why };
  });
  private readonly fetched = follow(
    () => this.sample(),
    async ({ dialect, numbers }: { dialect: Dialect; numbers: readonly number[] }) =>
      succeed({ numbers, records: await fetchByNumbers(this.connections.find(dialect.id), numbers) }),
  );
  protected readonly records = computed(() => {
    const answer = this.fetched();
    const sample = this.sample();
    if (answer.status !== 'done' || !answer.outcome.ok || !sample) return [];
    const { records, numbers } = answer.outcome.value;
    // Records of another part, still on their way out, are not to be judged as this one's.
    if (numbers.join() !== sample.numbers.join()) return [];
    return records.flatMap((record, at) => {
      if (!record) return [];
      const key = createKey(sample.dialect, record.id);
      return {
        key,
        record,
        line: [describeAuthors(record.authors, 3), record.source, record.year].filter(Boolean).join(' · '),
        verdict: this.open.project().judgements[key]?.verdict,
        why: sample.why(numbers[at] ?? -1, this.part()),
      };
    });
  });
  protected readonly isFetching = computed(() => this.fetched().status === 'waiting');
  protected readonly canDrawMore = computed(() => {
    const sample = this.sample();
    return sample !== undefined && sample.numbers.length < sample.size;
  });
  protected readonly verdicts: readonly {
    readonly id: Verdict;
    readonly name: string;
    readonly key: string;
  }[] = [
    { id: 'on', name: 'on topic', key: 'y' },
    { id: 'off', name: 'off topic', key: 'n' },
    { id: 'unsure', name: 'not sure', key: 'u' },
  ];

  /** What was judged of each part: only drawn records count, so that the sample stays one. */
  private readonly judged = computed(() => {
    const lists = this.lists();
    const dialect = this.database();
    if (!lists || !dialect) return undefined;
    const { judgements } = this.open.project();
    const seen = this.seen();
    const before = this.drawnBefore();
    const judge = (id: PartId): JudgedPart => {
      const shown = seen.get(`${dialect.id} ${this.from()} ${this.to()} ${id}`) ?? [];
      const drawn = before.status === 'done' && before.outcome.ok ? before.outcome.value[id] : [];
      const verdicts = [...new Set([...shown, ...drawn])].map((key) => judgements[key]?.verdict);
      const count = (verdict: Verdict): number => verdicts.filter((one) => one === verdict).length;
      return { size: lists[id].length, good: count('on'), bad: count('off'), unsure: count('unsure') };
    };
    return { gained: judge('gained'), lost: judge('lost'), common: judge('common') };
  });
  /** What was drawn and judged when the page was open before: for as long as all that is drawn was judged, more was drawn. */
  private readonly drawnBefore = follow(
    () => {
      const [lists, dialect] = [this.lists(), this.database()];
      return lists && dialect && { lists, dialect };
    },
    async ({ lists, dialect }) =>
      succeed({
        gained: await this.findDrawn(lists.gained, dialect),
        lost: await this.findDrawn(lists.lost, dialect),
        common: await this.findDrawn(lists.common, dialect),
      }),
  );
  /** The records of each part that were drawn, by their keys. */
  private readonly seen = linkedSignal<
    { key: string; keys: readonly string[] } | undefined,
    ReadonlyMap<string, readonly string[]>
  >({
    source: () => {
      const dialect = this.database();
      const keys = this.records().map(({ key }) => key);
      return dialect && keys.length > 0
        ? { key: `${dialect.id} ${this.from()} ${this.to()} ${this.part()}`, keys }
        : undefined;
    },
    computation: (drawn, previous) => {
      const before = previous?.value ?? new Map<string, readonly string[]>();
      return drawn ? new Map(before).set(drawn.key, drawn.keys) : before;
    },
  });
  protected readonly precisions = computed(() => {
    const judged = this.judged();
    if (!judged) return undefined;
    return {
      parts: PARTS.map(({ id, name }) => ({
        name,
        ...judged[id],
        words: describeEstimate(estimatePrecision(judged[id])),
      })),
      from: describeEstimate(joinPrecisions([judged.common, judged.lost])),
      to: describeEstimate(joinPrecisions([judged.common, judged.gained])),
    };
  });

  private async findDrawn(numbers: readonly number[], dialect: Dialect): Promise<string[]> {
    const isJudged = (key: string): boolean => this.open.project().judgements[key] !== undefined;
    const keys: string[] = [];
    if (!Object.keys(this.open.project().judgements).some((key) => key.startsWith(`${dialect.id} `)))
      return keys;
    while (keys.length < numbers.length) {
      const fresh = drawSample(numbers, keys.length + SAMPLE, SEED).slice(keys.length);
      const records = await fetchByNumbers(this.connections.find(dialect.id), fresh);
      const drawn = records.flatMap((record) => (record ? [createKey(dialect, record.id)] : []));
      keys.push(...drawn);
      if (drawn.length < fresh.length || !drawn.every(isJudged)) break;
    }
    return keys;
  }

  protected judge(key: string, title: string, verdict: Verdict | undefined): void {
    const judgement = verdict && { verdict, title };
    this.open.change({ kind: 'judge-record', record: key, judgement });
  }

  protected takeKey(event: KeyboardEvent, key: string, title: string): void {
    const found = this.verdicts.find((one) => one.key === event.key);
    if (!found) return;
    event.preventDefault();
    this.judge(key, title, found.id);
    const item = (event.currentTarget as HTMLElement).nextElementSibling;
    if (item instanceof HTMLElement) item.focus();
  }

  protected choosePart(id: string): void {
    this.part.set(PARTS.find((part) => part.id === id)?.id ?? 'gained');
    this.size.set(SAMPLE);
  }

  protected drawMore(): void {
    this.size.update((size) => size + SAMPLE);
  }

  protected nameOf(id: string): string {
    return this.states().find((state) => state.id === id)?.name ?? '';
  }

  protected describeChange({
    before,
    after,
  }: {
    readonly before: Counted | undefined;
    readonly after: Counted | undefined;
  }): string {
    return describeLimiterGap(readCount(after), readCount(before));
  }

  private findState(id: string): SearchState | undefined {
    if (id === 'draft') return this.open.working();
    return this.open.project().variants.find((variant) => variant.id === id)?.frozen;
  }
}

/** The key of a record's judgement. */
function createKey({ id }: Dialect, record: string): string {
  return `${id} ${record}`;
}

/** The name under which the databases together stand. */
const ALL = 'all';

/** `40 % (12–71 %)`, or that nothing is known yet. */
function describeEstimate(estimate: ShareEstimate | undefined): string {
  if (!estimate) return 'not sampled yet';
  const percent = (share: number): string => String(Math.round(100 * share));
  return `${percent(estimate.middle)} % on topic (${percent(estimate.low)}–${percent(estimate.high)} %)`;
}
