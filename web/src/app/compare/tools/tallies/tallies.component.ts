import { FIELD_PARTS } from '../../../ui/field-parts';
import { MatButton } from '@angular/material/button';
import { DatePipe } from '@angular/common';
import { listLimiters } from '#core/limiter/index';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { getProjectTitle, type Tally } from '#core/project/index';
import { getAmount, type Counted, type CountKey } from '../../../counting/count-state';
import { Counts } from '../../../counting/counts';
import { saveFile } from '../../../data/save-file';
import { writeMoment } from '../../../data/clock-and-ids';
import { OpenProject } from '../../../state/open-project';
import { ChartComponent, type ChartContent } from '../../../ui/chart.component';
import { CountComponent } from '../../../records/count.component';
import { compareMoments, getLeast, keepAmount, readKeptAmount, type Comparison } from '#core/count/index';
import { describeComparison } from '../../../counting/describe-count';
import { formatAmount } from '../../../ui/number-format';
import { writeCsv } from '../../../ui/table-file';
import { Messages } from '../../../ui/messages';
import { createFileName } from '../../../ui/file-name';
import { Connections } from '../../../state/connections';
import { AskedCounts } from '../../../counting/asked-counts';
import { SayPipe } from '../../../words/say.pipe';
import { say } from '../../../words/say';

const FIRST_ROWS = 50;
const DAY = 86_400_000;

/** The counts that were kept: searched, counted again, and each state of them returned to. */
@Component({
  selector: 'app-tallies',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, ChartComponent, CountComponent, DatePipe, MatButton, FIELD_PARTS],
  templateUrl: './tallies.component.html',
  styleUrl: '../../../comparing/tools.scss',
})
export class TalliesComponent {
  protected readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly asked = inject(AskedCounts);
  private readonly connections = inject(Connections);
  private readonly messages = inject(Messages);

  protected readonly sought = signal('');
  protected readonly showsAll = signal(false);
  /** Tallies that were counted again. */
  private readonly again = signal<ReadonlySet<string>>(new Set());
  /** The newest moment of counts of this sitting: what is older may have changed. */
  private readonly now = this.open.now();

  private readonly found = computed(() => {
    const words = this.sought().toLowerCase().split(/\s+/).filter(Boolean);
    return this.open
      .project()
      .tallies.toReversed()
      .map((tally) => this.describe(tally))
      .filter(({ text }) => words.every((word) => text.includes(word)));
  });
  protected readonly all = computed(() => this.found().length);
  protected readonly rows = computed(() =>
    (this.showsAll() ? this.found() : this.found().slice(0, FIRST_ROWS)).map((row) => {
      const counted = this.again().has(row.tally.id) ? this.lookAgain(row.tally) : undefined;
      const amount = getAmount(counted?.state);
      return {
        ...row,
        counted,
        sinceThen: amount ? describeSince(compareMoments(amount, readKeptAmount(row.tally))) : '',
      };
    }),
  );
  /** The counts of the newest string of each database over time, where there are several. */
  protected readonly trend = computed<ChartContent | undefined>(() => {
    const tallies = this.open.project().tallies.filter(({ variant }) => variant !== undefined);
    const days = [...new Set(tallies.map(({ moment }) => moment.slice(0, 16)))].sort();
    const databases = [...new Set(tallies.map(({ database }) => database))];
    if (days.length < 2) return undefined;
    return {
      kind: 'line',
      title: say('compare.countsOfVariants'),
      places: days.map((day) => day.replace('T', ' ')),
      series: databases.map((database, at) => ({
        name: this.open.nameInShort(database),
        values: days.map((day) => {
          const tally = tallies.find((one) => one.database === database && one.moment.startsWith(day));
          return tally && getLeast(readKeptAmount(tally));
        }),
        colours: [`--hue-${'abcdefgh'.charAt(at % 8)}`],
      })),
      isLog: true,
    };
  });

  protected countAgain(tally: Tally): void {
    const countKey = this.createCountKey(tally);
    this.again.update((again) => new Set([...again, tally.id]));
    this.asked.countAgain([countKey]);
  }

