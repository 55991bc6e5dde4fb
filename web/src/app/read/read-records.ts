import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { createJudgementKey, drawRecords } from '#core/compare/index';
import { FACETS, MAX_ROWS, type Facets, type SearchAnswer, type SearchRequest } from '#core/contract/index';
import type { Problem } from '#core/problem/index';
import type { Judgement } from '#core/project/index';
import { createJudgementFinder } from '#core/reading/index';
import type { BibliographicRecord } from '#core/record/index';
import type { Connection } from '../data/connections/connection';
import { fetchByNumbers } from '../state/fetch-records';
import { OpenProject } from '../state/open-project';
import { ReadSubject } from './read-subject';

/** So many records come at a time. */
export const PAGE = 50;
/** Pages that are kept; what was scrolled past long ago comes again. */
const MAX_PAGES = 40;

/** A record of the list: at its place, with what was said of it. */
export interface ListedRecord {
  readonly at: number;
  readonly record: BibliographicRecord;
  readonly key: string;
  readonly judgement: Judgement | undefined;
}

/** How the list stands. */
interface Found {
  readonly total: number;
  readonly isEstimated: boolean;
  readonly facets: Facets | undefined;
  /** The database cannot sort, filter or count by facets: the list is as it gives it. */
  readonly isPlain: boolean;
  readonly pages: ReadonlyMap<number, readonly BibliographicRecord[]>;
}

interface Asked {
  readonly connection: Connection;
  readonly request: Omit<SearchRequest, 'start' | 'rows' | 'facets'>;
  readonly sample: number | undefined;
}

/** The records that are read: fetched a page at a time as they come into sight, or drawn as a sample. */
@Injectable()
export class ReadRecords {
  private readonly subject = inject(ReadSubject);
  private readonly open = inject(OpenProject);

  private readonly found = signal<Found | undefined>(undefined);
  readonly problem = signal<Problem | undefined>(undefined);
  private readonly drawn = signal<
    { readonly size: number; readonly records: readonly (BibliographicRecord | undefined)[] } | undefined
  >(undefined);
  private loading = new AbortController();
  private readonly wanted = new Set<number>();
  private readonly tries = signal(0);

  private readonly asked = computed<Asked | undefined>(
    () => {
      this.tries();
      const connection = this.subject.connection();
      const countKey = this.subject.countKey();
      const [string, ...further] = this.subject.strings();
      if (!connection || !countKey || string === undefined || this.subject.isByHand()) return undefined;
      const filters = this.subject.filters();
      const { sentLimiters } = countKey;
      return {
        connection,
        request: {
          string,
          sentLimiters,
          sort: this.subject.sort(),
          ...(further.length > 0 && { further }),
          ...(filters.length > 0 && { filters }),
        },
        sample: this.subject.sample(),
      };
    },
    { equal: (one, other) => one?.connection === other?.connection && write(one) === write(other) },
  );

  /** Nothing while the first page is on its way. */
  readonly total = computed(() => this.drawn()?.records.length ?? this.found()?.total);
  readonly isEstimated = computed(() => this.drawn() === undefined && (this.found()?.isEstimated ?? false));
  readonly facets = computed(() => this.found()?.facets);
  readonly isPlain = computed(() => this.found()?.isPlain ?? false);
  /** How many records the sample was drawn from. */
  readonly sampledFrom = computed(() => this.drawn()?.size);
  readonly isWaiting = computed(
    () => this.asked() !== undefined && this.total() === undefined && this.problem() === undefined,
  );
  private readonly judged = computed(() => createJudgementFinder(this.open.project().judgements));

  /** What the list shows: a place for each record, filled as far as they are there. */
  readonly list = computed<readonly (BibliographicRecord | undefined)[]>(() => {
    const drawn = this.drawn();
    if (drawn) return drawn.records;
    const found = this.found();
    if (!found) return [];
    const list = new Array<BibliographicRecord | undefined>(found.total).fill(undefined);
    for (const [page, records] of found.pages)
      records.forEach((record, at) => {
        if (page * PAGE + at < list.length) list[page * PAGE + at] = record;
      });
    return list;
  });
  /** All records that are here, each with what was said of it. */
  readonly loaded = computed<readonly ListedRecord[]>(() =>
    this.list().flatMap((record, at) => (record ? [this.describe(record, at)] : [])),
  );

  constructor() {
    inject(DestroyRef).onDestroy(() => this.loading.abort());
    effect(() => {
      const asked = this.asked();
      untracked(() => this.begin(asked));
    });
  }

