import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { createJudgementKey } from '#core/compare/index';
import type { Facets } from '#core/contract/index';
import type { Problem } from '#core/problem/index';
import type { Judgement, Verdict } from '#core/project/index';
import { traceReading } from '#core/reading/index';
import { type BibliographicRecord } from '#core/record/index';
import { createRecordKeys, type RecordKeys } from '#core/record/same-work/index';
import { Connections } from '../state/connections';
import { fetchByNumbers } from '../state/fetch-records';
import { Judging } from '../records/judging';
import { OpenProject } from '../state/open-project';
import { PAGE, askPage, isSameAsked, type Asked } from './asked-page';
import { drawWorks, fetchWorks, listWorks, type FoundWork } from './found-works';
import { countVerdicts, listByVerdict, pickJudged, type JudgedCounts } from './judged-records';
import { ReadSubject } from './read-subject';

/** Pages that are kept; what was scrolled past long ago comes again. */
const MAX_PAGES = 40;
/** So many records that were judged before are fetched to learn from. */
const MAX_JUDGED = 500;
/** So many pages are asked for at a time where all are wanted. */
const AHEAD = 4;
/** Servers give no records from beyond this place on. */
const MAX_START = 1_000_000;

/** A record of the list: at its place, from a database, with what was said of it. */
export interface ListedRecord {
  readonly at: number;
  readonly record: BibliographicRecord;
  readonly database: string;
  /** The databases that have the work, as far as they were asked. */
  readonly databases: readonly string[];
  readonly key: string;
  readonly judgement: Judgement | undefined;
}

type Pages = ReadonlyMap<number, readonly (BibliographicRecord | undefined)[]>;

/** How the list stands. */
interface Found {
  readonly total: number;
  /** How many places the list has: of an estimate, as far as pages have shown. */
  readonly places: number;
  readonly isEstimated: boolean;
  readonly facets: Facets | undefined;
  /** Nothing sorts, filters or counts these records: they are as they come. */
  readonly isPlain: boolean;
  /** The works in their order, where they are known by numbers: a sample, or several databases together. */
  readonly works: readonly FoundWork[] | undefined;
  /** How many works a sample was drawn from. */
  readonly sampledFrom: number | undefined;
  /** The records before those that the sample was drawn from: they were read from the top. */
  readonly readBefore: readonly (BibliographicRecord | undefined)[];
  readonly pages: Pages;
}

/** The records that are read: fetched a page at a time as they come into sight. */
@Injectable()
export class ReadRecords {
  private readonly subject = inject(ReadSubject);
  private readonly open = inject(OpenProject);
  private readonly connections = inject(Connections);

  private readonly found = signal<Found | undefined>(undefined);
  readonly problem = signal<Problem | undefined>(undefined);
  private loading = new AbortController();
  private readonly wanted = new Set<number>();
  /** What pages are asked with: what is asked, with the numbers of the records that were judged so. */
  private running: Asked | undefined;
  /** How many records of the set are judged, as last counted. */
  readonly judgedCounts = signal<JudgedCounts | undefined>(undefined);

  private readonly asked = computed<Asked | undefined>(
    () => {
      const sets = this.subject.sets();
      if (sets.length === 0) return undefined;
      const filters = this.subject.filters();
      return {
        sets,
        request: {
          sort: this.subject.sort(),
          ...(filters.length > 0 && { filters }),
          ...(sets[0]?.numbers && { among: { numbers: sets[0].numbers } }),
        },
        sample: this.subject.sample(),
        behind: this.subject.behind(),
        judged: this.subject.judged(),
      };
    },
    { equal: (one, other) => isSameAsked(one, other) },
  );

  /** Nothing while the first page is on its way. */
  readonly total = computed(() => this.found()?.total);
  readonly isEstimated = computed(() => this.found()?.isEstimated ?? false);
  readonly facets = computed(() => this.found()?.facets);
  readonly isPlain = computed(() => this.found()?.isPlain ?? false);
  readonly sampledFrom = computed(() => this.found()?.sampledFrom);
  /** Records of the set that were judged before it was asked for. */
  private readonly earlier = signal<readonly BibliographicRecord[]>([]);
  /** The same with what is said of them now; their places in the list are not known. */
  readonly judgedElsewhere = computed<readonly ListedRecord[]>(() =>
    this.earlier().map((record) => this.describe(record, -1)),
  );
  private readonly judged = inject(Judging).finder;
  /** The verdicts of a sample in the order in which it was drawn; nothing where none is drawn, or not here yet. */
  readonly sampled = computed(() =>
    this.sampledFrom() === undefined || !this.found()?.pages.has(0)
      ? undefined
      : this.list().map((record, at) => record && this.describe(record, at).judgement?.verdict),
  );
  /** How the list was read from its top, as far as its records are here. */
  readonly readSoFar = computed(() => {
    const found = this.found();
    const records = found?.sampledFrom === undefined ? this.list() : found.readBefore;
    return traceReading(this.listVerdicts(records));
  });

