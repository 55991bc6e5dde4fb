import { Injectable, computed, effect, inject, signal, type Signal } from '@angular/core';
import type { LimiterName, Limiters } from '#core/limiter/index';
import type { CountEntry } from '#core/contract/index';
import type { Dialect, Rendering } from '#core/dialect/index';
import { succeed, type Outcome, type Problem } from '#core/problem/index';
import type { QueryNode } from '#core/query/index';
import { SURROUNDINGS } from '../data/ids';
import {
  createKey,
  describeEntry,
  joinParts,
  listParts,
  readKey,
  type CountState,
  type CountWish,
  type Counted,
} from './count-state';
import { TypedCounts } from './typed-counts';
import { WrittenQueries } from './written-queries';
import { Connections } from '../state/connections';

/** Wishes wait this long for others to go with them. */
const GATHERING = 5;
/** So many counts are asked for again at once when they are forgotten. */
const MOST_AGAIN = 150;
/** So many characters of strings are remembered with their counts; those that are looked at go beyond it. */
const MOST_CHARACTERS = 4_000_000;
/** What was not looked at while answers came so many times may be forgotten: what is on screen is read each time. */
const ANSWERS_LATER = 20;
/** While others are on their way, answers wait this long to be shown together. */
const SHOWING = 100;
const HEALTH_INTERVAL = 1_500;
/** A count that is remembered. */
interface KnownCount {
  readonly state: CountState;
  /** How many times answers had come when it was looked at last. */
  lookedAt: number;
}

/** Standing values: who compares states sees that nothing changed. */
const EMPTY: CountState = { status: 'empty' };
const WAITING: CountState = { status: 'waiting' };
const NOTHING_MISSING: readonly LimiterName[] = [];
/**
 * The live counts: asked for in batches, remembered by their exact string, forgotten by nobody who
 * still looks at them. An answer belongs to the string it was asked with, so a late one harms nothing.
 */
