import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import {
  SAMPLE_SIZE,
  createJudgementKey,
  drawFurther,
  drawRecords,
  estimatePrecision,
  joinPrecisions,
  judgePart,
  type JudgedPart,
  type ShareEstimate,
} from '#core/compare/index';
import type { Dialect } from '#core/dialect/index';
import { succeed } from '#core/problem/index';
import type { Verdict } from '#core/project/index';
import { createJudgement } from '#core/reading/index';
import { describeAuthors, type BibliographicRecord } from '#core/record/index';
import { Shelf } from '../../../records/shelf';
import { VERDICT_ROWS, findVerdict } from '../../../records/verdicts';
import { Connections } from '../../../state/connections';
import { fetchByNumbers } from '../../../state/fetch-records';
import { writeMoment } from '../../../data/clock-and-ids';
import { OpenProject } from '../../../state/open-project';
import { ChoiceRowComponent } from '../../../ui/choice-row.component';
import { IconComponent } from '../../../ui/icon.component';
import { PARTS, type PartId } from '../../parts/part-lists';
import { follow } from '../../parts/waiting';
import { TwoStates } from './two-states';
import { SayPipe } from '../../../words/say.pipe';
import { say } from '../../../words/say';

/** Records drawn from each part, to be judged, and the precision that follows. */
@Component({
  selector: 'app-sample',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, ChoiceRowComponent, IconComponent, MatButton],
  templateUrl: './sample.component.html',
  styleUrls: ['../../../comparing/tools.scss', './sample.component.scss'],
})
export class SampleComponent {
  private readonly shelf = inject(Shelf);
  protected readonly states = inject(TwoStates);
  private readonly open = inject(OpenProject);
  private readonly connections = inject(Connections);

  protected readonly part = signal<PartId>('gained');
  /** Further samples of the same size, one behind the other. */
  private readonly size = signal(SAMPLE_SIZE);
  private readonly sample = computed(() => {
    const lists = this.states.lists();
    const dialect = this.states.database();
    if (!lists || !dialect) return undefined;
    const numbers = lists[this.part()];
    return { dialect, numbers: drawRecords(numbers, this.size()), size: numbers.length, why: lists.why };
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
      const key = createJudgementKey(sample.dialect.id, record.id);
      return {
        key,
        record,
        line: [describeAuthors(record.authors, 3), record.source, record.year].filter(Boolean).join(' · '),
        verdict: this.open.project().judgements[key]?.verdict,
        isKept: this.shelf.find(record, sample.dialect.id) !== undefined,
        why: sample.why(numbers[at] ?? -1, this.part()),
      };
    });
  });
  protected readonly isFetching = computed(() => this.fetched().status === 'waiting');
  protected readonly canDrawMore = computed(() => {
    const sample = this.sample();
    return sample !== undefined && sample.numbers.length < sample.size;
  });
  protected readonly verdicts = VERDICT_ROWS;

  /** What was judged of each part: only drawn records count, so that the sample stays one. */
  private readonly judged = computed(() => {
    const lists = this.states.lists();
    const dialect = this.states.database();
    if (!lists || !dialect) return undefined;
    const { judgements } = this.open.project();
    const seen = this.seen();
    const before = this.drawnBefore();
    const judge = (id: PartId): JudgedPart => {
      const shown = seen.get(`${dialect.id} ${this.states.from()} ${this.states.to()} ${id}`) ?? [];
      const drawn = before.status === 'done' && before.outcome.ok ? before.outcome.value[id] : [];
      return judgePart(lists[id].length, [...shown, ...drawn], judgements);
    };
    return { gained: judge('gained'), lost: judge('lost'), common: judge('common') };
  });
  /** What was drawn and judged when the page was open before: for as long as all that is drawn was judged, more was drawn. */
  private readonly drawnBefore = follow(
    () => {
      const [lists, dialect] = [this.states.lists(), this.states.database()];
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
      const dialect = this.states.database();
      const keys = this.records().map(({ key }) => key);
      return dialect && keys.length > 0
        ? { key: `${dialect.id} ${this.states.from()} ${this.states.to()} ${this.part()}`, keys }
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
      const fresh = drawFurther(numbers, keys.length);
      const records = await fetchByNumbers(this.connections.find(dialect.id), fresh);
      const drawn = records.flatMap((record) => (record ? [createJudgementKey(dialect.id, record.id)] : []));
      keys.push(...drawn);
      if (drawn.length < fresh.length || !drawn.every(isJudged)) break;
    }
    return keys;
  }

  protected judge(key: string, record: BibliographicRecord, verdict: Verdict | undefined): void {
    const judgement = verdict && {
      ...createJudgement(record, verdict),
      moment: writeMoment(this.open.now()),
    };
    this.open.change({ kind: 'judge-record', record: key, judgement });
  }

  protected takeKey(event: KeyboardEvent, key: string, record: BibliographicRecord): void {
    const found = findVerdict(event.key);
    if (!found) return;
    event.preventDefault();
    this.judge(key, record, found.id);
    const item = (event.currentTarget as HTMLElement).nextElementSibling;
    if (item instanceof HTMLElement) item.focus();
  }

  protected choosePart(id: string): void {
    this.part.set(PARTS.find((part) => part.id === id)?.id ?? 'gained');
    this.size.set(SAMPLE_SIZE);
  }

  protected drawMore(): void {
    this.size.update((size) => size + SAMPLE_SIZE);
  }
}

/** `40 % (12–71 %)`, or that nothing is known yet. */
function describeEstimate(estimate: ShareEstimate | undefined): string {
  if (!estimate) return say('compare.notSampledYet');
  const percent = (share: number): string => String(Math.round(100 * share));
  return say('compare.onTopic', {
    percent: percent(estimate.middle),
    least: percent(estimate.low),
    most: percent(estimate.high),
  });
}