  /** One by one, for only the beginning is looked at. */
  private *listVerdicts(
    records: readonly (BibliographicRecord | undefined)[],
  ): Generator<Verdict | undefined> {
    for (const [at, record] of records.entries())
      yield record && this.describe(record, at).judgement?.verdict;
  }

  /** What the list shows: a place for each record, filled as far as they are there. */
  readonly list = computed<readonly (BibliographicRecord | undefined)[]>(() => {
    const found = this.found();
    if (!found) return [];
    const list = new Array<BibliographicRecord | undefined>(found.places).fill(undefined);
    for (const [page, records] of found.pages)
      records.forEach((record, at) => {
        if (page * PAGE + at < list.length) list[page * PAGE + at] = record;
      });
    return list;
  });
  /** All records that are here, each with what was said of it. */
  readonly loaded = computed<readonly ListedRecord[]>(() =>
    [...(this.found()?.pages ?? [])]
      .sort(([one], [other]) => one - other)
      .flatMap(([page, records]) =>
        records.flatMap((record, at) => (record ? [this.describe(record, page * PAGE + at)] : [])),
      ),
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
    const asked = this.running;
    if (!asked || !this.found()) return;
    for (let page = Math.floor(start / PAGE); page * PAGE < end; page++) void this.loadPage(asked, page);
  }

  /** Sees to it that all records are here that were read from the top. */
  async loadRead(): Promise<void> {
    for (;;) {
      const { read } = this.readSoFar().at(-1)!;
      const page = Math.floor(read / PAGE);
      const asked = this.running;
      if (!asked || read >= this.list().length || this.list()[read] || this.wanted.has(page)) return;
      await this.loadPage(asked, page);
    }
  }

  /**
   * The first records of the list, as many as are wanted, whether they are on the page or not. `tell` hears how many
   * are there, and ends it by saying no. What could not be had is left out.
   */
  async fetchFirst(most: number, tell: (done: number) => boolean): Promise<readonly BibliographicRecord[]> {
    const records: BibliographicRecord[] = [];
    if (!tell(0)) return records;
    for await (const some of this.fetchAll(this.loading.signal)) {
      records.push(...some);
      if (records.length >= most || !tell(records.length)) break;
    }
    return records.slice(0, most);
  }

  /** All records of the list in their order, some at a time, until one cannot be had. A few requests run ahead. */
  async *fetchAll(stop: AbortSignal): AsyncGenerator<readonly BibliographicRecord[]> {
    const pages = Math.ceil(this.list().length / PAGE);
    const running: Promise<readonly BibliographicRecord[] | undefined>[] = [];
    for (let page = 0, asked = 0; page < pages && !stop.aborted; page++) {
      while (asked < Math.min(pages, page + AHEAD)) running.push(this.fetchPage(asked++, stop));
      const records = await running.shift();
      if (!records || stop.aborted) return;
      yield records;
    }
  }

  /** The records of a page, whether they are in the list or not; nothing if they cannot be had. */
  private async fetchPage(
    page: number,
    stop: AbortSignal,
  ): Promise<readonly BibliographicRecord[] | undefined> {
    const asked = this.running;
    const found = this.found();
    if (!asked || !found) return undefined;
    const isThere = (record: BibliographicRecord | undefined) => record !== undefined;
    const known = found.pages.get(page);
    if (known) return known.filter(isThere);
    if (found.works)
      return (await this.fetch(found.works.slice(page * PAGE, (page + 1) * PAGE), stop)).filter(isThere);
    const { outcome } = await askPage(asked, page, found.isPlain, stop);
    return outcome.ok ? outcome.value.records : undefined;
  }

  tryAgain(): void {
    this.begin(this.asked());
  }

  /** The keys of records, made once for each: a list is described again with every page that comes. */
  private readonly keys = new WeakMap<BibliographicRecord, RecordKeys>();

  private findJudgement(key: string, record: BibliographicRecord): Judgement | undefined {
    let keys = this.keys.get(record);
    if (!keys) this.keys.set(record, (keys = createRecordKeys(record)));
    return this.judged()(key, keys);
  }

  private describe(record: BibliographicRecord, at: number): ListedRecord {
    const databases = this.found()?.works?.[at]?.places.map(({ database }) => database) ?? [];
    const database = databases[0] ?? this.subject.dialect()?.id ?? '';
    const key = createJudgementKey(database, record.id);
    return { at, record, database, databases, key, judgement: this.findJudgement(key, record) };
  }

  private begin(asked: Asked | undefined): void {
    this.loading.abort();
    this.loading = new AbortController();
    this.wanted.clear();
    this.found.set(undefined);
    this.problem.set(undefined);
    this.judgedCounts.set(undefined);
    this.earlier.set([]);
    this.running = asked;
    if (!asked) return;
    if (asked.sample !== undefined || asked.sets.length > 1) void this.listAll(asked);
    else if (asked.judged.length > 0) void this.beginJudged(asked);
    else void this.loadPage(asked, 0);
    if (asked.sets.length === 1 && asked.sample === undefined) void this.loadJudged(asked);
  }

