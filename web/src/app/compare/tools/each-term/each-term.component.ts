import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { findCover, type Cover, type LimitedQuery } from '#core/compare/index';
import { createRecallQuery, listGoodWorks } from '#core/must-finds/index';
import { createTermQueries } from '#core/compare/draft/index';
import { describeInFull } from '#core/problem/index';
import type { Dialect } from '#core/dialect/index';
import type { Change, SearchState } from '#core/project/index';
import type { Counted } from '../../../counting/count-state';
import { OpenProject } from '../../../state/open-project';
import { ChartComponent, type ChartContent } from '../../../ui/chart.component';
import { ChoiceRowComponent } from '../../../ui/choice-row.component';
import { formatNumber } from '../../../ui/number-format';
import { CompareSubject } from '../../../comparing/compare-subject';
import { COUNT_TABLE } from '../../../comparing/count-table.component';
import { CountingBarComponent } from '../../../comparing/counting-bar.component';
import { DatabaseChoiceComponent } from '../../parts/database-choice.component';
import { compareCounts, type Comparison } from '#core/count/index';
import { describeComparison, describeGap } from '../../../counting/describe-count';
import { readCount } from '../../../counting/read-count';
import { findHue } from '../../parts/describe';
import { RecordSets } from '../../../comparing/record-sets';
import { follow } from '../../parts/waiting';
import { Messages } from '../../../ui/messages';
import { SayPipe } from '../../../words/say.pipe';
import { say } from '../../../words/say';

/** The curve is drawn for so many terms. */
const MAX_DRAWN = 60;

/** What each term finds and what only it finds, which can go, and the smallest set that finds the same. */
@Component({
  selector: 'app-each-term',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    COUNT_TABLE,
    ChartComponent,
    ChoiceRowComponent,
    CountingBarComponent,
    DatabaseChoiceComponent,
    MatButton,
  ],
  templateUrl: './each-term.component.html',
  styleUrl: '../../../comparing/tools.scss',
})
export class EachTermComponent {
  protected readonly subject = inject(CompareSubject);
  private readonly open = inject(OpenProject);
  private readonly sets = inject(RecordSets);
  private readonly messages = inject(Messages);

  private readonly chosen = signal<string | undefined>(undefined);
  /** What the smallest set has to keep. */
  protected readonly target = signal('all');
  private readonly questions = computed(() => createTermQueries(this.subject.state()));
  protected readonly concepts = computed(() =>
    this.questions()
      .filter(({ terms }) => terms.some(({ term }) => !term.off))
      .map(({ concept }) => ({ id: concept.id, name: concept.name })),
  );
  private readonly shown = computed(() => {
    const id = this.concepts().find((one) => one.id === this.chosen())?.id ?? this.concepts()[0]?.id;
    return this.questions().find(({ concept }) => concept.id === id);
  });
  protected readonly concept = computed(() => this.shown()?.concept);
  protected readonly hue = computed(() => findHue(this.subject.state().concepts, this.concept()?.block));
  private readonly terms = computed(() => this.shown()?.terms.filter(({ term }) => !term.off) ?? []);
  /** The records that matter: must-finds, and those judged on topic. */
  private readonly wanted = computed(() => listGoodWorks(this.open.project()));
  protected readonly targets = computed(() => [
    { id: 'all', name: say('compare.allRecords') },
    ...(this.wanted().length > 0 ? [{ id: 'wanted', name: say('compare.mustFindsAndJudgedGood') }] : []),
  ]);

  protected readonly rows = computed(() => {
    const shown = this.shown();
    const { limiters } = this.subject.state();
    const cover = this.cover();
    return this.terms().map(({ term, finds, conceptWithout, draftWithout }, at) => ({
      key: term.id,
      at,
      term,
      cells: this.subject.dialects().map((dialect) => {
        const ask = (root: LimitedQuery['root']): Counted | undefined =>
          this.subject.look({ root, limiters }, dialect);
        const [found, without, draft] = [ask(finds), ask(conceptWithout), ask(draftWithout)];
        const whole = shown && ask(shown.whole);
        const wholeDraft = this.subject.lookWhole(dialect);
        return {
          dialect,
          counted: found,
          label: say('shared.in', { name: term.text, database: dialect.name }),
          note: describeUniques(
            compareCounts(readCount(whole), readCount(without)),
            compareCounts(readCount(wholeDraft), readCount(draft)),
          ),
          asked: [found, without, draft, ...(shown ? [whole] : [])],
        };
      }),
      isFree: cover?.free.includes(at) ?? false,
      isKept: cover?.smallest.includes(at) ?? true,
    }));
  });
  protected readonly asked = computed(() => [
    ...this.rows().flatMap(({ cells }) => cells.flatMap(({ asked }) => asked)),
    ...this.subject.dialects().map((dialect) => this.subject.lookWhole(dialect)),
    ...this.losses().map(({ counted }) => counted),
  ]);

