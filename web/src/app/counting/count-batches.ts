import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { keepAmount, readKeptAmount } from '#core/count/index';
import { CLOCK_AND_IDS, writeMoment } from '../data/clock-and-ids';
import { BATCH_REPOSITORY } from '../data/providers';
import { OpenProject } from '../state/open-project';
import type { CountState, CountKey } from './count-state';
import { AskedCounts } from './asked-counts';
import { Counts } from './counts';
import type { StoredBatch } from '../data/batch-repository';

/** Counts asked of a database at once: few, so that pausing is quick and partial results come early. */
const AT_ONCE = 20;
/** A failed database is tried again so often, each time after about twice the wait. */
const MAX_TRIES = 4;
const FIRST_WAIT = 1_000;

/** How a batch stands. */
export interface CountBatch {
  readonly id: string;
  readonly title: string;
  readonly countKeys: readonly CountKey[];
  readonly isPaused: boolean;
  /** The counts whose database failed for good; the others are complete without them. */
  readonly failed: readonly string[];
  readonly done: number;
}

/**
 * Many counts that take a while: made a few at a time, with pause and cancel, kept as they come, and
 * gone on with after a reload. One request at a time goes to a database; one that asks to wait is
 * waited for, one that fails is tried again after growing waits and then left out, the others go on.
 */
@Injectable({ providedIn: 'root' })
export class CountBatches {
  private readonly counts = inject(Counts);
  private readonly asked = inject(AskedCounts);
  private readonly open = inject(OpenProject);
  private readonly repository = inject(BATCH_REPOSITORY);
  private readonly clockAndIds = inject(CLOCK_AND_IDS);
  private readonly running = signal<
    readonly (Omit<CountBatch, 'done'> & { moment: string; project: string })[]
  >([]);
  private readonly tries = new Map<string, number>();
  private readonly saving = new Map<string, ReturnType<typeof setTimeout>>();

  /** The batches of the open project that are not done. */
  readonly batches = computed<CountBatch[]>(() =>
    this.running()
      .filter(({ project }) => project === this.open.maybe()?.id)
      .map((batch) => ({
        ...batch,
        done: batch.countKeys.filter((countKey) => isDone(this.counts.stateOf(countKey))).length,
      })),
  );

  constructor() {
    let loaded: string | undefined;
    effect(() => {
      const project = this.open.maybe()?.id;
      if (project === undefined || project === loaded) return;
      loaded = project;
      untracked(() => void this.load(project));
    });
    effect(() => {
      for (const batch of this.running()) if (!batch.isPaused) this.step(batch);
    });
  }

  /** Begins to count; what is known already is not counted again. */
  start(title: string, countKeys: readonly CountKey[]): void {
    const project = this.open.maybe()?.id;
    if (project === undefined || countKeys.length === 0) return;
    const batch = {
      id: this.clockAndIds.createId(),
      project,
      title,
      countKeys,
      isPaused: false,
      failed: [],
      moment: writeMoment(this.clockAndIds.now()),
    };
    this.running.update((all) => [...all, batch]);
    this.keep(batch.id, 0);
  }

  pause(id: string, isPaused: boolean): void {
    this.running.update((all) => all.map((batch) => (batch.id === id ? { ...batch, isPaused } : batch)));
    this.keep(id, 0);
  }

  /** What is counted stays; the rest is not asked for. */
  cancel(id: string): void {
    this.running.update((all) => all.filter((batch) => batch.id !== id));
    clearTimeout(this.saving.get(id));
    void this.repository.remove(id);
  }

  /** Tries the databases again that failed for good. */
  retry(id: string): void {
    const batch = this.running().find((one) => one.id === id);
    if (!batch) return;
    for (const database of batch.failed) this.tries.delete(`${id} ${database}`);
    this.asked.countAgain(
      batch.countKeys.filter(
        (countKey) =>
          batch.failed.includes(countKey.database) && this.counts.stateOf(countKey).status === 'failed',
      ),
    );
    this.running.update((all) => all.map((one) => (one.id === id ? { ...one, failed: [] } : one)));
  }