  /** Only records that were judged so when the list was asked for: judging does not make them go away. */
  private async beginJudged(asked: Asked): Promise<void> {
    const { signal: stop } = this.loading;
    const found = await listByVerdict(asked.sets[0]!, asked.request.filters, untracked(this.judged), stop);
    if (stop.aborted) return;
    if (!found.ok) return this.problem.set(found.problem);
    const among = pickJudged(found.value, asked.judged, asked.request.among !== undefined);
    this.running = { ...asked, request: { ...asked.request, among } };
    void this.loadPage(this.running, 0);
  }

  /** Fetches the records of the set that were judged before and are not on the first page: they are learnt from. */
  private async loadJudged(asked: Asked): Promise<void> {
    const { signal: stop } = this.loading;
    const [set] = asked.sets;
    const judgements = untracked(() => Object.keys(this.open.project().judgements).length);
    if (!set || judgements === 0) return;
    const known = await set.connection.whenKnown();
    if (stop.aborted || !known.ok || !known.value.offers.has('ids')) return;
    const found = await listByVerdict(set, asked.request.filters, untracked(this.judged), stop);
    if (stop.aborted || !found.ok) return;
    const numbers = found.value.flatMap(({ number, judged }) =>
      judged === 'on' || judged === 'off' ? [number] : [],
    );
    const records = await fetchByNumbers(set.connection, numbers.slice(0, MAX_JUDGED), stop);
    if (!stop.aborted) this.earlier.set(records.filter((record) => record !== undefined));
  }

  /** Counts how many records of the set were judged each way, under the filters. */
  async countJudged(): Promise<void> {
    const asked = this.asked();
    if (!asked) return;
    const { signal: stop } = this.loading;
    const found = await listByVerdict(asked.sets[0]!, asked.request.filters, untracked(this.judged), stop);
    if (stop.aborted || !found.ok) return;
    this.judgedCounts.set(countVerdicts(found.value));
  }

  /** All works by their numbers, or a sample of them; then the first page. */
  private async listAll(asked: Asked): Promise<void> {
    const { signal: stop } = this.loading;
    const { sample, behind, request } = asked;
    const { filters, sort } = request;
    const listed = await listWorks(
      asked.sets,
      // Several databases come one after the other in the list, and so they do here.
      { ...(filters && { filters }), ...(behind !== undefined && asked.sets.length === 1 && { sort }) },
      stop,
      untracked(this.open.project).sameWork,
    );
    if (stop.aborted) return;
    if (!listed.ok) return this.problem.set(listed.problem);
    const unread = listed.value.slice(behind ?? 0);
    const works = sample === undefined ? listed.value : drawWorks(unread, sample);
    const readBefore = await this.fetch(listed.value.slice(0, behind ?? 0), stop);
    if (stop.aborted) return;
    this.found.set({
      total: works.length,
      places: works.length,
      isEstimated: false,
      facets: undefined,
      isPlain: true,
      works,
      sampledFrom: sample === undefined ? undefined : unread.length,
      readBefore,
      pages: new Map(),
    });
    // A sample is judged as a whole, so it is here as a whole.
    this.want(0, sample === undefined ? PAGE : works.length);
  }

  private async loadPage(asked: Asked, page: number): Promise<void> {
    if (this.wanted.has(page) || page * PAGE > MAX_START) return;
    this.wanted.add(page);
    const { signal: stop } = this.loading;
    const found = this.found();
    if (found?.works) {
      const some = found.works.slice(page * PAGE, (page + 1) * PAGE);
      const records = await this.fetch(some, stop);
      if (!stop.aborted) this.keep(page, records);
      return;
    }
    const answer = await askPage(asked, page, found?.isPlain ?? false, stop);
    if (stop.aborted) return;
    if (!answer.outcome.ok) {
      this.wanted.delete(page);
      return this.problem.set(answer.outcome.problem);
    }
    const { total, estimated, facets, records } = answer.outcome.value;
    this.problem.set(undefined);
    this.found.update((before) => ({
      total,
      places: estimated ? findEnd(before?.places ?? total, page, records.length) : total,
      isEstimated: estimated,
      facets: before?.facets ?? facets,
      isPlain: answer.isPlain,
      works: undefined,
      sampledFrom: undefined,
      readBefore: [],
      pages: before?.pages ?? new Map(),
    }));
    this.keep(page, records);
  }

  private fetch(
    works: readonly FoundWork[],
    stop: AbortSignal,
  ): Promise<readonly (BibliographicRecord | undefined)[]> {
    return fetchWorks(works, (database) => this.connections.find(database), stop);
  }

  private keep(page: number, records: readonly (BibliographicRecord | undefined)[]): void {
    this.found.update((found) => {
      if (!found) return found;
      const pages = new Map(found.pages).set(page, records);
      const [oldest] = pages.keys();
      if (pages.size > MAX_PAGES && oldest !== undefined && found.sampledFrom === undefined) {
        pages.delete(oldest);
        this.wanted.delete(oldest);
      }
      return { ...found, pages };
    });
  }
}

/** Where a list ends of which only an estimate is known: a page that is not full is the last, behind a full one more may come. */
function findEnd(before: number, page: number, found: number): number {
  const end = page * PAGE + found;
  return found < PAGE ? end : Math.max(before, end + 1);
}