  /** Keeps what was counted again as a tally of its own. */
  protected keepAgain(tally: Tally, counted: Counted): void {
    if (counted.state.status !== 'counted') return;
    const { amount, milliseconds } = counted.state;
    const { upTo: _, ...rest } = tally;
    this.open.change({
      kind: 'keep-tallies',
      tallies: [
        {
          ...rest,
          id: this.open.createId(),
          moment: writeMoment(this.open.now()),
          ...keepAmount(amount),
          source: 'measured',
          ...(milliseconds !== undefined && { milliseconds }),
        },
      ],
    });
  }

  /** Goes back to the query that it was counted for. */
  protected restore({ variant, state }: Tally): void {
    const kept = this.open.project().states.find(({ id }) => id === state);
    const name = this.open.project().variants.find(({ id }) => id === variant)?.name;
    if (name !== undefined && variant !== undefined) this.open.change({ kind: 'open-variant', id: variant });
    else if (kept)
      this.open.change({ kind: 'return-to', working: { ...this.open.working(), ...kept.state } });
    else return;
    this.messages.show(
      say('compare.isTheDraftNow', { name: name === undefined ? say('compare.thatState') : `“${name}”` }),
      () => {
        this.open.undo();
      },
    );
  }

  protected remove(tally: Tally): void {
    this.open.change({ kind: 'remove-tally', id: tally.id });
    this.messages.show(say('compare.countRemoved'), () => {
      this.open.change({ kind: 'keep-tallies', tallies: [tally] });
    });
  }

  protected save(): void {
    const cells = this.found().map(({ tally, belongs, limits }) => [
      tally.moment,
      this.open.nameInShort(tally.database),
      tally.string,
      limits,
      tally.total,
      tally.upTo ?? '',
      tally.upTo !== undefined
        ? say('compare.betweenBounds')
        : say(tally.estimated ? 'compare.estimatedWords' : 'compare.exact'),
      tally.source,
      belongs,
    ]);
    const head = [
      say('compare.moment'),
      say('compare.database'),
      say('compare.string'),
      say('compare.limiters'),
      say('shared.records'),
      say('compare.upTo'),
      say('compare.knownAs'),
      say('compare.source'),
      say('compare.forWords'),
    ];
    saveFile(
      `${createFileName(getProjectTitle(this.open.project()))}-tallies.csv`,
      writeCsv([head, ...cells]),
      'text/csv',
    );
  }

  private describe(tally: Tally) {
    const variant = this.open.project().variants.find(({ id }) => id === tally.variant);
    const belongs = variant ? variant.name : tally.state === undefined ? '' : say('compare.aStateOfTheDraft');
    const limits = listLimiters(tally.limiters)
      .map(({ value }) => value)
      .join(', ');
    const age = Math.floor((this.now - Date.parse(tally.moment)) / DAY);
    const name = this.open.nameInShort(tally.database);
    return {
      tally,
      name,
      belongs,
      limits,
      number: formatAmount(readKeptAmount(tally)),
      age: age > 0 ? say('compare.daysOld', { age }) : '',
      canRestore: variant !== undefined || this.open.project().states.some(({ id }) => id === tally.state),
      canCount:
        !this.connections.isByHand(tally.database) && this.open.findDialect(tally.database) !== undefined,
      text: `${name} ${tally.string} ${belongs} ${limits} ${tally.moment} ${tally.source}`.toLowerCase(),
    };
  }

  private lookAgain(tally: Tally): Counted | undefined {
    const countKey = this.createCountKey(tally);
    const dialect = this.open.findDialect(tally.database);
    if (!dialect) return undefined;
    // Whatever it was made of, this very string is counted: nothing is said of what it leaves out.
    const { rendering: draft } = this.counts.peek(this.open.draft().root, dialect, tally.limiters);
    const { withoutFields: _, omitted: __, ...rendering } = draft;
    return {
      root: this.open.draft().root,
      rendering,
      countKey,
      state: this.counts.stateOf(countKey),
      limiters: tally.limiters,
      missingLimiters: [],
    };
  }

  /** The string as it was sent, under the limiters that are sent with it. */
  private createCountKey({ database, string, limiters }: Tally): CountKey {
    const dialect = this.open.findDialect(database);
    const ticked = Object.entries(limiters).filter(
      ([name]) => dialect?.limiters[name as keyof typeof limiters].how === 'box',
    );
    return { database, string, sentLimiters: Object.fromEntries(ticked) };
  }
}

function describeSince(compared: Comparison): string {
  const words = describeComparison(compared);
  return compared.kind === 'none' ? say('compare.notExact', { words }) : say('compare.since', { words });
}
