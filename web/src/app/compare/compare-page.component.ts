import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { MatSnackBar } from '@angular/material/snack-bar';
import { createSharedDraft, describeDifference, listSingleChanges } from '#core/compare/index';
import { isSameLimiters, listLimiters, type Dialect } from '#core/dialect/index';
import type { SearchState, Variant } from '#core/project/index';
import { describeGap } from '../counting/count-gap';
import { CountStore, getExactTotal, listWishes, type Counted } from '../counting/count-store';
import { DraftCounts } from '../counting/draft-counts';
import {
  FreezeDialogComponent,
  type FreezeAnswer,
  type FreezeQuestion,
} from '../shell/freeze-dialog.component';
import { OpenProject } from '../state/open-project';
import { CountComponent } from '../ui/count.component';
import { IconComponent } from '../ui/icon.component';
import { formatDifference } from '../ui/number-format';

/** So many changes are counted one by one. */
const MOST_COUNTED = 60;
/** A row names so many changes; the rest is counted. */
const MOST_CHANGES = 4;

type State = SearchState;

/** The variants beside each other, each database by itself, and what changed between two of them. */
@Component({
  selector: 'app-compare-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CountComponent, DatePipe, IconComponent, MatMenu, MatMenuItem, MatMenuTrigger],
  templateUrl: './compare-page.component.html',
  styleUrl: './compare-page.component.scss',
})
export class ComparePageComponent {
  protected readonly open = inject(OpenProject);
  private readonly counts = inject(CountStore);
  private readonly draftCounts = inject(DraftCounts);
  private readonly snackBar = inject(MatSnackBar);
  private readonly dialog = inject(MatDialog);

  protected readonly dialects = computed(() => {
    const ids = new Set([
      ...this.open.working().databases,
      ...this.open.project().variants.flatMap((variant) => variant.frozen.databases),
    ]);
    return this.draftCounts.findDialects([...ids]);
  });
  protected readonly rows = computed(() => {
    const compared = this.open.compared();
    return sortByDescent(this.open.project().variants).map((variant) =>
      this.describeVariant(variant, compared),
    );
  });
  protected readonly draftRow = computed(() => {
    const compared = this.open.compared();
    const counts = new Map(this.draftCounts.draft().map(({ dialect, counted }) => [dialect.id, counted]));
    return {
      since: compared ? this.describeSince(compared.frozen, this.open.working()) : '',
      cells: this.dialects().map((dialect) =>
        this.describeCell(dialect, counts.get(dialect.id), compared, this.open.working(), false),
      ),
    };
  });
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
  /** What changed between them, as queries: made once, so that each is written and counted once. */
  private readonly singles = computed(() => {
    const [from, to] = [this.from(), this.to()].map((id) => this.findState(id));
    if (!from || !to) return undefined;
    const changes = listSingleChanges(from, to).slice(0, MOST_COUNTED);
    const start = { root: createSharedDraft(from), limiters: from.limiters };
    return changes.map((change) => ({ change, start, root: createSharedDraft(change.state) }));
  });
  /** Each change with what it does alone. */
  protected readonly changes = computed(() =>
    this.singles()?.map(({ change, start, root }) => ({
      ...change,
      cells: this.dialects().map((dialect) => ({
        dialect,
        before: this.counts.lookLater(start.root, dialect, start.limiters),
        after: this.counts.lookLater(root, dialect, change.state.limiters),
      })),
    })),
  );

  constructor() {
    this.counts.follow(listWishes(() => this.rows().flatMap((row) => row.cells.map((cell) => cell.counted))));
    this.counts.follow(
      listWishes(() =>
        (this.changes() ?? []).flatMap(({ cells }) => cells.flatMap(({ before, after }) => [before, after])),
      ),
    );
  }

  protected describeChange({
    before,
    after,
  }: {
    before: Counted | undefined;
    after: Counted | undefined;
  }): string {
    const [then, now] = [before, after].map((counted) => getExactTotal(counted?.state));
    return then === undefined || now === undefined ? '' : formatDifference(now - then);
  }

  private findState(id: string): State | undefined {
    if (id === 'draft') return this.open.working();
    return this.open.project().variants.find((variant) => variant.id === id)?.frozen;
  }

