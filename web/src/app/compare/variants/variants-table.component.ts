import { MatButton } from '@angular/material/button';
import { DatePipe } from '@angular/common';
import { shortenName } from '#core/text/index';
import { isSameLimiters } from '#core/limiter/index';
import { ChangeDetectionStrategy, Component, ElementRef, computed, inject } from '@angular/core';
import {
  compareCounts,
  divideExactly,
  getLeast,
  isSameAmount,
  judgeBand,
  readKeptAmount,
  type Amount,
  type BandStanding,
} from '#core/count/index';
import type { Dialect } from '#core/dialect/index';
import { succeed, type Outcome } from '#core/problem/index';
import { getProjectTitle, type SearchState, type Variant } from '#core/project/index';
import { getAmount, type Counted } from '../../counting/count-state';
import { describeGap } from '../../counting/describe-count';
import { readCount } from '../../counting/read-count';
import { DraftCounts } from '../../counting/draft-counts';
import { writeMoment } from '../../data/clock-and-ids';
import { saveFile } from '../../data/save-file';
import { FreezeVariant } from '../../freezing/freeze-variant';
import { OpenProject } from '../../state/open-project';
import { CountComponent } from '../../records/count.component';
import { formatAmount } from '../../ui/number-format';
import { drawTable, writeCsv, type TableCells } from '../../ui/table-file';
import { CompareSubject } from '../../comparing/compare-subject';
import { CountingBarComponent } from '../../comparing/counting-bar.component';
import { MustFindCounts } from '../../comparing/must-find-counts';
import { follow } from '../parts/waiting';
import { KeptChoices } from '../kept-choices';
import { VariantActionsComponent } from './variant-actions.component';
import { VariantsBarComponent } from './variants-bar.component';
import { describeRatio, type VariantCell, type VariantRow } from './variant-row';
import { listVariantTable } from './variants-file';
import { VariantsTogether, describeTogether, isSameTogether } from './variants-together';
import { countAncestors, describeLimits, describeSince, sortByDescent } from './variant-order';
import { DatabaseHeadingComponent } from '../../ui/database-heading.component';
import { Messages } from '../../ui/messages';
import { createFileName } from '../../ui/file-name';
import { SayPipe } from '../../words/say.pipe';
import { say } from '../../words/say';

const DRAFT = 'draft';
/** Only what is surely in the band is marked so. */
const BAND_WORDS: Readonly<Record<BandStanding, '' | 'in' | 'out'>> = {
  'no-band': '',
  in: 'in',
  below: 'out',
  above: 'out',
  unsure: '',
};

/** The variants beside each other: counts within each database, and what they find together. */
@Component({
  selector: 'app-variants-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    CountComponent,
    CountingBarComponent,
    DatePipe,
    DatabaseHeadingComponent,
    VariantActionsComponent,
    VariantsBarComponent,
    MatButton,
  ],
  providers: [VariantsTogether],
  templateUrl: './variants-table.component.html',
  styleUrl: './variants-table.component.scss',
})
export class VariantsTableComponent {
  protected readonly open = inject(OpenProject);
  protected readonly choices = inject(KeptChoices);
  private readonly subject = inject(CompareSubject);
  private readonly draftCounts = inject(DraftCounts);
  private readonly mustFinds = inject(MustFindCounts);
  private readonly uniter = inject(VariantsTogether);
  private readonly freezing = inject(FreezeVariant);
  private readonly messages = inject(Messages);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  /** All that any variant searches. */
  protected readonly every = computed(() => {
    const ids = new Set([
      ...this.open.working().databases,
      ...this.open.project().variants.flatMap((variant) => variant.frozen.databases),
    ]);
    return this.draftCounts.findDialects([...ids]);
  });
  protected readonly dialects = computed(() =>
    this.every().filter(({ id }) => !this.choices.hiddenColumns().has(id)),
  );
  protected readonly hasMustFinds = computed(() => this.mustFinds.mustFinds().length > 0);

