import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { writeQuery } from '#core/dialect/index';
import { createProbableQuery, findProbable } from '#core/must-finds/index';
import type { MustFind } from '#core/project/index';
import type { BibliographicRecord } from '#core/record/index';
import { CompareSubject } from '../comparing/compare-subject';
import { MustFindCounts } from '../comparing/must-find-counts';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';

/** Of so many records that share words with a title, the nearest is offered. */
const FETCHED = 25;

/** Works that are probably meant by must-finds that no database has under their title: a slip, or no subtitle. */
@Injectable()
export class ProbableWorks {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(MustFindCounts);
  private readonly subject = inject(CompareSubject);
  private readonly connections = inject(Connections);
  private readonly found = signal<ReadonlyMap<string, BibliographicRecord>>(new Map());
  private readonly asked = new Set<string>();

  /** Must-finds that are in none of the databases that are looked at. */
  private readonly absent = computed(() =>
    this.counts
      .standings()
      .filter(({ cells }) => cells.length > 0 && cells.every(({ standing }) => standing === 'not-there'))
      .map(({ mustFind }) => mustFind),
  );

  constructor() {
    effect(() => {
      for (const mustFind of this.absent()) untracked(() => void this.look(mustFind));
    });
  }

  /** The work that is probably meant; nothing if none is near, or while that is not known. */
  find(mustFind: string): BibliographicRecord | undefined {
    return this.found().get(mustFind);
  }

  /** The must-find is this work: it takes its title and identifier. */
  confirm({ id, isFromQuery, isAside }: MustFind, { title, doi }: BibliographicRecord): void {
    const confirmed: MustFind = {
      id,
      title,
      ...(doi !== undefined && { identifier: doi }),
      ...(isFromQuery && { isFromQuery }),
      ...(isAside && { isAside }),
    };
    this.open.change({ kind: 'remove-must-finds', ids: [id] });
    this.open.change({ kind: 'add-must-finds', mustFinds: [confirmed] });
    this.found.update((found) => new Map([...found].filter(([key]) => key !== id)));
  }

  private async look({ id, title }: MustFind): Promise<void> {
    const key = `${id} ${title}`;
    if (this.asked.has(key)) return;
    this.asked.add(key);
    const root = createProbableQuery(title);
    if (!root) return;
    const near: BibliographicRecord[] = [];
    for (const dialect of this.subject.dialects()) {
      const { parts, sentLimiters, problems } = writeQuery(root, dialect, {});
      if (problems.some(({ severity }) => severity === 'error') || !parts[0]) continue;
      for (const { text: string } of parts) {
        const page = { string, sentLimiters, start: 0, rows: FETCHED, sort: 'relevance' } as const;
        const answer = await this.connections.find(dialect.id).ask('search', page);
        if (answer.ok) near.push(...answer.value.records);
      }
    }
    const record = findProbable(title, near);
    if (record) this.found.update((found) => new Map(found).set(id, record));
  }
}