  private readonly covering = follow(
    () => {
      const dialect = this.subject.database();
      const terms = this.terms();
      return dialect && terms.length > 1
        ? { dialect, questions: this.listTargets(this.target()) }
        : undefined;
    },
    async ({ dialect, questions }: { dialect: Dialect; questions: readonly LimitedQuery[] }) => {
      const counter = await this.sets.createCounter(questions, dialect);
      return counter.ok ? findCover(counter.value) : counter;
    },
  );
  protected readonly isCovering = computed(() => this.covering().status === 'waiting');
  protected readonly cover = computed<Cover | undefined>(() => {
    const answer = this.covering();
    return answer.status === 'done' && answer.outcome.ok ? answer.outcome.value : undefined;
  });
  protected readonly coverFailure = computed(() => {
    const answer = this.covering();
    return answer.status === 'done' && !answer.outcome.ok ? describeInFull(answer.outcome.problem) : '';
  });
  protected readonly sentences = computed(() => {
    const cover = this.cover();
    if (!cover) return undefined;
    const name = (at: number): string => this.terms()[at]?.term.text ?? '';
    const dropped = this.terms().flatMap(({ term }, at) =>
      cover.smallest.includes(at) ? [] : [{ term, at }],
    );
    return {
      free: cover.free.map(name),
      pairs: cover.coverEachOther.map(([a, b]) =>
        say('compare.oneAndOther', { one: name(a), other: name(b) }),
      ),
      smallest: cover.smallest.map(name),
      dropped: dropped.map(({ term }) => term.text),
      whole: cover.whole,
      isExact: cover.isExact,
      atLeast: cover.atLeast,
      changes: dropped.map(({ term }): Change => ({ kind: 'switch-term', id: term.id, off: true })),
    };
  });
  protected readonly curve = computed<ChartContent | undefined>(() => {
    const cover = this.cover();
    if (!cover || cover.order.length > MAX_DRAWN) return undefined;
    return {
      kind: 'line',
      title: say('compare.inRecordsFound', {
        name: this.concept()?.name ?? '',
        database: this.subject.database()?.name ?? '',
      }),
      places: cover.order.map(({ member }) => this.terms()[member]?.term.text ?? ''),
      series: [
        {
          name: say('shared.records'),
          values: cover.order.map(({ total }) => total),
          colours: [this.hueRole()],
        },
      ],
      isLog: false,
    };
  });

  /** What switching off what the smallest set does without would do in each database: it is worked out in one only. */
  protected readonly losses = computed(() => {
    const concept = this.shown()?.concept;
    const cover = this.cover();
    if (!concept || !cover || cover.smallest.length === this.terms().length) return [];
    const off = new Set(
      this.terms().flatMap(({ term }, at) => (cover.smallest.includes(at) ? [] : [term.id])),
    );
    const state = this.subject.state();
    const concepts = state.concepts.map((one) =>
      one.id === concept.id
        ? { ...one, terms: one.terms.map((term) => (off.has(term.id) ? { ...term, off: true } : term)) }
        : one,
    );
    const root = this.subject.read(this.keepState({ ...state, concepts }));
    return this.subject.dialects().map((dialect) => {
      const counted = this.subject.look({ root, limiters: state.limiters }, dialect);
      return {
        name: dialect.name,
        counted,
        words: describeGap(counted, this.subject.lookWhole(dialect)),
      };
    });
  });
  private kept: SearchState | undefined;

  /** Equal states are one value, so that each is read once. */
  private keepState(state: SearchState): SearchState {
    if (JSON.stringify(this.kept) !== JSON.stringify(state)) this.kept = state;
    return this.kept ?? state;
  }

  protected choose(id: string): void {
    this.chosen.set(id);
  }

  /** Switches off what the smallest set does without. */
  protected keepSmallest(): void {
    const changes = this.sentences()?.changes ?? [];
    this.open.change({ kind: 'compound', changes });
    this.messages.show(say('compare.termsSwitchedOff', { count: changes.length }), () => {
      this.open.undo();
    });
  }

  private hueRole(): string {
    const hue = this.hue();
    return hue === '' ? '--glaze-fill' : `--${hue}`;
  }

  private listTargets(target: string): LimitedQuery[] {
    const { limiters } = this.subject.state();
    return this.terms().map(({ finds }) => ({
      root: target === 'wanted' ? createRecallQuery(finds, this.wanted()) : finds,
      limiters,
    }));
  }
}

/** What is said under the count of a term. */
function describeUniques(inConcept: Comparison, inQuery: Comparison): string {
  return say('compare.uniqueInTheConcept', {
    unique: describeUnique(inConcept),
    unique2: describeUnique(inQuery),
  });
}

/** A number, or a dash where it cannot be told: why not stands at the count. */
function describeUnique(compared: Comparison): string {
  if (compared.kind === 'none') return compared.why === 'pending' ? '…' : describeComparison(compared) || '–';
  const { least, greatest } = compared;
  return least === greatest ? formatNumber(least) : `${formatNumber(least)}–${formatNumber(greatest)}`;
}