  protected readonly rows = computed(() => {
    const hidden = this.choices.hiddenVariants();
    const rows = sortByDescent(this.open.project().variants)
      .filter(({ id }) => !hidden.has(id))
      .map((variant) => this.describeVariant(variant));
    return this.sortRows(rows);
  });
  protected readonly draftRow = computed<VariantRow>(() => {
    const compared = this.open.compared();
    const counts = new Map(this.draftCounts.draft().map(({ dialect, counted }) => [dialect.id, counted]));
    const state = this.open.working();
    return {
      id: DRAFT,
      name: say('compare.draft'),
      variant: undefined,
      state,
      depth: 0,
      from: undefined,
      since: compared ? describeSince(compared.frozen, state) : '',
      limits: '',
      isCompared: false,
      cells: this.dialects().map((dialect) =>
        this.describeCell(dialect, counts.get(dialect.id), state, undefined),
      ),
      ...this.describeRecall(state),
    };
  });
  protected readonly asked = computed(() =>
    [...this.rows(), this.draftRow()].flatMap(({ cells, state }) => [
      ...cells.flatMap(({ counted, dialect }) => (state.databases.includes(dialect.id) ? [counted] : [])),
      ...(this.hasMustFinds() ? this.mustFinds.summarise(state, this.dialects()).asked : []),
    ]),
  );

  /** The works of each row over all databases, or bounds where one gives numbers only. */
  private readonly together = follow(
    () =>
      this.choices.showsTogether() ? [...this.rows(), this.draftRow()].map(describeTogether) : undefined,
    async (rows): Promise<Outcome<ReadonlyMap<string, string>>> => {
      const found = new Map<string, string>();
      for (const row of rows) found.set(row.id, await this.uniter.unite(row));
      return succeed(found);
    },
    isSameTogether,
  );
  protected readonly togetherOf = computed(() => {
    const answer = this.together();
    const found = answer.status === 'done' && answer.outcome.ok ? answer.outcome.value : undefined;
    return (id: string): string => found?.get(id) ?? '…';
  });

  protected openVariant(variant: Variant): void {
    this.open.change({ kind: 'open-variant', id: variant.id });
    this.messages.show(say('compare.isTheDraftNowName', { name: variant.name }), () => {
      this.open.undo();
    });
  }

