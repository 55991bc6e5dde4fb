import { Injectable, computed, inject } from '@angular/core';
import { createDraftQuery, type Variant } from '#core/project/index';
import { findDialect, type Dialect } from '#core/dialect/index';
import { OpenProject } from '../state/open-project';
import { CountStore, type Counted } from './count-store';

/** The draft and the compared variant in each chosen database: what the gauges show. */
@Injectable({ providedIn: 'root' })
export class DraftCounts {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(CountStore);

  readonly draft = computed<{ dialect: Dialect; counted: Counted; compared: Counted | undefined }[]>(() => {
    if (!this.open.maybe()) return [];
    const { root } = this.open.draft();
    const variant = this.open.compared();
    return this.open.dialects().map((dialect) => ({
      dialect,
      counted: this.counts.look(root, dialect, this.open.limiters()),
      compared: variant && this.lookAt(variant, dialect),
    }));
  });

  /** A frozen variant in one database, under its own limiters. */
  lookAt(variant: Variant, dialect: Dialect): Counted {
    const { root } = createDraftQuery(variant.frozen, variant.frozen.databases);
    return this.counts.look(root, dialect, variant.frozen.limiters);
  }

  findDialects(ids: readonly string[]): Dialect[] {
    return ids.flatMap((id) => findDialect(id) ?? []);
  }
}
