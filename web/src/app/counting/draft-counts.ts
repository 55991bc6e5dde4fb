import { Injectable, computed, inject } from '@angular/core';
import { createSharedDraft } from '#core/compare/draft/index';
import { createDraftQuery, type Variant } from '#core/project/index';
import type { Dialect } from '#core/dialect/index';
import type { QueryNode } from '#core/query/index';
import { OpenProject } from '../state/open-project';
import { waitFor, type Counted } from './count-state';
import { Counts } from './counts';

/** One database's count of the draft, and of the compared variant. */
export interface DatabaseCount {
  readonly dialect: Dialect;
  readonly counted: Counted;
  readonly compared: Counted | undefined;
}

/** The draft and the compared variant in each chosen database: what the gauges show. */
@Injectable({ providedIn: 'root' })
export class DraftCounts {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  /** Variants never change: each is read once. */
  private readonly variants = new WeakMap<Variant, QueryNode>();

  /** The draft on the trees of its terms: after a change, what is the same in it is not written anew. */
  readonly root = computed(() => createSharedDraft(this.open.working()));

  readonly draft = computed<DatabaseCount[]>(() => {
    if (!this.open.maybe()) return [];
    const root = this.root();
    const variant = this.open.compared();
    const isAhead = this.open.isTextAhead();
    const look = (dialect: Dialect): Counted => this.counts.look(root, dialect, this.open.limiters());
    return this.open.dialects().map((dialect) => ({
      dialect,
      // Beside a text that is newer than the draft, its numbers are numbers of before.
      counted: isAhead ? waitFor(look(dialect)) : look(dialect),
      compared: variant && this.counts.look(this.readVariant(variant), dialect, variant.frozen.limiters),
    }));
  });

  /** The draft with every piece at its place in the text, where that is shown. The strings are the same. */
  readonly draftInText = computed(() => {
    const { root } = this.open.draft();
    return this.open
      .dialects()
      .map((dialect) => ({ dialect, counted: this.counts.look(root, dialect, this.open.limiters()) }));
  });

  /** A frozen variant in one database, under its own limiters; its count is not asked for. */
  peekAt(variant: Variant, dialect: Dialect): Counted {
    return this.counts.peek(this.readVariant(variant), dialect, variant.frozen.limiters);
  }

  private readVariant(variant: Variant): QueryNode {
    const known = this.variants.get(variant);
    if (known) return known;
    const { root } = createDraftQuery(variant.frozen, variant.frozen.databases);
    this.variants.set(variant, root);
    return root;
  }

  findDialects(ids: readonly string[]): Dialect[] {
    return ids.flatMap((id) => this.open.findDialect(id) ?? []);
  }
}
