import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { MAX_ROWS } from '#core/contract/index';
import { DIALECTS, writeQuery, type Dialect } from '#core/dialect/index';
import { build } from '#core/query/index';
import type { BibliographicRecord } from '#core/record/index';
import {
  chooseTelling,
  createPartQuery,
  gatherSimilar,
  hasPart,
  listTellingParts,
  weigh,
  type SimilarStep,
  type SimilarWork,
  type TrailStart,
} from '#core/trail/index';
import type { Connection } from '../data/connections/connection';
import { EVERY_RECORD } from '../own-records/take-collection';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';
import { findStart } from './find-start';
import { TrailWorks } from './trail-works';

/** Of so many references of a work, those that are cited least, the other works that cite them are looked at. */
const MOST_REFERENCES = 40;
/** So many of the records that have its rarest words are looked at, the best first. */
const MOST_RECORDS = 2 * MAX_ROWS;
/** So many similar works are shown. */
export const MOST_SIMILAR = 200;

/** How looking for similar works stands. */
interface Looking {
  readonly starts: readonly TrailStart[];
  readonly steps: readonly SimilarStep[];
  readonly done: number;
  readonly all: number;
  readonly failed: readonly string[];
}

/** Works that are like those that a trail starts from: they cite the same works, or share rare words and headings. */
@Injectable()
export class SimilarWorks {
  private readonly trail = inject(TrailWorks);
  private readonly open = inject(OpenProject);
  private readonly connections = inject(Connections);
  private running = new AbortController();

  /** They are looked for only once somebody wants to see them. */
  readonly isWanted = signal(false);
  private readonly looking = signal<Looking | undefined>(undefined);
  readonly progress = computed(() => {
    const looking = this.looking();
    return looking && looking.done < looking.all ? looking : undefined;
  });
  readonly isDone = computed(() => {
    const looking = this.looking();
    return looking !== undefined && looking.done === looking.all;
  });
  readonly failed = computed(() => this.looking()?.failed ?? []);
  readonly works = computed<readonly SimilarWork[]>(() => {
    const looking = this.looking();
    if (!looking) return [];
    return gatherSimilar(looking.starts, looking.steps, this.open.project().sameWork).slice(0, MOST_SIMILAR);
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.running.abort());
    effect(() => {
      const starts = this.isWanted() ? this.trail.starts() : [];
      untracked(() => void this.look(starts));
    });
  }

  tryAgain(): void {
    void this.look(this.trail.starts());
  }

  /** Looks in the chosen databases, and in those that know citations. */
  private async look(starts: readonly TrailStart[]): Promise<void> {
    this.running.abort();
    this.running = new AbortController();
    const { signal: stop } = this.running;
    this.looking.set(undefined);
    if (starts.length === 0) return;
    const chosen = this.open.dialects();
    const own = this.open.working().ownDatabases.map(({ dialect }) => dialect);
    const asked: Dialect[] = [];
    for (const dialect of [...DIALECTS, ...own]) {
      const { id } = dialect;
      if (!(await this.connections.offers(id, 'ids'))) continue;
      const isChosen = chosen.some((one) => one.id === id);
      if (isChosen || (await this.connections.offers(id, 'citations'))) asked.push(dialect);
    }
    if (stop.aborted) return;
    this.looking.set({ starts, steps: [], done: 0, all: starts.length * asked.length, failed: [] });
    for (const [at, start] of starts.entries())
      for (const dialect of asked) {
        const steps = await this.lookIn(dialect, start, at, stop);
        if (stop.aborted) return;
        this.looking.update(
          (before) =>
            before && {
              ...before,
              steps: [...before.steps, ...(steps ?? [])],
              done: before.done + 1,
              failed:
                steps || before.failed.includes(dialect.name)
                  ? before.failed
                  : [...before.failed, dialect.name],
            },
        );
      }
  }

