import { Injectable, inject, signal, untracked } from '@angular/core';
import type { CountEntry } from '#core/contract/index';
import { succeed, type Outcome, type Problem } from '#core/problem/index';
import { CLOCK_AND_IDS } from '../data/clock-and-ids';
import { Connections } from '../state/connections';
import {
  createKey,
  describeEntry,
  joinParts,
  listParts,
  readKey,
  type CountState,
  type CountKey,
} from './count-state';
import { KnownCounts } from './known-counts';

/** Wishes wait this long for others to go with them. */
const GATHERING = 5;
/** So many counts are asked for again at once when they are forgotten. */
const MAX_AGAIN = 150;
/** While others are on their way, answers wait this long to be shown together. */
const SHOWING = 100;
const HEALTH_INTERVAL = 1_500;
/** Where others wait behind a request for so long, it is looked whether anybody still wants its answer. */
const PATIENCE = 250;
/** Those who want an answer have shown it after so long. */
const LOOKING = 100;

/** A request that is on its way. */
interface Sending {
  readonly countKeys: readonly CountKey[];
  readonly giveUp: AbortController;
}

/**
 * What is asked: counts go to each database in batches, one request at a time; one that asks to wait is left
 * alone until then; a request that is not wanted any more is given up when others wait behind it. An answer
 * belongs to the string it was asked with, so a late one harms nothing.
 */
@Injectable({ providedIn: 'root' })
export class AskedCounts {
  private readonly connections = inject(Connections);
  private readonly clockAndIds = inject(CLOCK_AND_IDS);
  private readonly known = inject(KnownCounts);
  private readonly open = new Map<string, CountKey>();
  private readonly flying = new Set<string>();
  /** Answers that are not shown yet. */
  private readonly arrived = new Map<CountKey, CountState>();
  private showing: ReturnType<typeof setTimeout> | undefined;
  /** The databases that are being asked, with what of. */
  private readonly busy = new Map<string, Sending | undefined>();
  /** The databases that asked to wait, with what they said: nothing is sent to them until then. */
  private readonly resting = new Map<string, Problem>();
  /** The keys that somebody waits for who does not show them. */
  private readonly settling = new Map<string, number>();
  private watchers: (() => void)[] = [];
  private timer: ReturnType<typeof setTimeout> | undefined;
  private impatience: ReturnType<typeof setTimeout> | undefined;

  /** The server does not answer; counting goes on by itself when it is back. */
  readonly isGone = signal(false);

  /** Asks for what is not known yet. */
  ask(countKeys: readonly CountKey[]): void {
    untracked(() => {
      for (const countKey of countKeys) {
        const key = createKey(countKey);
        if (!this.known.has(key) && !this.flying.has(key)) this.open.set(key, countKey);
      }
      if (this.open.size === 0 || this.isGone()) return;
      this.timer ??= setTimeout(() => this.send(), GATHERING);
    });
  }

  /** Has the counts of some keys made and says how each came out: counted or failed. */
  async settle(countKeys: readonly CountKey[]): Promise<CountState[]> {
    const keys = countKeys.map(createKey);
    for (const key of keys) this.settling.set(key, (this.settling.get(key) ?? 0) + 1);
    this.ask(countKeys);
    for (;;) {
      const states = untracked(() => keys.map((key) => this.known.get(key)));
      if (states.every(({ status }) => status !== 'waiting')) {
        for (const key of keys) this.settling.set(key, (this.settling.get(key) ?? 1) - 1);
        for (const key of keys) if (this.settling.get(key) === 0) this.settling.delete(key);
        return states;
      }
      await new Promise<void>((resolve) => this.watchers.push(resolve));
    }
  }

  /** Puts back counts that were kept elsewhere, where nothing newer is known. */
  putBack(entries: readonly (readonly [CountKey, CountState])[]): void {
    const fresh = entries.map(([countKey, state]) => [createKey(countKey), state] as const);
    this.remember(fresh.filter(([key]) => !untracked(() => this.known.has(key))));
  }

