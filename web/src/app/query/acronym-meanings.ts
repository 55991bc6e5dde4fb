import { Injectable, inject, signal } from '@angular/core';
import { describeTermKind } from '#core/project/index';
import { parseQuery } from '#core/query/index';
import { findLongForms } from '#core/suggest/index';
import { fetchRecords } from '../state/fetch-records';
import { OpenProject } from '../state/open-project';
import { Connections } from '../state/connections';

/** A long form in fewer records is more likely a chance. */
const LEAST_RECORDS = 2;
const MAX_RECORDS = 300;

/** What the acronyms of a project mean in records: looked up once each, when there is time. */
@Injectable()
export class AcronymMeanings {
  private readonly open = inject(OpenProject);
  private readonly connections = inject(Connections);
  private readonly asked = new Set<string>();
  readonly known = signal<ReadonlyMap<string, readonly string[]>>(new Map());

  /** Looks up the acronyms that are not known yet. */
  async look(): Promise<void> {
    const [dialect] = this.open.dialects();
    if (!dialect) return;
    for (const term of this.open.concepts().flatMap((concept) => concept.terms)) {
      if (term.off || describeTermKind(term) !== 'acronym' || this.asked.has(term.text)) continue;
      this.asked.add(term.text);
      const records = await fetchRecords(
        this.connections.find(dialect.id),
        parseQuery(term.text).root,
        dialect,
        {},
        MAX_RECORDS,
      );
      const forms = findLongForms(term.text, records).filter((form) => form.records >= LEAST_RECORDS);
      this.known.update((known) =>
        new Map(known).set(
          term.text,
          forms.map((form) => form.text),
        ),
      );
    }
  }
}