  /** What is like one work in one database; nothing where the database did not answer. */
  private async lookIn(
    dialect: Dialect,
    start: TrailStart,
    place: number,
    stop: AbortSignal,
  ): Promise<readonly SimilarStep[] | undefined> {
    const connection = this.connections.find(dialect.id);
    const number = await findStart(connection, dialect, start, stop);
    if (!number.ok) return undefined;
    if (number.value === undefined) return [];
    const fetched = await connection.ask('records', { numbers: [number.value] }, stop);
    const [record] = fetched.ok ? fetched.value.records : [];
    const traits = await connection.whenKnown();
    if (!record || !traits.ok) return undefined;
    const total = traits.value.records ?? (await countAll(connection, stop));
    if (total === undefined) return undefined;
    const put = (step: Pick<SimilarStep, 'part' | 'records'>): SimilarStep => ({
      start: place,
      database: dialect.id,
      ...step,
    });
    const [byWords, byReferences] = [
      await this.lookByWords(connection, dialect, record, total, stop),
      traits.value.offers.has('citations')
        ? await this.lookByReferences(connection, number.value, total, stop)
        : [],
    ];
    return byWords && byReferences ? [...byWords, ...byReferences].map(put) : undefined;
  }

  /** Records that share rare words and headings, by what the database counts for each of them. */
  private async lookByWords(
    connection: Connection,
    dialect: Dialect,
    record: BibliographicRecord,
    total: number,
    stop: AbortSignal,
  ): Promise<readonly Pick<SimilarStep, 'part' | 'records'>[] | undefined> {
    const written = listTellingParts(record).flatMap((part) => {
      const root = createPartQuery(part);
      const rendering = root && writeQuery(root, dialect, {});
      const [only, ...more] = rendering?.parts ?? [];
      return root && only && more.length === 0 && !rendering?.omitted
        ? [{ part, root, string: only.text }]
        : [];
    });
    if (written.length === 0) return [];
    const strings = written.map(({ string }) => string);
    const counted = await connection.ask('count', { strings, sentLimiters: {} }, stop);
    if (!counted.ok) return undefined;
    const counts = counted.value.map((entry) => ('total' in entry ? entry.total : undefined));
    const chosen = chooseTelling(
      written.map(({ part }) => part),
      counts,
      total,
    );
    const roots = written.flatMap(({ part, root }) =>
      chosen.some(({ kind, text }) => kind === part.kind && text === part.text) ? [root] : [],
    );
    if (roots.length === 0) return [];
    const { parts, sentLimiters } = writeQuery(build.any(roots), dialect, {});
    const records: BibliographicRecord[] = [];
    for (const { text: string } of parts)
      for (let start = 0; start < MOST_RECORDS; start += MAX_ROWS) {
        const page = { string, sentLimiters, start, rows: MAX_ROWS, sort: 'relevance' } as const;
        const answer = await connection.ask('search', page, stop);
        if (!answer.ok) return undefined;
        records.push(...answer.value.records);
        if (start + MAX_ROWS >= answer.value.total) break;
      }
    return chosen.map((part) => ({ part, records: records.filter((one) => hasPart(one, part)) }));
  }

  /** Records that cite the same works, from the references that are cited least. */
  private async lookByReferences(
    connection: Connection,
    record: number,
    total: number,
    stop: AbortSignal,
  ): Promise<readonly Pick<SimilarStep, 'part' | 'records'>[] | undefined> {
    const page = { start: 0, rows: MAX_ROWS } as const;
    const cited = await connection.ask('citations', { record, ...page, direction: 'references' }, stop);
    if (!cited.ok) return undefined;
    const { records, numbers = [] } = cited.value;
    const references = records
      .map((one, at) => ({ title: one.title, number: numbers[at], times: one.cited?.times ?? 0 }))
      .sort((a, b) => a.times - b.times)
      .slice(0, MOST_REFERENCES);
    const found: Pick<SimilarStep, 'part' | 'records'>[] = [];
    for (const { title, number } of references) {
      if (number === undefined) continue;
      const citing = await connection.ask(
        'citations',
        { record: number, ...page, direction: 'citedby' },
        stop,
      );
      if (!citing.ok) return undefined;
      const part = { kind: 'reference' as const, text: title, weight: weigh(citing.value.total, total) };
      found.push({ part, records: citing.value.records });
    }
    return found;
  }
}

/** How many records there are in a collection of one's own, which does not say it by itself. */
async function countAll(connection: Connection, stop: AbortSignal): Promise<number | undefined> {
  const counted = await connection.ask('count', { strings: [EVERY_RECORD], sentLimiters: {} }, stop);
  const [entry] = counted.ok ? counted.value : [];
  return entry && 'total' in entry ? entry.total : undefined;
}