  /** Forgets some counts and asks for them anew. */
  countAgain(countKeys: readonly CountKey[]): void {
    this.known.forget(countKeys.map(createKey));
    this.ask(countKeys);
  }

  /** Forgets all counts of a database, whose records have changed. What is looked at is asked for again. */
  forget(database: string): void {
    const gone = this.listKnown(database).map(([key]) => key);
    this.known.forget(gone);
    this.ask(gone.slice(-MAX_AGAIN).map(readKey));
  }

  /** Forgets the failures of a database, or of all, and asks again. */
  retry(database?: string): void {
    if (database === undefined) this.resting.clear();
    else this.resting.delete(database);
    const failed = this.listKnown(database).filter(([, { status }]) => status === 'failed');
    this.countAgain(failed.map(([key]) => readKey(key)));
  }

  private listKnown(database: string | undefined): (readonly [string, CountState])[] {
    const known = untracked(() => this.known.list());
    return database === undefined ? known : known.filter(([key]) => key.startsWith(`${database}\n`));
  }

  /**
   * One request a database at a time: what is wished for meanwhile goes together in the next. So a slow
   * database never takes the connections that the others need.
   */
  private send(): void {
    this.timer = undefined;
    const databases = new Map<string, Map<string, CountKey[]>>();
    for (const [key, countKey] of this.open) {
      if (this.busy.has(countKey.database)) continue;
      this.open.delete(key);
      this.flying.add(key);
      const groups = databases.get(countKey.database) ?? new Map<string, CountKey[]>();
      databases.set(countKey.database, groups);
      const sentLimiters = JSON.stringify(countKey.sentLimiters);
      groups.set(sentLimiters, [...(groups.get(sentLimiters) ?? []), countKey]);
    }
    for (const [database, groups] of databases) void this.sendGroups(database, [...groups.values()]);
    if (this.open.size > 0) this.impatience ??= setTimeout(() => this.callUnwanted(), PATIENCE);
  }

  private async sendGroups(database: string, groups: readonly (readonly CountKey[])[]): Promise<void> {
    this.busy.set(database, undefined);
    for (const countKeys of groups) await this.sendGroup(database, countKeys);
    this.busy.delete(database);
    if (this.open.size > 0 && !this.isGone()) this.timer ??= setTimeout(() => this.send(), 0);
  }

  private async sendGroup(database: string, countKeys: readonly CountKey[]): Promise<void> {
    const rest = this.resting.get(database);
    if (rest) return this.collect(countKeys, () => ({ status: 'failed', problem: rest }));
    const giveUp = new AbortController();
    this.busy.set(database, { countKeys, giveUp });
    const start = this.clockAndIds.now();
    const outcome = await this.countGroup(countKeys, database, giveUp.signal);
    const milliseconds = Math.max(0, Math.round(this.clockAndIds.now() - start));
    if (!outcome.ok && outcome.problem.code === 'service-gone') {
      for (const countKey of countKeys) {
        this.flying.delete(createKey(countKey));
        this.open.set(createKey(countKey), countKey);
      }
      this.waitForServer();
      return;
    }
    if (!outcome.ok && outcome.problem.code === 'request-given-up') {
      for (const countKey of countKeys) this.flying.delete(createKey(countKey));
      return;
    }
    this.collect(countKeys, (at) => {
      if (!outcome.ok) return { status: 'failed', problem: outcome.problem };
      const state = outcome.value[at];
      return state?.status === 'counted' ? { ...state, milliseconds } : state;
    });
    if (!outcome.ok && outcome.problem.code === 'service-busy') this.restFrom(database, outcome.problem);
  }