  private async load(project: string): Promise<void> {
    const stored = await this.repository.list(project);
    if (!stored.ok) return;
    for (const { answers, ...batch } of stored.value) {
      const countKeys = batch.countKeys.map((countKey): CountKey => ({
        ...countKey,
        sentLimiters: countKey.sentLimiters,
      }));
      this.asked.putBack(
        countKeys.flatMap((countKey, at) => {
          const answer = answers[at];
          if (!answer) return [];
          const state: CountState = { status: 'counted', amount: readKeptAmount(answer) };
          return [[countKey, state] as const];
        }),
      );
      if (this.running().some(({ id }) => id === batch.id)) continue;
      this.running.update((all) => [...all, { ...batch, countKeys, failed: [] }]);
    }
  }

  /** Asks for the next few counts of each database; called whenever an answer has come. */
  private step(batch: Omit<CountBatch, 'done'> & { moment: string; project: string }): void {
    const open = new Map<string, CountKey[]>();
    const failing = new Map<string, CountKey[]>();
    let isDoneWithAll = true;
    for (const countKey of batch.countKeys) {
      const state = this.counts.stateOf(countKey);
      if (isDone(state)) continue;
      isDoneWithAll = false;
      if (batch.failed.includes(countKey.database)) continue;
      const into = state.status === 'failed' ? failing : open;
      into.set(countKey.database, [...(into.get(countKey.database) ?? []), countKey]);
    }
    if (isDoneWithAll) {
      untracked(() => queueMicrotask(() => this.cancel(batch.id)));
      return;
    }
    for (const [database, countKeys] of failing) this.tryAgain(batch.id, database, countKeys);
    for (const [database, countKeys] of open) {
      if (!failing.has(database)) this.asked.ask(countKeys.slice(0, AT_ONCE));
    }
    this.keep(batch.id, 400);
  }

  private tryAgain(id: string, database: string, countKeys: readonly CountKey[]): void {
    const key = `${id} ${database}`;
    if (this.saving.has(key)) return;
    const tries = (this.tries.get(key) ?? 0) + 1;
    this.tries.set(key, tries);
    if (tries > MAX_TRIES) {
      queueMicrotask(() =>
        this.running.update((all) =>
          all.map((one) => (one.id === id ? { ...one, failed: [...one.failed, database] } : one)),
        ),
      );
      return;
    }
    // Not all who wait come back at the same moment.
    const wait = FIRST_WAIT * 2 ** (tries - 1) * (0.75 + Math.random() / 2);
    this.saving.set(
      key,
      setTimeout(() => {
        this.saving.delete(key);
        if (this.running().some((one) => one.id === id && !one.isPaused))
          this.asked.countAgain(countKeys.slice(0, AT_ONCE));
      }, wait),
    );
  }

  /** Keeps a batch as it stands, not more often than needed. */
  private keep(id: string, wait: number): void {
    if (this.saving.has(id)) return;
    this.saving.set(
      id,
      setTimeout(() => {
        this.saving.delete(id);
        const batch = this.running().find((one) => one.id === id);
        if (batch) void this.repository.save(this.describe(batch));
      }, wait),
    );
  }

  private describe({
    id,
    project,
    title,
    moment,
    isPaused,
    countKeys,
  }: Omit<CountBatch, 'done'> & { moment: string; project: string }): StoredBatch {
    return {
      id,
      project,
      title,
      moment,
      isPaused,
      countKeys: countKeys.map(({ database, string, sentLimiters }) => ({ database, string, sentLimiters })),
      answers: countKeys.map((countKey) => {
        const state = this.counts.stateOf(countKey);
        if (state.status !== 'counted') return null;
        return keepAmount(state.amount);
      }),
    };
  }
}

/** A string that the service does not take will not be taken later: that is an answer, too. */
function isDone(state: CountState): boolean {
  return (
    state.status === 'counted' || (state.status === 'failed' && state.problem.code === 'service-refused')
  );
}