  /** Keys on a row: F freezes the draft, N makes the next variant from this one, C compares with it. */
  protected takeKey(event: KeyboardEvent, row: VariantRow): void {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target !== event.currentTarget) return;
    const keys: Readonly<Record<string, () => void>> = {
      f: () => this.freezing.freeze(this.freezing.proposeName(), ''),
      n: () => {
        if (row.variant) this.openVariant(row.variant);
      },
      c: () => this.open.change({ kind: 'compare-with', id: row.variant?.id }),
    };
    const act = keys[event.key.toLowerCase()];
    if (!act) return;
    event.preventDefault();
    act();
  }

  protected saveTable(): void {
    saveFile(
      `${createFileName(getProjectTitle(this.open.project()))}-variants.csv`,
      writeCsv(
        listVariantTable([...this.rows(), this.draftRow()], {
          compared: this.open.compared()?.name,
          moment: writeMoment(this.open.now()),
        }),
      ),
      'text/csv',
    );
  }

  protected async savePicture(): Promise<void> {
    const style = getComputedStyle(this.host.nativeElement);
    const colour = (name: string): string => {
      this.host.nativeElement.style.outlineColor = `var(${name})`;
      const found = getComputedStyle(this.host.nativeElement).outlineColor;
      this.host.nativeElement.style.outlineColor = '';
      return found;
    };
    const picture = await drawTable(
      getProjectTitle(this.open.project()),
      this.listCells(),
      style.fontFamily,
      {
        ink: colour('--ink'),
        paper: colour('--paper'),
        rule: colour('--rule'),
      },
    );
    if (picture)
      saveFile(`${createFileName(getProjectTitle(this.open.project()))}-variants.png`, picture, 'image/png');
  }

  private listCells(): TableCells {
    const extra = [
      ...(this.choices.showsTogether() ? [say('compare.allDatabasesDuplicatesRemoved')] : []),
      ...(this.hasMustFinds() ? [say('compare.mustFindsWords')] : []),
    ];
    const head = [
      say('compare.variantWords'),
      say('compare.madeBy'),
      ...this.dialects().flatMap(({ name }) => [name, say('compare.difference')]),
      ...extra,
    ];
    const rows = [...this.rows(), this.draftRow()].map((row) => [
      row.name,
      row.since,
      ...row.cells.flatMap(({ counted, below }) => {
        const state = counted?.state;
        return [state?.status === 'counted' ? formatAmount(state.amount) : '', below];
      }),
      ...(this.choices.showsTogether() ? [this.togetherOf()(row.id)] : []),
      ...(this.hasMustFinds() ? [row.recall] : []),
    ]);
    return [head, ...rows];
  }

  private sortRows(rows: readonly VariantRow[]): readonly VariantRow[] {
    const sort = this.choices.sort();
    if (sort === 'descent') return rows;
    if (sort === 'name') return rows.toSorted((a, b) => a.name.localeCompare(b.name));
    if (sort === 'date') {
      // By the order in which they were frozen: a clock may have been set back since.
      const places = new Map(this.open.project().variants.map(({ id }, place) => [id, place]));
      const placeOf = ({ variant }: VariantRow): number => places.get(variant?.id ?? '') ?? -1;
      return rows.toSorted((a, b) => placeOf(b) - placeOf(a));
    }
    if (sort === 'recall') return rows.toSorted((a, b) => b.recallCount - a.recallCount);
    const read = ({ cells }: VariantRow): number => {
      const amount = getAmount(cells.find(({ dialect }) => dialect.id === sort)?.counted?.state);
      return amount ? getLeast(amount) : -1;
    };
    return rows.toSorted((a, b) => read(b) - read(a));
  }

  private describeVariant(variant: Variant): VariantRow {
    const { variants } = this.open.project();
    const compared = this.open.compared();
    const parent = variants.find((other) => other.id === variant.parent);
    const isEqual = this.choices.onEqualTerms().has(variant.id) && compared !== undefined;
    const state = isEqual ? { ...variant.frozen, limiters: compared.frozen.limiters } : variant.frozen;
    const isCompared = variant.id === compared?.id;
    return {
      id: variant.id,
      name: variant.name,
      variant,
      state,
      depth: this.choices.sort() === 'descent' ? countAncestors(variant, variants) : 0,
      from: parent?.name,
      since: variant.note || (parent ? describeSince(parent.frozen, variant.frozen) : variant.frozen.draft),
      limits: isEqual
        ? say('compare.countedUnderTheLimitersOf', { name: compared.name })
        : isSameLimiters(state.limiters, this.open.limiters())
          ? ''
          : describeLimits(state),
      isCompared,
      cells: this.dialects().map((dialect) => {
        const isSearched = variant.frozen.databases.includes(dialect.id);
        const counted = !isSearched
          ? undefined
          : isEqual
            ? this.subject.look(
                { root: this.subject.read(variant.frozen), limiters: state.limiters },
                dialect,
              )
            : this.draftCounts.peekAt(variant, dialect);
        return this.describeCell(dialect, counted, state, variant);
      }),
      ...this.describeRecall(state),
    };
  }

  private describeCell(
    dialect: Dialect,
    counted: Counted | undefined,
    state: SearchState,
    variant: Variant | undefined,
  ): VariantCell {
    const compared = this.open.compared();
    const base = compared?.frozen.databases.includes(dialect.id)
      ? this.draftCounts.peekAt(compared, dialect)
      : undefined;
    const isSelf = variant !== undefined && variant.id === compared?.id;
    const [now, then] = [readCount(counted), readCount(base)];
    const ratio = isSelf ? undefined : divideExactly(now, then);
    const amount = getAmount(counted?.state);
    const band = this.open.working().bands[dialect.id] ?? {};
    return {
      dialect,
      counted,
      compared: !isSelf && counted && base ? compareCounts(now, then) : undefined,
      isSearched: state.databases.includes(dialect.id),
      below: isSelf && counted ? say('compare.comparedWithThis') : describeGap(counted, base),
      ratio: ratio === undefined ? '' : describeRatio(ratio),
      band: amount && now.status === 'known' && !now.basis.omitted ? BAND_WORDS[judgeBand(amount, band)] : '',
      then: this.describeThen(variant, dialect, amount),
    };
  }

  /** What was found on the day that the variant was frozen, if that is not what is found today. */
  private describeThen(variant: Variant | undefined, { id }: Dialect, amount: Amount | undefined): string {
    if (!variant || !amount) return '';
    const tally = this.open
      .project()
      .tallies.find((one) => one.variant === variant.id && one.database === id && one.source === 'measured');
    if (!tally || !isSameLimiters(tally.limiters, variant.frozen.limiters)) return '';
    const kept = readKeptAmount(tally);
    return isSameAmount(kept, amount)
      ? ''
      : say('compare.countOnDay', { count: formatAmount(kept), day: tally.moment.slice(0, 10) });
  }

  private describeRecall(state: SearchState): { recall: string; recallCount: number } {
    if (!this.hasMustFinds()) return { recall: '', recallCount: 0 };
    const { found, there, isKnown, groups } = this.mustFinds.summarise(state, this.dialects());
    const together = groups.map((group) =>
      say('compare.inDatabaseOf', {
        database: shortenName(group.dialect),
        found: group.found,
        there: group.there,
      }),
    );
    const each = there > 0 || together.length === 0 ? [say('compare.ofFound', { found, there })] : [];
    return { recall: isKnown ? [...each, ...together].join('; ') : '…', recallCount: found };
  }
}