  /** Gives up requests whose answers are not wanted any more, where others wait behind them. */
  private callUnwanted(): void {
    this.impatience = undefined;
    const blocking = [...this.open.values()].map(({ database }) => database);
    const sendings = [...new Set(blocking)].flatMap((database) => this.busy.get(database) ?? []);
    if (sendings.length === 0) return;
    const keys = sendings.map(({ countKeys }) => countKeys.map(createKey));
    const moment = this.known.callToLook(keys.flat());
    setTimeout(() => {
      sendings.forEach(({ giveUp }, at) => {
        const isWanted = (key: string): boolean =>
          this.settling.has(key) || this.known.lookedSince(key, moment);
        if (!keys[at]?.some(isWanted)) giveUp.abort();
      });
      if (this.open.size > 0) this.impatience ??= setTimeout(() => this.callUnwanted(), PATIENCE);
    }, LOOKING);
  }

  private restFrom(database: string, problem: Problem): void {
    this.resting.set(database, problem);
    setTimeout(
      () => {
        if (this.resting.get(database) === problem) this.retry(database);
      },
      Number(problem.data['seconds']) * 1000,
    );
  }

  /** Strings go together; of several parts the results are united by the database, or only bounds are known. */
  private async countGroup(
    countKeys: readonly CountKey[],
    database: string,
    signal: AbortSignal,
  ): Promise<Outcome<CountState[]>> {
    const connection = this.connections.find(database);
    const sentLimiters = countKeys[0]?.sentLimiters ?? {};
    const parts = countKeys.map(listParts);
    const unites =
      parts.some((some) => some.length > 1) && (await this.connections.offers(database, 'unions'));
    const isUnion = (at: number): boolean => unites && (parts[at]?.length ?? 0) > 1;
    const strings = parts.filter((_, at) => !isUnion(at)).flat();
    const unions = parts.filter((_, at) => isUnion(at));
    const [single, united] = await Promise.all([
      strings.length > 0 ? connection.ask('count', { strings, sentLimiters }, signal) : succeed([]),
      unions.length > 0 ? connection.ask('unions', { unions, sentLimiters }, signal) : succeed([]),
    ]);
    if (!single.ok) return single;
    if (!united.ok) return united;
    const [singles, together] = [single.value[Symbol.iterator](), united.value[Symbol.iterator]()];
    const take = (entries: Iterator<CountEntry>): CountState =>
      describeEntry(entries.next().value as CountEntry | undefined, () => connection.name);
    return succeed(
      parts.map((some, at) => (isUnion(at) ? take(together) : joinParts(some.map(() => take(singles))))),
    );
  }

  /** Answers that come shortly after one another are shown together: each showing has a price. */
  private collect(countKeys: readonly CountKey[], stateOf: (at: number) => CountState | undefined): void {
    countKeys.forEach((countKey, at) => {
      const state = stateOf(at);
      if (state) this.arrived.set(countKey, state);
    });
    if (this.flying.size <= this.arrived.size) this.rememberArrived();
    else this.showing ??= setTimeout(() => this.rememberArrived(), SHOWING);
  }

  private rememberArrived(): void {
    clearTimeout(this.showing);
    this.showing = undefined;
    const arrived = [...this.arrived].map(([countKey, state]) => [createKey(countKey), state] as const);
    this.arrived.clear();
    for (const [key] of arrived) this.flying.delete(key);
    this.remember(arrived);
  }

  private remember(counts: readonly (readonly [string, CountState])[]): void {
    this.known.put(counts);
    const { watchers } = this;
    this.watchers = [];
    watchers.forEach((tell) => tell());
  }

  private waitForServer(): void {
    if (this.isGone()) return;
    this.isGone.set(true);
    const look = async (): Promise<void> => {
      if (await this.connections.isServerThere()) {
        await this.connections.remind();
        this.isGone.set(false);
        this.send();
      } else setTimeout(() => void look(), HEALTH_INTERVAL);
    };
    setTimeout(() => void look(), HEALTH_INTERVAL);
  }
}
