import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute } from '@angular/router';
import { createSharedDraft } from '#core/compare/draft/index';
import { MAX_ROWS, listKeys, type CitationDirection } from '#core/contract/index';
import { DIALECTS, type Dialect } from '#core/dialect/index';
import type { BibliographicRecord } from '#core/record/index';
import type { RecordKeys } from '#core/record/same-work/index';
import {
  createFoundTest,
  gatherTrail,
  type TrailStart,
  type TrailStep,
  type TrailWork,
} from '#core/trail/index';
import { Counts } from '../counting/counts';
import { listParts, type CountKey } from '../counting/count-state';
import { EVERY_RECORD } from '../own-records/take-collection';
import { readTrail, type TrailAddress } from '../records/trail-address';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';
import { say } from '../words/say';
import { findStart } from './find-start';

/** So many records are followed from one work each way. */
const MAX_FOLLOWED = 1_000;
const BOTH: readonly CitationDirection[] = ['citedby', 'references'];

/** Where a start stands in the databases that know citations. */
export interface StartStanding {
  readonly start: TrailStart;
  /** The names of the databases that have it; nothing while that is not known. */
  readonly databases: readonly string[] | undefined;
}

/** How following stands. */
interface Following {
  readonly starts: readonly TrailStart[];
  readonly standings: readonly StartStanding[];
  readonly steps: readonly TrailStep[];
  readonly done: number;
  readonly all: number;
  /** The names of databases that did not answer, or not to the end. */
  readonly failed: readonly string[];
  /** There were more citations than are followed. */
  readonly isCut: boolean;
}

/** The works that citations lead to from the works of the address, fetched from each database that knows citations. */
@Injectable()
export class TrailWorks {
  private readonly open = inject(OpenProject);
  private readonly connections = inject(Connections);
  private readonly counts = inject(Counts);
  private readonly fragment = toSignal(inject(ActivatedRoute).fragment, { initialValue: null });
  private running = new AbortController();

  readonly address = computed(() => readTrail(this.fragment()));
  readonly starts = computed(() => this.address().from);
  readonly direction = signal<CitationDirection | 'both'>('both');
  readonly directions = computed(() => {
    const direction = this.direction();
    return direction === 'both' ? BOTH : [direction];
  });
  private readonly following = signal<Following | undefined>(undefined);
  readonly progress = computed(() => {
    const following = this.following();
    return following && following.done < following.all ? following : undefined;
  });
  readonly standings = computed(() => this.following()?.standings ?? []);
  readonly failed = computed(() => this.following()?.failed ?? []);
  readonly isCut = computed(() => this.following()?.isCut ?? false);
  /** No database that can be asked knows citations, and there is no list of them. */
  readonly hasNone = computed(() => this.following()?.all === 0);

  /** What the draft finds, in the databases that told it. */
  private readonly found = signal<Found | undefined>(undefined);
  /** Whether the draft finds a work; nothing while that is not known, or where no database tells it. */
  readonly isFound = computed(() => {
    const found = this.found();
    return found && found.compared > 0 ? createFoundTest(found.keys) : undefined;
  });
  /** It is being looked up what the draft finds. */
  readonly isComparing = computed(() => this.found() === undefined);
  /** The names of chosen databases of which it is not known what the draft finds there: it may find works there. */
  readonly uncompared = computed(() => this.found()?.uncompared ?? []);
  readonly works = computed<readonly TrailWork[]>(() => {
    const following = this.following();
    if (!following) return [];
    const wanted = this.directions();
    const steps = following.steps.filter(({ direction }) => wanted.includes(direction));
    return gatherTrail(following.starts, steps, this.open.project().sameWork);
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.running.abort());
    effect(() => {
      const address = this.address();
      untracked(() => void this.follow(address));
    });
    effect(() => {
      const asked = this.askedDraft();
      untracked(() => void this.listFound(asked));
    });
  }

  /** Follows citations again. */
  tryAgain(): void {
    void this.follow(this.address());
  }

  private async follow({ from: starts, citing = [] }: TrailAddress): Promise<void> {
    this.running.abort();
    this.running = new AbortController();
    const { signal: stop } = this.running;
    this.following.set(undefined);
    if (starts.length === 0) return;
    const own = this.open.working().ownDatabases.map(({ dialect }) => dialect);
    const knowing: Dialect[] = [];
    for (const dialect of [...DIALECTS, ...own])
      if (await this.connections.offers(dialect.id, 'citations')) knowing.push(dialect);
    if (stop.aborted) return;
    const standings = starts.map((start) => ({ start, databases: undefined }));
    const all = starts.length * knowing.length + citing.length;
    this.following.set({ starts, standings, steps: [], done: 0, all, failed: [], isCut: false });
    for (const [at, start] of starts.entries())
      for (const dialect of knowing) {
        const step = await this.followOne(start, at, dialect, stop);
        if (stop.aborted) return;
        this.following.update((before) => before && addStep(before, at, dialect.name, step));
      }
    for (const database of citing) {
      const step = await this.readList(database, stop);
      if (stop.aborted) return;
      const name =
        this.open.findDialect(database)?.name ?? say('trail.aListThatIsNotHere', { code: database });
      this.following.update((before) => before && addStep(before, 0, name, step));
    }
  }