@Injectable({ providedIn: 'root' })
export class CountStore {
  private readonly connections = inject(Connections);
  private readonly queries = inject(WrittenQueries);
  private readonly typedCounts = inject(TypedCounts);
  private readonly surroundings = inject(SURROUNDINGS);
  private readonly known = signal<ReadonlyMap<string, KnownCount>>(new Map());
  private readonly open = new Map<string, CountWish>();
  private readonly flying = new Set<string>();
  /** How many times answers have come. */
  private answers = 0;
  /** Answers that are not shown yet. */
  private readonly arrived = new Map<CountWish, CountState>();
  private showing: ReturnType<typeof setTimeout> | undefined;
  /** The databases that are being asked. */
  private readonly busy = new Set<string>();
  /** The databases that asked to wait, with what they said: nothing is sent to them until then. */
  private readonly resting = new Map<string, Problem>();
  /** Who waits for answers. */
  private watchers: (() => void)[] = [];
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    this.queries.onReady = (wishes) => this.ask(wishes);
  }

  /** The server does not answer; counting goes on by itself when it is back. */
  readonly isGone = signal(false);

  /** Writes a query in a dialect and says how its count stands. */
  look(root: QueryNode, dialect: Dialect, limiters: Limiters): Counted {
    const { rendering, wish, key } = this.queries.write(root, dialect, limiters);
    const isByHand = this.connections.isByHand(dialect.id);
    const missingLimiters = listMissing(rendering, isByHand);
    const [problem] = rendering.problems;
    const isEmpty = problem?.code === 'nothing-to-send' && !hasReasons(rendering);
    const create = (state: CountState): Counted => ({
      root,
      rendering,
      wish: undefined,
      state,
      limiters,
      missingLimiters,
    });
    if (isEmpty) return create(EMPTY);
    if (problem) return create({ status: 'failed', problem });
    if (wish && isByHand)
      return {
        ...create(this.typedCounts.look(wish, dialect, limiters)),
        byHand: { ...wish, limiters },
      };
    return { ...create(this.read(key)), wish };
  }

  /** What is sent for a query, if anything: unlike `look`, it stays the same when counts come. */
  wish(root: QueryNode, dialect: Dialect, limiters: Limiters): CountWish | undefined {
    return this.connections.isByHand(dialect.id)
      ? undefined
      : this.queries.write(root, dialect, limiters).wish;
  }

  /** As `wish`, for queries of which there are many: see `lookLater`. */
  wishLater(root: QueryNode, dialect: Dialect, limiters: Limiters): CountWish | undefined {
    return this.queries.isWrittenSoon(root, dialect, limiters, true)
      ? this.wish(root, dialect, limiters)
      : undefined;
  }

  /**
   * As `look`, for queries of which there are many: one that was not written before is written in a
   * short slice of time between other work, in the order of asking. Until then there is nothing. With
   * `asks` false it is only written, and asked for when somebody says so.
   */
  lookLater(root: QueryNode, dialect: Dialect, limiters: Limiters, asks = true): Counted | undefined {
    return this.queries.isWrittenSoon(root, dialect, limiters, asks)
      ? this.look(root, dialect, limiters)
      : undefined;
  }

  /** As `look`, for a query that may not be written yet: then nothing. Nothing is asked for by it. */
  lookIfWritten(root: QueryNode, dialect: Dialect, limiters: Limiters): Counted | undefined {
    return this.queries.isWritten(root, dialect, limiters) ? this.look(root, dialect, limiters) : undefined;
  }

  /** Gives up what waits to be written: it belongs to a state of the project that is gone. */
  dropLater(): void {
    this.queries.dropLater();
  }

  /** Keeps the wishes of a view counted for as long as the view lives; called while the view is made. */
  follow(wishes: Signal<readonly CountWish[]>): void {
    effect(() => {
      this.ask(wishes());
    });
  }

  /** Asks for what is not known yet. */
  ask(wishes: readonly CountWish[]): void {
    const known = this.known();
    for (const wish of wishes) {
      const key = createKey(wish);
      const found = known.get(key);
      if (found) found.lookedAt = this.answers;
      else if (!this.flying.has(key)) this.open.set(key, wish);
    }
    if (this.open.size > 0 && !this.isGone()) this.timer ??= setTimeout(() => this.send(), GATHERING);
  }

  /** The wishes that nobody has counted yet, each once; those that failed are not among them. */
  listUnknown(wishes: readonly CountWish[]): CountWish[] {
    const known = this.known();
    const missing = new Map(wishes.map((wish) => [createKey(wish), wish]));
    return [...missing].filter(([key]) => !known.has(key)).map(([, wish]) => wish);
  }

  /** How the count of a wish stands. */
  stateOf(wish: CountWish): CountState {
    return this.read(createKey(wish));
  }

  private read(key: string): CountState {
    const known = this.known().get(key);
    if (!known) return WAITING;
    known.lookedAt = this.answers;
    return known.state;
  }

  /** Has some wishes counted and says how each came out: counted or failed. */
  async settle(wishes: readonly CountWish[]): Promise<CountState[]> {
    this.ask(wishes);
    for (;;) {
      const states = wishes.map((wish) => this.stateOf(wish));
      if (states.every(({ status }) => status !== 'waiting')) return states;
      await new Promise<void>((resolve) => this.watchers.push(resolve));
    }
  }

  /** Puts back counts that were kept elsewhere, where nothing newer is known. */
  putBack(entries: readonly (readonly [CountWish, CountState])[]): void {
    const fresh = entries.filter(([wish]) => !this.known().has(createKey(wish)));
    this.remember(
      fresh.map(([wish]) => wish),
      fresh.map(([, state]) => state),
    );
  }

  /** Forgets some counts and asks for them anew. */
  countAgain(wishes: readonly CountWish[]): void {
    const keys = new Set(wishes.map(createKey));
    this.known.update((known) => new Map([...known].filter(([key]) => !keys.has(key))));
    this.ask(wishes);
  }

  /** Forgets all counts of a database, whose records have changed. What is looked at is asked for again. */
  forget(database: string): void {
    const gone = [...this.known().keys()].filter((key) => key.startsWith(`${database}\n`));
    this.known.update((known) => new Map([...known].filter(([key]) => !key.startsWith(`${database}\n`))));
    this.ask(gone.slice(-MOST_AGAIN).map(readKey));
  }

  /** Forgets the failures of a database and asks again. */
  retry(database?: string): void {
    if (database === undefined) this.resting.clear();
    else this.resting.delete(database);
    const again = [...this.known()].filter(
      ([key, { state }]) =>
        state.status === 'failed' && (database === undefined || key.startsWith(`${database}\n`)),
    );
    this.known.update(
      (known) => new Map([...known].filter(([key]) => !again.some(([failed]) => failed === key))),
    );
    this.ask(again.map(([key]) => readKey(key)));
  }

  /**
   * One request a database at a time: what is wished for meanwhile goes together in the next. So a slow
   * database never takes the connections that the others need.
   */
  private send(): void {
    this.timer = undefined;
    const databases = new Map<string, Map<string, CountWish[]>>();
    for (const [key, wish] of this.open) {
      if (this.busy.has(wish.database)) continue;
      this.open.delete(key);
      this.flying.add(key);
      const groups = databases.get(wish.database) ?? new Map<string, CountWish[]>();
      databases.set(wish.database, groups);
      const boxes = JSON.stringify(wish.boxes);
      groups.set(boxes, [...(groups.get(boxes) ?? []), wish]);
    }
    for (const [database, groups] of databases) void this.sendGroups(database, [...groups.values()]);
  }

  private async sendGroups(database: string, groups: readonly (readonly CountWish[])[]): Promise<void> {
    this.busy.add(database);
    for (const wishes of groups) await this.sendGroup(wishes);
    this.busy.delete(database);
    if (this.open.size > 0 && !this.isGone()) this.timer ??= setTimeout(() => this.send(), 0);
  }

  private async sendGroup(wishes: readonly CountWish[]): Promise<void> {
    const [first] = wishes;
    if (!first) return;
    const rest = this.resting.get(first.database);
    if (rest)
      return this.collect(
        wishes,
        wishes.map(() => ({ status: 'failed', problem: rest })),
      );
    const start = this.surroundings.now();
    const outcome = await this.countWishes(wishes, first);
    const milliseconds = Math.max(0, Math.round(this.surroundings.now() - start));
    if (!outcome.ok && outcome.problem.code === 'service-gone') {
      for (const wish of wishes) {
        this.flying.delete(createKey(wish));
        this.open.set(createKey(wish), wish);
      }
      this.waitForServer();
      return;
    }
    const states = wishes.map((_, at): CountState => {
      if (!outcome.ok) return { status: 'failed', problem: outcome.problem };
      const state = outcome.value[at] ?? WAITING;
      return state.status === 'counted' ? { ...state, milliseconds } : state;
    });
    this.collect(wishes, states);
    if (!outcome.ok && outcome.problem.code === 'service-busy')
      this.restFrom(first.database, outcome.problem);
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
  private async countWishes(
    wishes: readonly CountWish[],
    { database, boxes }: CountWish,
  ): Promise<Outcome<CountState[]>> {
    const connection = this.connections.find(database);
    const parts = wishes.map(listParts);
    const unites =
      parts.some((some) => some.length > 1) && (await this.connections.offers(database, 'unions'));
    const isUnion = (at: number): boolean => unites && (parts[at]?.length ?? 0) > 1;
    const strings = parts.filter((_, at) => !isUnion(at)).flat();
    const unions = parts.filter((_, at) => isUnion(at));
    const [single, united] = await Promise.all([
      strings.length > 0 ? connection.ask('count', { strings, boxes }) : succeed([]),
      unions.length > 0 ? connection.ask('unions', { unions, boxes }) : succeed([]),
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
  private collect(wishes: readonly CountWish[], states: readonly CountState[]): void {
    wishes.forEach((wish, at) => {
      const state = states[at];
      if (state) this.arrived.set(wish, state);
    });
    if (this.flying.size <= this.arrived.size) this.rememberArrived();
    else this.showing ??= setTimeout(() => this.rememberArrived(), SHOWING);
  }

  private rememberArrived(): void {
    clearTimeout(this.showing);
    this.showing = undefined;
    const arrived = [...this.arrived];
    this.arrived.clear();
    for (const [wish] of arrived) this.flying.delete(createKey(wish));
    this.remember(
      arrived.map(([wish]) => wish),
      arrived.map(([, state]) => state),
    );
  }

  private remember(wishes: readonly CountWish[], states: readonly CountState[]): void {
    this.answers++;
    this.known.update((known) => {
      const next = new Map(known);
      wishes.forEach((wish, at) => {
        const state = states[at];
        if (state) next.set(createKey(wish), { state, lookedAt: this.answers });
      });
      this.forgetOldest(next);
      return next;
    });
    const { watchers } = this;
    this.watchers = [];
    watchers.forEach((tell) => tell());
  }

  /** Strings are long: what nobody looks at any more is forgotten, the oldest first. */
  private forgetOldest(known: Map<string, KnownCount>): void {
    let characters = 0;
    for (const key of known.keys()) characters += key.length;
    for (const [key, { lookedAt }] of known) {
      if (characters <= MOST_CHARACTERS) return;
      if (this.answers - lookedAt < ANSWERS_LATER) continue;
      known.delete(key);
      characters -= key.length;
    }
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

/** The limiters that a count goes without. What is set on a database's page is set by whoever counts there. */
function listMissing({ steps }: Rendering, isByHand: boolean): readonly LimiterName[] {
  const missing = steps.filter(({ how }) => how === 'none' || (how === 'hand' && !isByHand));
  return missing.length === 0 ? NOTHING_MISSING : missing.map(({ limiter }) => limiter);
}

/** Something of the query was left out for a reason of the database: that is to be said. */
function hasReasons({ fidelity }: Rendering): boolean {
  return [...fidelity.values()].some(({ reasons }) => reasons.length > 0);
}

/** A computed list of the wishes in some counts. */
export function listWishes(counts: () => readonly (Counted | undefined)[]): Signal<CountWish[]> {
  return computed(() => counts().flatMap((counted) => counted?.wish ?? []));
}
