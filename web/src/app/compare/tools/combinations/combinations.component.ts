import { TableActionsComponent } from '../../../comparing/table-actions.component';
import type { TableCells } from '../../../ui/table-file';
import { describeCell } from '../../../counting/describe-count';
import { MatTooltip } from '@angular/material/tooltip';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MAX_COMBINED, deriveCounts, findNearest, listBits, listCombinations } from '#core/compare/index';
import { countExactly, getAmount, getProved, isOfSomethingElse } from '#core/count/index';
import { createConceptQuery, getConceptLetter } from '#core/project/index';
import { dropInactive, type QueryNode } from '#core/query/index';
import type { Dialect } from '#core/dialect/index';
import type { Counted } from '../../../counting/count-state';
import { CountComponent } from '../../../records/count.component';
import { getHueClass } from '../../../ui/hues';
import { formatAmount, formatNumber, placeOnLogScale } from '../../../ui/number-format';
import { CompareSubject } from '../../../comparing/compare-subject';
import { KeptChoices } from '../../kept-choices';
import { CountingBarComponent } from '../../../comparing/counting-bar.component';
import { DatabaseChoiceComponent } from '../../parts/database-choice.component';
import { readCount } from '../../../counting/read-count';
import { mapSliced } from '../../../comparing/sliced';
import { DatabaseHeadingComponent } from '../../../ui/database-heading.component';
import { PairTableComponent } from './pair-table.component';
import { SayPipe } from '../../../words/say.pipe';
import { say } from '../../../words/say';

/** Up to so many concepts, what holds just some of them is drawn. */
const MAX_DRAWN = 5;
/** Rows of combinations that are shown before the rest is asked for. */
const FIRST_ROWS = 24;

/** Something that can be combined: a concept, or a piece of the query that is none. */
interface Combined {
  readonly key: string;
  readonly letter: string;
  readonly name: string;
  readonly hue: string;
  readonly root: QueryNode;
  /** The query joins it by AND. */
  readonly isInQuery: boolean;
}

/** Every combination of up to eight concepts: which exist in the literature, and which do not. */
@Component({
  selector: 'app-combinations',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    CountComponent,
    CountingBarComponent,
    DatabaseChoiceComponent,
    DatabaseHeadingComponent,
    MatButton,
    MatCheckbox,
    MatTooltip,
    PairTableComponent,
    TableActionsComponent,
  ],
  templateUrl: './combinations.component.html',
  styleUrls: ['../../../comparing/tools.scss', './combinations.component.scss'],
})
export class CombinationsComponent {
  protected readonly subject = inject(CompareSubject);
  private readonly choices = inject(KeptChoices);
  protected readonly showsAll = signal(false);

  /** What the query joins by AND, then the other concepts that are on: combining these asks something else. */
  protected readonly all = computed<Combined[]>(() => {
    const { concepts } = this.subject.state();
    const own = concepts.map((concept, place) => ({
      block: concept.block,
      isOn: !concept.off && concept.terms.some(({ off }) => !off),
      key: concept.id,
      letter: getConceptLetter(place),
      name: concept.name,
      hue: getHueClass(place),
      root: createConceptQuery(concept),
    }));
    const required = this.subject.members().filter(({ sign }) => sign === 'and');
    const asked = required.map(({ words, block, root }, at): Combined => {
      const concept = own.find((one) => one.block === block);
      return concept
        ? { ...concept, isInQuery: true }
        : { key: `text ${words}`, letter: `+${at + 1}`, name: words, hue: 'hue-g', root, isInQuery: true };
    });
    const others = own
      .filter(({ block, isOn }) => isOn && !required.some((member) => member.block === block))
      .map((concept): Combined => ({ ...concept, isInQuery: false }));
    return [...asked, ...others];
  });
  /** What the query takes away is taken away from every combination. */
  protected readonly excluded = computed(() => this.subject.members().filter(({ sign }) => sign === 'not'));
  protected readonly excludedWords = computed(() =>
    this.excluded()
      .map(({ words }) => words)
      .join(', '),
  );
  /** What the query asks for is combined until it is unticked, other concepts once they are ticked. */
  protected readonly used = computed(() =>
    this.all()
      .filter(({ key, isInQuery }) => this.choices.notCombined().has(key) !== isInQuery)
      .slice(0, MAX_COMBINED),
  );
  /** All together, the combined are the query itself. */
  protected readonly isQuery = computed(
    () =>
      this.used().length === this.all().filter(({ isInQuery }) => isInQuery).length &&
      this.used().every(({ isInQuery }) => isInQuery),
  );
  protected readonly togetherWords = computed(() =>
    say(this.isQuery() ? 'compare.allTogether' : 'compare.theseTogether', { count: this.used().length }),
  );
  protected readonly isUsed = (key: string): boolean => this.used().some((one) => one.key === key);
  protected readonly mostCombined = MAX_COMBINED;

