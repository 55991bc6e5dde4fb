import { Injectable, signal } from '@angular/core';

/** What of the variants table is shown, and in which order; kept while the page is open. */
@Injectable({ providedIn: 'root' })
export class VariantChoices {
  /** By descent, name, date, must-finds, or the short name of a database: then by its counts. */
  readonly sort = signal('descent');
  readonly hiddenVariants = signal<ReadonlySet<string>>(new Set());
  readonly hiddenColumns = signal<ReadonlySet<string>>(new Set());
  /** The works of all databases together are fetched and told apart. */
  readonly showsTogether = signal(false);
  /** Variants that are counted under the limiters of the one compared with. */
  readonly onEqualTerms = signal<ReadonlySet<string>>(new Set());

  toggle(list: 'hiddenVariants' | 'hiddenColumns' | 'onEqualTerms', id: string): void {
    this[list].update((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  }
}