  protected openVariant(variant: Variant): void {
    this.open.change({ kind: 'open-variant', id: variant.id });
    this.snackBar
      .open(`“${variant.name}” is the draft now`, 'Undo', { duration: 6_000 })
      .onAction()
      .subscribe(() => {
        this.open.undo();
      });
  }

  protected rename({ id, name, note }: Variant): void {
    this.dialog
      .open<FreezeDialogComponent, FreezeQuestion, FreezeAnswer>(FreezeDialogComponent, {
        data: { name, note, isThere: true },
        width: '420px',
      })
      .afterClosed()
      .subscribe((answer) => {
        if (answer) this.open.change({ kind: 'rename-variant', id, ...answer });
      });
  }

  protected remove(variant: Variant): void {
    const { compared, variants } = this.open.project();
    const at = variants.indexOf(variant);
    const children = variants.filter((other) => other.parent === variant.id).map((other) => other.id);
    this.open.change({ kind: 'remove-variant', id: variant.id });
    this.snackBar
      .open(`“${variant.name}” removed`, 'Undo', { duration: 8_000 })
      .onAction()
      .subscribe(() => {
        this.open.change({ kind: 'restore-variant', variant, at, children });
        if (compared === variant.id) this.open.change({ kind: 'compare-with', id: variant.id });
      });
  }

  private describeVariant(variant: Variant, compared: Variant | undefined) {
    const isCompared = variant.id === compared?.id;
    const parent = this.open.project().variants.find((other) => other.id === variant.parent);
    const cells = this.dialects().map((dialect) => {
      const counted = variant.frozen.databases.includes(dialect.id)
        ? this.draftCounts.lookAt(variant, dialect)
        : undefined;
      return this.describeCell(dialect, counted, compared, variant.frozen, isCompared);
    });
    const limits = isSameLimiters(variant.frozen.limiters, this.open.limiters())
      ? ''
      : describeLimits(variant.frozen);
    return {
      variant,
      from: parent?.name,
      depth: this.countAncestors(variant),
      isCompared,
      cells,
      limits,
      since:
        variant.note || (parent ? this.describeSince(parent.frozen, variant.frozen) : variant.frozen.draft),
    };
  }

  /** How many variants a variant descends from. */
  private countAncestors(variant: Variant): number {
    const variants = new Map(this.open.project().variants.map((other) => [other.id, other]));
    const seen = new Set([variant.id]);
    let now = variants.get(variant.parent ?? '');
    for (; now && !seen.has(now.id); now = variants.get(now.parent ?? '')) seen.add(now.id);
    return seen.size - 1;
  }

  private describeCell(
    dialect: Dialect,
    counted: Counted | undefined,
    compared: Variant | undefined,
    state: State,
    isCompared: boolean,
  ) {
    const base = compared?.frozen.databases.includes(dialect.id)
      ? this.draftCounts.lookAt(compared, dialect)
      : undefined;
    const below = isCompared
      ? 'compared'
      : describeGap(
          counted?.state,
          base?.state,
          compared !== undefined && !isSameLimiters(compared.frozen.limiters, state.limiters),
        );
    return { dialect, counted, below };
  }

  private describeSince(from: State, to: State): string {
    const { added, removed, other } = describeDifference(from, to);
    const changes = [...added.map((item) => `+ ${item}`), ...removed.map((item) => `− ${item}`), ...other];
    if (changes.length === 0) return 'nothing changed';
    const more = changes.length > MOST_CHANGES ? ` and ${changes.length - MOST_CHANGES} more` : '';
    return changes.slice(0, MOST_CHANGES).join(', ') + more;
  }
}

/** Parents before what was made from them, branches one after the other. */
function sortByDescent(variants: readonly Variant[]): Variant[] {
  const known = new Set(variants.map(({ id }) => id));
  const sorted: Variant[] = [];
  const add = (variant: Variant): void => {
    if (sorted.includes(variant)) return;
    sorted.push(variant);
    variants.filter(({ parent }) => parent === variant.id).forEach(add);
  };
  variants.filter(({ parent }) => parent === undefined || !known.has(parent)).forEach(add);
  variants.forEach(add);
  return sorted;
}

function describeLimits(state: State): string {
  return `limited to ${
    listLimiters(state.limiters)
      .map(({ value }) => value)
      .join(', ') || 'nothing'
  }`;
}