  private readonly combinations = mapSliced(
    () =>
      listCombinations(
        this.used().map(({ root }) => root),
        this.excluded().map(({ root }) => root),
      ),
    (combination) => ({ ...combination, root: this.subject.share(combination.root) }),
  );
  private readonly counted = computed(() =>
    this.combinations().made.map((combination) => ({
      ...combination,
      cells: this.subject.dialects().map((dialect) => ({
        dialect,
        ...this.lookAt(combination, dialect),
      })),
    })),
  );
  protected readonly asked = computed<(Counted | undefined)[]>(() =>
    this.counted().flatMap(({ bits, cells }) =>
      // What follows from other counts is nothing to ask for: by hand that saves strings.
      cells.flatMap(({ dialect, counted }) =>
        counted?.byHand && dialect === this.subject.database() && this.known().has(bits) ? [] : [counted],
      ),
    ),
  );
  private readonly known = computed(() => {
    const database = this.subject.database();
    const totals = this.counted().flatMap(({ bits, cells }) => {
      const cell = cells.find(({ dialect }) => dialect === database);
      const total = getProved(readCount(cell?.counted));
      return total === undefined ? [] : [[bits, total] as const];
    });
    return deriveCounts(new Map(totals), this.used().length);
  });
  private readonly exact = computed(() => countExactly(this.known(), this.used().length));

  protected readonly rows = computed(() => {
    const known = this.known();
    const exact = this.used().length <= MAX_DRAWN ? this.exact() : undefined;
    const rows = this.counted().map(({ bits, members, cells }) => ({
      bits,
      name: members.map((member) => this.used()[member]?.name ?? '').join(' + '),
      marks: this.used().map((_, at) => members.includes(at)),
      cells,
      derived: known.get(bits),
      exact: exact?.get(bits),
      share: placeOnLogScale(exact?.get(bits) ?? known.get(bits) ?? 0),
    }));
    return this.showsAll() ? rows : rows.slice(0, FIRST_ROWS);
  });
  /** The table of all combinations, those that are not shown among them. */
  protected readonly cells = computed<TableCells>(() => [
    [...this.used().map(({ name }) => name), ...this.subject.dialects().map(({ name }) => name)],
    ...this.counted().map(({ members, cells }) => [
      ...this.used().map((_, at) => say(members.includes(at) ? 'compare.withWords' : 'compare.without')),
      ...cells.map(({ counted, remark }) => remark || describeCell(counted)),
    ]),
  ]);
  protected readonly hidden = computed(() => this.counted().length - this.rows().length);
  protected readonly drawsExact = computed(
    () => this.used().length <= MAX_DRAWN && this.exact() !== undefined,
  );
  /** Two by two, in the database shown. */
  protected readonly pairs = computed(() =>
    this.used().map((row, a) => ({
      row,
      cells: this.used().map((_, b) => {
        const bits = (1 << a) | (1 << b);
        return { isSame: a === b, isNone: this.known().get(bits) === 0, words: this.describePair(bits) };
      }),
    })),
  );
  protected readonly absent = computed(() =>
    this.counted()
      .filter(({ members, bits }) => members.length === 2 && this.known().get(bits) === 0)
      .map(({ members }) => members.map((member) => this.used()[member]?.name ?? '').join(' and ')),
  );
  protected readonly nearest = computed(() => {
    const size = this.used().length;
    const all = this.known().get(2 ** size - 1);
    if (size < 2 || all === undefined) return undefined;
    const { nearest, widen, without } = findNearest(this.known(), size);
    const [first] = nearest;
    const nameAll = (bits: number): string =>
      listBits(bits)
        .map((at) => this.used()[at]?.name ?? '')
        .join(' + ');
    return {
      all,
      nearest: first && { name: nameAll(first.bits), count: first.count },
      widen: widen === undefined ? undefined : this.used()[widen]?.name,
      without,
    };
  });

  /** A combination takes no part in a database that some of it is not meant for: without that it asks something else. */
  private lookAt({ root, members }: { root: QueryNode; members: readonly number[] }, dialect: Dialect) {
    const elsewhere = members
      .map((member) => this.used()[member])
      .filter((one) => one && dropInactive(one.root, dialect.id) === undefined);
    if (elsewhere.length > 0)
      return {
        counted: undefined,
        remark: say('compare.isNotMeantForIt', { name: elsewhere[0]?.name ?? '' }),
      };
    return {
      counted: this.subject.look({ root, limiters: this.subject.state().limiters }, dialect),
      remark: '',
    };
  }

  /** A pair in the database shown: its number, what follows from other counts, or a dash where none will come. */
  private describePair(bits: number): string {
    const known = this.known().get(bits);
    if (known !== undefined) return formatNumber(known);
    const cell = this.counted()
      .find((one) => one.bits === bits)
      ?.cells.find(({ dialect }) => dialect === this.subject.database());
    if (cell?.remark) return '–';
    const count = readCount(cell?.counted);
    const amount = getAmount(count);
    // As beside every number of something else.
    const sign = isOfSomethingElse(count) ? ' !' : '';
    return amount ? formatAmount(amount) + sign : count.status === 'pending' ? '…' : '–';
  }

  protected toggle(key: string): void {
    this.choices.toggle('notCombined', key);
  }

  protected labelOf(name: string, { name: database }: Dialect): string {
    return say('shared.in', { name, database });
  }
}