  /** A list of citing records that a person brought: all records of a collection. */
  private async readList(database: string, stop: AbortSignal): Promise<OneStep> {
    const connection = this.connections.find(database);
    const records: BibliographicRecord[] = [];
    let total = 1;
    while (records.length < Math.min(total, MAX_FOLLOWED)) {
      const page = { string: EVERY_RECORD, sentLimiters: {}, start: records.length, rows: MAX_ROWS };
      const answer = await connection.ask('search', { ...page, sort: 'relevance' }, stop);
      if (!answer.ok) return { isThere: false, steps: [], isFailed: true, isCut: false };
      if (answer.value.records.length === 0) break;
      records.push(...answer.value.records);
      total = answer.value.total;
    }
    const step: TrailStep = { start: 0, direction: 'citedby', database, records };
    return { isThere: true, steps: [step], isFailed: false, isCut: total > MAX_FOLLOWED };
  }

  /** What one work leads to in one database. */
  private async followOne(
    start: TrailStart,
    place: number,
    dialect: Dialect,
    stop: AbortSignal,
  ): Promise<OneStep> {
    const nothing: OneStep = { isThere: false, steps: [], isFailed: false, isCut: false };
    const connection = this.connections.find(dialect.id);
    const number = await findStart(connection, dialect, start, stop);
    if (!number.ok) return { ...nothing, isFailed: true };
    const record = number.value;
    if (record === undefined) return nothing;
    const steps: TrailStep[] = [];
    let [isFailed, isCut] = [false, false];
    for (const direction of BOTH) {
      const records: BibliographicRecord[] = [];
      for (let total = 1; records.length < Math.min(total, MAX_FOLLOWED);) {
        const page = { record, start: records.length, rows: MAX_ROWS, direction };
        const answer = await connection.ask('citations', page, stop);
        if (!answer.ok) isFailed = true;
        if (!answer.ok || answer.value.records.length === 0) break;
        records.push(...answer.value.records);
        total = answer.value.total;
        if (total > MAX_FOLLOWED) isCut = true;
      }
      steps.push({ start: place, direction, database: dialect.id, records });
    }
    return { isThere: true, steps, isFailed, isCut };
  }

  /** What the draft asks of each chosen database; nothing where it cannot be asked. */
  private readonly askedDraft = computed(
    () => {
      const root = createSharedDraft(this.open.working());
      return this.open.dialects().map((dialect) => {
        const { id, name } = dialect;
        const { countKey } = this.counts.look(root, dialect, this.open.limiters());
        return { id, name, countKey: this.connections.isByHand(id) ? undefined : countKey };
      });
    },
    // A count that comes changes nothing of what is asked.
    { equal: (one, other) => JSON.stringify(one) === JSON.stringify(other) },
  );

  private async listFound(asked: ReturnType<typeof this.askedDraft>): Promise<void> {
    this.found.set(undefined);
    const keys: RecordKeys[] = [];
    const uncompared: string[] = [];
    for (const { id, name, countKey } of asked) {
      const listed =
        countKey && (await this.connections.offers(id, 'ids')) ? await this.listKeysOf(countKey) : undefined;
      if (listed) keys.push(...listed);
      else uncompared.push(name);
    }
    // Another draft is asked by now.
    if (asked === this.askedDraft())
      this.found.set({ keys, uncompared, compared: asked.length - uncompared.length });
  }

  /** The keys of all that a string finds; nothing if they cannot all be had. */
  private async listKeysOf(countKey: CountKey): Promise<readonly RecordKeys[] | undefined> {
    const [string = '', ...further] = listParts(countKey);
    const { database, sentLimiters } = countKey;
    const asked = { string, sentLimiters, ...(further.length > 0 && { further }) };
    const listed = await this.connections.find(database).ask('ids', asked);
    return listed.ok && listed.value.numbers.length >= listed.value.total
      ? listKeys(listed.value)
      : undefined;
  }
}

/** What the draft finds, by the keys of its works. */
interface Found {
  readonly keys: readonly RecordKeys[];
  /** How many databases told it, and the names of the others. */
  readonly compared: number;
  readonly uncompared: readonly string[];
}

interface OneStep {
  readonly isThere: boolean;
  readonly steps: readonly TrailStep[];
  readonly isFailed: boolean;
  readonly isCut: boolean;
}

function addStep(before: Following, at: number, name: string, step: OneStep): Following {
  const { isThere, steps, isFailed, isCut } = step;
  const standing = before.standings[at]!;
  const databases = [...(standing.databases ?? []), ...(isThere ? [name] : [])];
  return {
    ...before,
    standings: before.standings.with(at, { ...standing, databases }),
    steps: [...before.steps, ...steps],
    done: before.done + 1,
    failed: isFailed && !before.failed.includes(name) ? [...before.failed, name] : before.failed,
    isCut: before.isCut || isCut,
  };
}
