import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import {
  findOverlap,
  findWorks,
  listDoubtfulPairs,
  listRepeatedWorks,
  type LimitedQuery,
} from '#core/compare/index';
import type { Dialect } from '#core/dialect/index';
import { describeInFull, succeed, type Outcome } from '#core/problem/index';
import { getAmount, isSameAmount, type Amount } from '#core/count/index';
import { shortenName } from '#core/text/index';
import { readCount } from '../../../counting/read-count';
import { CountComponent } from '../../../records/count.component';
import { CompareSubject } from '../../../comparing/compare-subject';
import { WiderNoteComponent } from '../../parts/wider-note.component';
import { CountingBarComponent } from '../../../comparing/counting-bar.component';
import { RecordSets } from '../../../comparing/record-sets';
import { describeMatched, describeRule, describeVersions } from './agreement-words';
import { DoubtfulPairsComponent } from './doubtful-pairs.component';
import { describeRecord, readFrom, type ReadableResult } from './readable-result';
import { follow, type Waiting } from '../../parts/waiting';
import { RepeatedWorksComponent, type ShownWork } from './repeated-works.component';
import { SayPipe } from '../../../words/say.pipe';

/** So many works that stand more than once are shown, and then as many more. */
const SHOWN_AT_ONCE = 10;
/** A query with what it finds in each database. */
interface OverlapSubject extends LimitedQuery {
  readonly counted: readonly { readonly dialect: Dialect; readonly amount: Amount }[];
  /** One more each time that it is tried again. */
  readonly attempt: number;
}

/** What the databases have in common, what each alone brings, and in which order to search them. */
@Component({
  selector: 'app-overlap',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    CountComponent,
    CountingBarComponent,
    DoubtfulPairsComponent,
    RepeatedWorksComponent,
    WiderNoteComponent,
    MatButton,
  ],
  templateUrl: './overlap.component.html',
  styleUrl: '../../../comparing/tools.scss',
})
export class OverlapComponent {
  protected readonly subject = inject(CompareSubject);
  protected readonly describeMatched = describeMatched;
  protected readonly describeVersions = describeVersions;
  private readonly sets = inject(RecordSets);

  protected readonly wholes = computed(() =>
    this.subject.dialects().map((dialect) => ({ dialect, counted: this.subject.lookWhole(dialect) })),
  );
  protected readonly asked = computed(() => this.wholes().map(({ counted }) => counted));

  /** Databases whose count is on its way. */
  private readonly pending = computed(() =>
    this.wholes().filter(({ counted }) => readCount(counted).status === 'pending' && !counted?.byHand),
  );
  /** Databases that take no part: they are not counted yet, or give no count. */
  protected readonly missing = computed(() =>
    this.wholes()
      .filter(({ counted }) => counted && readCount(counted).status !== 'known')
      .filter((one) => !this.pending().includes(one))
      .map(({ dialect }) => dialect.id),
  );

  private readonly attempt = signal(0);
  private readonly results = follow(
    (): OverlapSubject | undefined => {
      const counted = this.wholes().flatMap(({ dialect, counted: one }) => {
        const amount = getAmount(readCount(one));
        return amount ? [{ dialect, amount }] : [];
      });
      return counted.length > 1 && this.pending().length === 0
        ? { ...this.subject.whole(), counted, attempt: this.attempt() }
        : undefined;
    },
    async ({ counted, ...question }): Promise<Outcome<ReadableResult[]>> => {
      const results: ReadableResult[] = [];
      for (const { dialect, amount } of counted) {
        const records = await this.sets.listReadable(question, dialect, amount);
        if (!records.ok) return records;
        const { keys, read } = records.value ?? {};
        results.push({ database: dialect.id, amount, keys, read });
      }
      return succeed(results);
    },
    isSameQuestion,
  );
  protected readonly isWaiting = computed(() => this.results().status === 'waiting');
  protected readonly failure = computed(() => {
    const answer = this.results();
    return answer.status === 'done' && !answer.outcome.ok ? describeInFull(answer.outcome.problem) : '';
  });
  protected readonly found = computed(() => {
    const answer = this.results();
    return answer.status === 'done' && answer.outcome.ok ? answer.outcome.value : undefined;
  });
  private readonly told = computed(() => {
    const found = this.found();
    return found && { found, works: findWorks(found, this.subject.sameWork()) };
  });
  protected readonly overlap = computed(() => {
    const told = this.told();
    return told && findOverlap(told.found, told.works);
  });

  private readonly repeated = computed(() => {
    const told = this.told();
    return told ? listRepeatedWorks(told.found, told.works) : [];
  });
  private readonly shown = linkedSignal({ source: this.repeated, computation: () => SHOWN_AT_ONCE });
  /** The works shown, each with the title of its first record and the rule that told the others. */
  private readonly reading = follow(
    () => {
      const works = this.repeated().slice(0, this.shown());
      return works.length > 0 ? { works, results: this.found() ?? [] } : undefined;
    },
    async ({ works, results }) =>
      succeed(
        await Promise.all(
          works.map(async (records): Promise<ShownWork> => {
            const [first] = records;
            return {
              ...describeRecord(first && (await readFrom(results, first))),
              records: records.map(({ database, rule, comparison }) => ({
                name: this.nameOf(database),
                rule: describeRule(rule, comparison),
              })),
            };
          }),
        ),
      ),
  );
  /** While more are read, those shown stay. */
  protected readonly works = linkedSignal<
    { readonly answer: Waiting<ShownWork[]>; readonly of: readonly unknown[] },
    readonly ShownWork[]
  >({
    source: () => ({ answer: this.reading(), of: this.repeated() }),
    computation: ({ answer, of }, previous) => {
      if (answer.status === 'done' && answer.outcome.ok) return answer.outcome.value;
      return previous?.source.of === of ? previous.value : [];
    },
  });
  protected readonly isReading = computed(() => this.reading().status === 'waiting');
  protected readonly hidden = computed(() => this.repeated().length - this.works().length);

  protected readonly doubtful = computed(() => {
    const told = this.told();
    return told ? listDoubtfulPairs(told.found, told.works) : [];
  });

  protected tryAgain(): void {
    this.attempt.update((attempt) => attempt + 1);
  }

  protected showMore(): void {
    this.shown.update((shown) => shown + SHOWN_AT_ONCE);
  }

  protected readonly nameOf = (database: string): string => {
    const dialect = this.subject.dialects().find(({ id }) => id === database);
    return dialect ? shortenName(dialect) : database;
  };

  protected nameAll(databases: readonly string[]): string {
    return databases.map((database) => this.nameOf(database)).join(', ');
  }
}

/** Counts that come in for other queries make nothing new of it: what is read stays. */
function isSameQuestion(a: OverlapSubject, b: OverlapSubject): boolean {
  return (
    a.root === b.root &&
    a.limiters === b.limiters &&
    a.attempt === b.attempt &&
    a.counted.length === b.counted.length &&
    a.counted.every(
      ({ dialect, amount }, at) =>
        dialect === b.counted[at]?.dialect && isSameAmount(amount, b.counted[at].amount),
    )
  );
}
