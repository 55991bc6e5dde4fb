import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { MatSnackBar } from '@angular/material/snack-bar';
import { describeDifference } from '#core/compare/index';
import { isSameLimiters, listLimiters, type Dialect } from '#core/dialect/index';
import type { SearchState, Variant } from '#core/project/index';
import { describeGap } from '../counting/count-gap';
import { CountStore, listWishes, type Counted } from '../counting/count-store';
import { DraftCounts } from '../counting/draft-counts';
import { OpenProject } from '../state/open-project';
import { CountComponent } from '../ui/count.component';
import { IconComponent } from '../ui/icon.component';

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

  protected readonly dialects = computed(() => {
    const ids = new Set([
      ...this.open.working().databases,
      ...this.open.project().variants.flatMap((variant) => variant.frozen.databases),
    ]);
    return this.draftCounts.findDialects([...ids]);
  });
  protected readonly rows = computed(() => {
    const compared = this.open.compared();
    const variants = this.open
      .project()
      .variants.map((variant, place, all) => this.describeVariant(variant, all[place - 1], compared));
    return variants;
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
  /** What changed from the compared variant to the draft, in terms. */
  protected readonly difference = computed(() => {
    const compared = this.open.compared();
    return compared && { name: compared.name, ...describeDifference(compared.frozen, this.open.working()) };
  });

  constructor() {
    this.counts.follow(listWishes(() => this.rows().flatMap((row) => row.cells.map((cell) => cell.counted))));
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

  private describeVariant(variant: Variant, before: Variant | undefined, compared: Variant | undefined) {
    const isCompared = variant.id === compared?.id;
    const parent = this.open.project().variants.find((other) => other.id === variant.parent) ?? before;
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
      isCompared,
      cells,
      limits,
      since:
        variant.note || (parent ? this.describeSince(parent.frozen, variant.frozen) : variant.frozen.draft),
    };
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

function describeLimits(state: State): string {
  return `limited to ${
    listLimiters(state.limiters)
      .map(({ value }) => value)
      .join(', ') || 'nothing'
  }`;
}