  /** A record at a place; nothing while it is not here. */
  find(at: number): ListedRecord | undefined {
    const record = this.list()[at];
    return record && this.describe(record, at);
  }

  /** Sees to it that the records of a stretch of the list come. */
  want(start: number, end: number): void {
    const asked = this.asked();
    if (!asked || this.drawn() || !this.found()) return;
    for (let page = Math.floor(start / PAGE); page * PAGE < end; page++) void this.loadPage(asked, page);
  }

  tryAgain(): void {
    this.tries.update((tries) => tries + 1);
    this.begin(this.asked());
  }

  private describe(record: BibliographicRecord, at: number): ListedRecord {
    const key = createJudgementKey(this.subject.dialect()?.id ?? '', record.id);
    return { at, record, key, judgement: this.judged()(key, record) };
  }

  private begin(asked: Asked | undefined): void {
    this.loading.abort();
    this.loading = new AbortController();
    this.wanted.clear();
    this.found.set(undefined);
    this.drawn.set(undefined);
    this.problem.set(undefined);
    if (!asked) return;
    if (asked.sample !== undefined) void this.draw(asked, asked.sample);
    else void this.loadPage(asked, 0);
  }

  private async loadPage(asked: Asked, page: number): Promise<void> {
    if (this.wanted.has(page) || page * PAGE > MAX_START) return;
    this.wanted.add(page);
    const { signal: stop } = this.loading;
    const isPlain = this.found()?.isPlain ?? false;
    const answer = await this.askPage(asked, page, isPlain, stop);
    if (stop.aborted) return;
    if (!answer.ok) {
      this.wanted.delete(page);
      this.problem.set(answer.problem);
      return;
    }
    const { value, wasPlain } = answer;
    this.problem.set(undefined);
    this.found.update((found) => ({
      total: value.total,
      isEstimated: value.estimated,
      facets: found?.facets ?? value.facets,
      isPlain: wasPlain,
      pages: this.keepPages(found?.pages, page, value.records),
    }));
  }

  /** One page; of a database that cannot sort or filter, as it comes. */
  private async askPage(
    { connection, request }: Asked,
    page: number,
    isPlain: boolean,
    stop: AbortSignal,
  ): Promise<
    | { readonly ok: true; readonly value: SearchAnswer; readonly wasPlain: boolean }
    | { readonly ok: false; readonly problem: Problem }
  > {
    const paged = { ...request, start: page * PAGE, rows: Math.min(PAGE, MAX_ROWS) };
    if (!isPlain) {
      const full = await connection.ask('search', { ...paged, ...(page === 0 && { facets: FACETS }) }, stop);
      if (full.ok) return { ...full, wasPlain: false };
      if (full.problem.code !== 'not-offered' || request.filters || request.further) return full;
    }
    const plain = await connection.ask('search', { ...paged, sort: 'relevance' }, stop);
    return plain.ok ? { ...plain, wasPlain: true } : plain;
  }

  private keepPages(
    pages: Found['pages'] | undefined,
    page: number,
    records: readonly BibliographicRecord[],
  ): Found['pages'] {
    const kept = new Map(pages).set(page, records);
    const [oldest] = kept.keys();
    if (kept.size > MAX_PAGES && oldest !== undefined) {
      kept.delete(oldest);
      this.wanted.delete(oldest);
    }
    return kept;
  }

  /** Draws records at random from the whole set, without filters: the same ones whenever it is asked for. */
  private async draw({ connection, request }: Asked, size: number): Promise<void> {
    const { signal: stop } = this.loading;
    const { string, further = [], sentLimiters } = request;
    const answers = await Promise.all(
      [string, ...further].map((one) => connection.ask('ids', { string: one, sentLimiters }, stop)),
    );
    if (stop.aborted) return;
    const failed = answers.find((answer) => !answer.ok);
    if (failed && !failed.ok) return this.problem.set(failed.problem);
    const numbers = [...new Set(answers.flatMap((answer) => (answer.ok ? answer.value.numbers : [])))];
    numbers.sort((a, b) => a - b);
    const records = await fetchByNumbers(connection, drawRecords(numbers, size), stop);
    if (!stop.aborted) this.drawn.set({ size: numbers.length, records });
  }
}

/** Servers give no records from beyond this place on. */
const MAX_START = 1_000_000;

function write(asked: Asked | undefined): string {
  return asked ? JSON.stringify([asked.request, asked.sample]) : '';
}
