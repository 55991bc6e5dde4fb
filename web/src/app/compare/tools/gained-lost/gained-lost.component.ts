import { MatButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { SELECT_PARTS } from '../../../ui/field-parts';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Dialect } from '#core/dialect/index';
import { succeed, type Outcome } from '#core/problem/index';
import { build } from '#core/query/index';
import type { Counted } from '../../../counting/count-state';
import { describeLimiterGap } from '../../../counting/describe-count';
import { readCount } from '../../../counting/read-count';
import { CountComponent } from '../../../records/count.component';
import { RecordDrawer } from '../../../records/record-drawer';
import { formatNumber } from '../../../ui/number-format';
import { DatabaseHeadingComponent } from '../../../ui/database-heading.component';
import { CompareSubject } from '../../../comparing/compare-subject';
import { CountingBarComponent } from '../../../comparing/counting-bar.component';
import { DatabaseChoiceComponent } from '../../parts/database-choice.component';
import { describeSign } from '../../parts/describe';
import {
  PARTS,
  PartLists,
  countWorks,
  type PartId,
  type PartNumbers,
  type RecordsOfBoth,
} from '../../parts/part-lists';
import { RecordSets } from '../../../comparing/record-sets';
import { follow } from '../../parts/waiting';
import { WiderNoteComponent } from '../../parts/wider-note.component';
import { SampleComponent } from './sample.component';
import { TwoStates } from './two-states';
import { SayPipe } from '../../../words/say.pipe';

/** The records by which two states differ, in one database, with a sample of each part to judge. */
@Component({
  selector: 'app-gained-lost',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    CountComponent,
    CountingBarComponent,
    DatabaseChoiceComponent,
    DatabaseHeadingComponent,
    MatButton,
    SampleComponent,
    WiderNoteComponent,
    SELECT_PARTS,
    MatTooltip,
  ],
  providers: [PartLists, TwoStates],
  templateUrl: './gained-lost.component.html',
  styleUrls: ['../../../comparing/tools.scss', './gained-lost.component.scss'],
})
export class GainedLostComponent {
  protected readonly describeSign = describeSign;
  protected readonly subject = inject(CompareSubject);
  protected readonly states = inject(TwoStates);
  private readonly sets = inject(RecordSets);
  private readonly partLists = inject(PartLists);
  private readonly drawer = inject(RecordDrawer);

  /** Gained, lost and common in each database, counted by strings; under other limiters no string says it. */
  protected readonly differences = computed(() => {
    const questions = this.states.questions();
    if (!questions) return [];
    const { from, to } = questions;
    const { limiters } = from;
    const roots = [
      build.not(to.root, from.root),
      build.not(from.root, to.root),
      build.and(from.root, to.root),
    ];
    return this.states.dialects().map((dialect) => ({
      dialect,
      cells: this.states.isAcrossLimiters()
        ? []
        : roots.map((root) => this.subject.look({ root, limiters }, dialect)),
    }));
  });
  protected readonly parts = PARTS;
  /** The same record by record, where no string says it: its numbers stand in the place of those that failed. */
  private readonly sizes = follow(
    () => {
      const questions = this.states.questions();
      return questions && this.states.from() !== this.states.to()
        ? { ...questions, dialects: this.states.dialects() }
        : undefined;
    },
    async ({ from, to, dialects }): Promise<Outcome<ComparedRecords>> => {
      const lists = new Map<string, PartNumbers>();
      const both: RecordsOfBoth[] = [];
      for (const dialect of dialects) {
        const listed = await this.partLists.list(from, to, dialect, []);
        if (!listed.ok) continue;
        lists.set(dialect.id, listed.value);
        const [then, now] = [await this.sets.list(from, dialect), await this.sets.list(to, dialect)];
        if (then.ok && now.ok) both.push({ before: then.value, after: now.value });
      }
      return succeed({
        lists,
        works: both.length > 0 ? countWorks(both, this.subject.sameWork()) : undefined,
      });
    },
  );
  private readonly compared = computed(() => {
    const answer = this.sizes();
    return answer.status === 'done' && answer.outcome.ok ? answer.outcome.value : undefined;
  });
  /** The size of a part in a database, by its records; empty while or where that is not known. */
  protected sizeOf(database: string, part: PartId): string {
    const list = this.compared()?.lists.get(database)?.[part];
    return list ? formatNumber(list.length) : '';
  }
  /** The sizes of the parts over all databases, each work once. */
  protected readonly works = computed(() => this.compared()?.works?.map(formatNumber));

  /** Shows the records of a part: those of the state that has them, by their numbers. */
  protected readPart(dialect: Dialect, part: PartId, name: string): void {
    const questions = this.states.questions();
    const numbers = this.compared()?.lists.get(dialect.id)?.[part];
    const countKey =
      questions && this.subject.look(part === 'lost' ? questions.from : questions.to, dialect)?.countKey;
    if (numbers && countKey) this.drawer.showNumbers(countKey, name, numbers.length, numbers);
  }
  /** The records are still compared one by one. */
  protected readonly isComparing = computed(() => this.sizes().status === 'waiting');
  /** No string tells it: its numbers come from the records, where the database gives them. */
  protected readonly isFromRecords = (counted: Counted | undefined, dialect: Dialect): boolean => {
    const questions = this.states.questions();
    if (!questions) return false;
    if (this.states.isAcrossLimiters()) return true;
    const count = readCount(counted);
    if (count.status === 'none') return true;
    // Both states in one string may be too long for the fields in which each is searched.
    return [questions.from, questions.to].some(
      (one) => this.subject.look(one, dialect)?.rendering.withoutFields !== counted?.rendering.withoutFields,
    );
  };

  protected readonly changes = computed(() => {
    const questions = this.states.questions();
    return this.states.singles().map(({ change, question }) => ({
      ...change,
      cells: this.states.dialects().map((dialect) => ({
        dialect,
        before: questions && this.subject.look(questions.from, dialect),
        after: this.subject.look(question, dialect),
      })),
    }));
  });
  protected readonly asked = computed(() => [
    ...this.differences().flatMap(({ cells }) => cells),
    ...(this.states.questions()
      ? this.changes().flatMap(({ cells }) => cells.flatMap(({ before, after }) => [before, after]))
      : []),
  ]);

  protected describeChange({
    before,
    after,
  }: {
    readonly before: Counted | undefined;
    readonly after: Counted | undefined;
  }): string {
    return describeLimiterGap(readCount(after), readCount(before));
  }
}

/** The parts in each database by its id, and how many works they are over all. */
interface ComparedRecords {
  readonly lists: ReadonlyMap<string, PartNumbers>;
  readonly works: readonly number[] | undefined;
}
